import type { NoteIndex, Score } from './score-types.ts';

/** Where a notehead was drawn, in px of its system. */
export interface HeadBox {
  readonly note: NoteIndex;
  /** Left edge, middle line, width. */
  readonly x: number;
  readonly y: number;
  readonly width: number;
  /** Left edge of everything before the chord: accidentals, displaced heads. */
  readonly left: number;
  /** Ends of the chord with its stem. */
  readonly top: number;
  readonly bottom: number;
  readonly stem: 'up' | 'down' | 'none';
}

/** The heads that are struck at an onset, without the grace notes that lead to them; leftmost first. */
export const headsAt = (score: Score, { heads }: SystemGeometry, onset: number): readonly HeadBox[] =>
  heads
    .filter(({ note }) => score.notes[note]!.onset === onset && !score.notes[note]!.grace)
    .toSorted((a, b) => a.x - b.x);

/** What was drawn of a system and where, for the layers above it. */
export interface SystemGeometry {
  readonly first: number;
  readonly last: number;
  readonly width: number;
  readonly staffTop: number;
  readonly staffBottom: number;
  /** Highest and lowest ink. */
  readonly inkTop: number;
  readonly inkBottom: number;
  readonly heads: readonly HeadBox[];
  readonly bars: readonly {
    readonly index: number;
    readonly x: number;
    readonly width: number;
    readonly musicStart: number;
  }[];
}
