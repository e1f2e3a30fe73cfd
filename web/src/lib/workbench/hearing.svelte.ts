import type { VersionMessage } from '../planner/api.ts';
import { Listening } from '../sound/listening.svelte.ts';
import type { Workbench } from './workbench.svelte.ts';

/** What is heard at the workbench: the plan from the caret on, and other versions in turn with it. */
export class Hearing {
  /** What is played now, as a tick on the page. */
  playhead = $state<number>();
  readonly listening: Listening;
  readonly #workbench: Workbench;

  constructor(workbench: Workbench) {
    this.#workbench = workbench;
    this.listening = new Listening({
      load: () => workbench.planned.sounds(),
      start: () => workbench.caret.note?.onset ?? 0,
      onStep: (onset) => (this.playhead = onset),
    });
  }

  /** Plays another version of the piece from a bar on, to be heard in turn with the plan. */
  async hear(version: VersionMessage, bar: number): Promise<void> {
    try {
      await this.listening.hear(await this.#workbench.planned.soundsOf(version), bar);
    } catch {
      this.listening.problem = 'This could not be played. Load the page again.';
    }
  }

  /** What is said of some bars, counted from 0. */
  async told(from: number, to: number): Promise<readonly string[]> {
    const lines = await this.#workbench.planned.questions.walk('bars', 'en', 'letters');
    return lines
      .filter((line) => line.depth === 'bars' && line.to >= from && line.from <= to)
      .flatMap((line) => line.sentences.map(({ text }) => text));
  }
}
