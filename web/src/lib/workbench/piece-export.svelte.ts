import { fileNameOf, saveFile } from '../save-file.ts';
import { problemWords } from '../words.ts';
import type { CurrentPlan } from '../planner/current-plan.svelte.ts';

export type ExportFormat = 'musicxml' | 'musicxml-tablature' | 'json';

/** Saves the piece as a file, once the plan of the last decision stands. */
export class PieceExport {
  isWriting = $state(false);
  problem = $state('');
  readonly #title: () => string;

  constructor(title: () => string) {
    this.#title = title;
  }

  async write(planned: CurrentPlan, format: ExportFormat): Promise<void> {
    this.isWriting = true;
    this.problem = '';
    try {
      await (format === 'json'
        ? this.#writeJson(planned)
        : this.#writeMusicXml(planned, format === 'musicxml-tablature'));
    } catch (error) {
      this.problem = (error as Error).message;
    } finally {
      this.isWriting = false;
    }
  }

  async #writeJson(planned: CurrentPlan): Promise<void> {
    this.#save(await planned.exportJson(), '.plan.json', 'application/json');
  }

  async #writeMusicXml(planned: CurrentPlan, hasTablature: boolean): Promise<void> {
    const written = await planned.exportMusicXml(hasTablature);
    if (!written.ok) this.problem = problemWords(written.error);
    else
      this.#save(
        written.value as Uint8Array<ArrayBuffer>,
        '.musicxml',
        'application/vnd.recordare.musicxml+xml;charset=utf-8',
      );
  }

  #save(content: string | Uint8Array<ArrayBuffer>, extension: string, type: string): void {
    saveFile(new Blob([content], { type }), `${fileNameOf(this.#title())}${extension}`);
  }
}
