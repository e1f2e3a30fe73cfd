/** How a try went. */
export const OUTCOMES = ['clean', 'nearly', 'not-yet'] as const;
export type Outcome = (typeof OUTCOMES)[number];

/** Numbers of the tempo ladder. Our own values, but for those that say otherwise. */
export const LADDER = {
  /** An even slow tempo, in beats a minute. Common practice, no published source. */
  slow: 60,
  /** Share of the comfortable tempo at which one begins. */
  ofComfortable: 0.6,
  /** Least share of the target at which one begins. */
  leastShare: 0.3,
  /** Growth from rung to rung, and the least step in beats a minute. */
  growth: 0.06,
  leastStep: 2,
  /** The rung above the target. */
  reserve: 1.05,
  /** Clean times in a row that pass a rung. Common practice, no published source. */
  cleanToPass: 3,
  /** Failures on a rung that lead down, and how far. */
  failuresToStepDown: 2,
  stepDown: 2,
  /** How far below the last passed rung a new day begins. */
  newDayBelow: 2,
  /** With more notes to the beat the beat is halved. */
  mostNotesToBeat: 4,
} as const;

/** Tempi in quarters a minute, rising; the last is the target, one above it the reserve. */
export interface Ladder {
  readonly rungs: readonly number[];
  readonly reserve: number;
}

/** What a ladder is made for; tempi in quarters a minute. */
export interface LadderGoal {
  readonly target: number;
  /** Up to which it is comfortable now; missing when nothing has to be timed. */
  readonly comfortable?: number | undefined;
  /** Notes to a quarter where it is densest. */
  readonly notesToBeat?: number;
}

/** The rungs from a slow, even tempo to the target. */
export const ladderFor = ({ target, comfortable = Infinity, notesToBeat = 1 }: LadderGoal): Ladder => {
  const slow = LADDER.slow / (notesToBeat > LADDER.mostNotesToBeat ? 2 : 1);
  const start = Math.max(LADDER.leastShare * target, Math.min(slow, LADDER.ofComfortable * comfortable));
  const rungs: number[] = [];
  for (
    let rung = Math.round(start);
    rung < target;
    rung = Math.max(rung + LADDER.leastStep, Math.round(rung * (1 + LADDER.growth)))
  )
    rungs.push(rung);
  return { rungs: [...rungs, target], reserve: Math.round(target * LADDER.reserve) };
};

/** Where somebody stands on a ladder. Rungs are counted from 0; the reserve is the one after the last. */
export interface LadderPlace {
  readonly rung: number;
  /** Clean times in a row, and failures, on this rung. */
  readonly clean: number;
  readonly failed: number;
  /** The highest rung that was ever passed; −1 before the first. */
  readonly passed: number;
}

export const AT_THE_FOOT: LadderPlace = { rung: 0, clean: 0, failed: 0, passed: -1 };

/** The rung's tempo in quarters a minute. */
export const tempoAt = ({ rungs, reserve }: Ladder, rung: number): number => rungs[rung] ?? reserve;

/** Where one stands after a try: three clean ones lead up, two failures two rungs down. */
export const afterTry = (ladder: Ladder, place: LadderPlace, outcome: Outcome): LadderPlace => {
  const top = ladder.rungs.length;
  if (outcome === 'nearly') return { ...place, clean: 0 };
  if (outcome === 'not-yet') {
    const failed = place.failed + 1;
    if (failed < LADDER.failuresToStepDown) return { ...place, clean: 0, failed };
    return { ...place, rung: Math.max(0, place.rung - LADDER.stepDown), clean: 0, failed: 0 };
  }
  const clean = place.clean + 1;
  if (clean < LADDER.cleanToPass) return { ...place, clean };
  return {
    rung: Math.min(top, place.rung + 1),
    clean: 0,
    failed: 0,
    passed: Math.max(place.passed, place.rung),
  };
};

/** Where one begins on a new day: two rungs below the last that was passed. */
export const onNewDay = (place: LadderPlace): LadderPlace => ({
  ...place,
  rung: Math.max(0, place.passed - LADDER.newDayBelow),
  clean: 0,
  failed: 0,
});

/** Whether the target has been passed. */
export const isReached = ({ rungs }: Ladder, { passed }: LadderPlace): boolean => passed >= rungs.length - 1;
