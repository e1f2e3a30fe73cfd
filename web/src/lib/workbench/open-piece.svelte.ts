import type { Mark, MarkId, Repair, Score } from '@oculon/core';
import * as Comlink from 'comlink';
import type { OpenAnswer } from '../planner/api.ts';
import type { Planner } from '../planner/client.ts';
import { scoreAsRead } from '../planner/setup.ts';
import { problemWords } from '../words.ts';
import { startSource, type Source } from '../planner/source.ts';

type Octave = Parameters<typeof scoreAsRead>[1]['octave'];

/** The piece on the desk, as its file was read. */
export class OpenPiece {
  phase = $state<'opening' | 'ready' | 'failed'>('opening');
  problem = $state('');
  #read = $state.raw<Score>();
  repairs = $state.raw<readonly Repair[]>([]);
  /** Marks that the source writes. */
  sourceMarks = $state.raw<ReadonlyMap<MarkId, Mark>>(new Map());
  readonly #octave: () => Octave;
  /** The piece in the octave in which the teacher reads it. */
  readonly score = $derived.by(() => this.#read && scoreAsRead(this.#read, { octave: this.#octave() }));

  constructor(octave: () => Octave) {
    this.#octave = octave;
  }

  /**
   * Has the planner read the piece; false, with the problem in words, when that cannot be done. `coming` is its file where it
   * was asked for already.
   */
  async open(piece: string, part: string, planner: Planner, coming?: Source): Promise<boolean> {
    try {
      const known = coming && planner.readBefore(coming, part);
      const opened = await (known ?? this.#readNow(piece, part, planner, coming));
      if (!opened)
        return this.fail('The piece could not be fetched. Check the connection and load the page again.');
      if (!opened.ok) return this.fail(problemWords(opened.error));
      this.#read = opened.value.score;
      this.repairs = opened.value.repairs;
      this.sourceMarks = new Map(opened.value.marks);
      return true;
    } catch (error) {
      return this.fail((error as Error).message);
    }
  }

  async #readNow(
    piece: string,
    part: string,
    planner: Planner,
    coming: Source | undefined,
  ): Promise<OpenAnswer | undefined> {
    const source = (await coming) ?? (await startSource(piece));
    if (!source) return undefined;
    const bytes = new Uint8Array(source);
    return planner.api.open(Comlink.transfer(bytes, [bytes.buffer]), part);
  }

  fail(problem: string): false {
    this.problem = problem;
    this.phase = 'failed';
    return false;
  }
}
