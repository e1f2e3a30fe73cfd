import type { Mark, MarkId, Repair, Score } from '@oculon/core';
import type { OpenAnswer } from '../planner/api.ts';
import type { Planner, SourcePart } from '../planner/client.ts';
import { scoreAsRead } from '../planner/setup.ts';
import { problemWords } from '../words.ts';
import { sourceFor, type Source } from '../planner/source.ts';

type Octave = Parameters<typeof scoreAsRead>[1]['octave'];

export interface WantedSource extends SourcePart {
  readonly piece: string;
  /** The file of the piece, where it was asked for ahead. */
  readonly source?: Source | undefined;
}

const readNow = async (
  { piece, part, digest, source }: WantedSource,
  planner: Planner,
): Promise<OpenAnswer | undefined> => {
  const file = (await source) ?? (await sourceFor(piece, digest));
  return file && planner.open(file, part);
};

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

  /** Has the planner read the piece; false, with the problem in words, when that cannot be done. */
  async open(wanted: WantedSource, planner: Planner): Promise<boolean> {
    try {
      const opened = await (planner.hasOpen(wanted) ?? readNow(wanted, planner));
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

  fail(problem: string): false {
    this.problem = problem;
    this.phase = 'failed';
    return false;
  }
}
