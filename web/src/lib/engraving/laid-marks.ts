import type { MarksAt, NotePlan, PlacedMark, Score } from '@oculon/core';
import type { SystemGeometry } from './geometry.ts';
import { marksReaching } from './marks-by-bar.ts';
import { layMarks, type Origins, type SystemMarks } from './marks.ts';

const FIELDS = ['string', 'finger', 'pluck'] as const;

export interface MarksInput {
  readonly score: Score;
  readonly geometry: SystemGeometry;
  readonly notes: readonly NotePlan[];
  readonly marks: readonly PlacedMark[];
  readonly origin: Origins;
  readonly everyString: boolean;
  readonly written?: ReadonlyMap<number, MarksAt> | undefined;
}

/** All that the marks of one system hang on, so that a change elsewhere in the piece leaves them as they are. */
const inputsOf = ({
  score,
  geometry,
  notes,
  marks,
  origin,
  everyString,
  written,
}: MarksInput): readonly unknown[] => {
  const here = marksReaching(score, marks, geometry.first, geometry.last);
  return [
    geometry,
    everyString,
    written,
    JSON.stringify(here),
    ...geometry.heads.flatMap(({ note }) => [notes[note], ...FIELDS.map((field) => origin(note, field))]),
  ];
};

/**
 * Lays out the marks of a system and gives the same marks back until something in them changes: the page then leaves
 * the system untouched.
 */
export const marksKeeper = (): ((input: MarksInput) => SystemMarks) => {
  let inputs: readonly unknown[] = [];
  let marks: SystemMarks | undefined;
  return (input) => {
    const now = inputsOf(input);
    if (!marks || now.length !== inputs.length || now.some((each, index) => each !== inputs[index]))
      marks = layMarks(input.score, input.geometry, input.notes, input.marks, input.origin, input);
    inputs = now;
    return marks;
  };
};
