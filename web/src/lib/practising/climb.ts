import { afterTry, AT_THE_FOOT, tempoAt, type Ladder, type LadderPlace, type Outcome } from '@oculon/core';

/** A ladder as it is climbed in one meeting. */
export interface Climb {
  readonly ladder: Ladder;
  readonly place: LadderPlace;
  readonly tries: readonly Outcome[];
  /** The fastest rung that was passed in this meeting, as a tempo. */
  readonly best: number | undefined;
}

export const climbFrom = (ladder: Ladder, rung: number): Climb => ({
  ladder,
  place: { ...AT_THE_FOOT, rung },
  tries: [],
  best: undefined,
});

export const tempoNow = ({ ladder, place }: Climb): number => tempoAt(ladder, place.rung);

/** After one more try. */
export const tried = (climb: Climb, outcome: Outcome): Climb => {
  const place = afterTry(climb.ladder, climb.place, outcome);
  const isPassed = place.rung > climb.place.rung || place.passed > climb.place.passed;
  const tempo = tempoNow(climb);
  return {
    ...climb,
    place,
    tries: [...climb.tries, outcome],
    best: isPassed ? Math.max(tempo, climb.best ?? 0) : climb.best,
  };
};

/** What is logged of it: the fastest rung that was passed; or what was tried, and how near it came. */
export const resultOf = (
  climb: Climb,
): { readonly tempo: number | null; readonly outcome: Outcome | null } => {
  if (climb.best !== undefined) return { tempo: climb.best, outcome: 'clean' };
  if (climb.tries.length === 0) return { tempo: null, outcome: null };
  return {
    tempo: tempoNow(climb),
    outcome: climb.tries.some((each) => each !== 'not-yet') ? 'nearly' : 'not-yet',
  };
};
