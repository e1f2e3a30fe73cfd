import type { Mark, MarkId, Repair, Score } from '@oculon/core';
import * as Comlink from 'comlink';
import type { Planner } from '../planner/client.ts';
import { scoreAsRead } from '../planner/setup.ts';
import { problemWords } from '../words.ts';
import { startSource, type Source } from './source.ts';

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
      const source = (await coming) ?? (await startSource(piece));
      if (!source)
        return this.fail('The piece could not be fetched. Check the connection and load the page again.');
      const bytes = new Uint8Array(source);
      const opened = await planner.api.open(Comlink.transfer(bytes, [bytes.buffer]), part);
      if (!opened.ok) return this.fail(problemWords(opened.error));
      this.#read = opened.value.score;
      this.repairs = opened.value.repairs;
      this.sourceMarks = new Map(opened.value.marks);
      return true;
    } catch (error) {
      return this.fail((error as Error).message);
    }
  }

  fail(problem: string): false {
    this.problem = problem;
    this.phase = 'failed';
    return false;
  }
}
