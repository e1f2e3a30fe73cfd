import type { RightCosts } from '../src/right/search/costs.ts';
import { Program } from './program.ts';

/** A single pluck as the program sees it: one string, and the seconds since the pluck before. */
export interface SinglePluck {
  readonly string: number;
  readonly secondsBefore: number;
  readonly voice: 'bass' | 'melody' | 'only';
  /** The same pitch as the pluck before. */
  readonly isRepeated: boolean;
  /** Its string was plucked before in the same broken chord. */
  readonly isReturn: boolean;
  readonly load: number;
}

const FINGERS = ['p', 'i', 'm', 'a'] as const;
const [THUMB, INDEX, RING] = [0, 1, 3];

const between = (seconds: number, fast: number, calm: number): number =>
  Math.min(1, Math.max(0, (calm - seconds) / (calm - fast)));

/** What a finger costs on a string by itself. */
const ownCost = (
  { isRepeated, secondsBefore, string, voice }: SinglePluck,
  finger: number,
  costs: RightCosts,
): number => {
  if (finger === THUMB) {
    const reach = [0, costs.thumbOnFirst, costs.thumbOnSecond, costs.thumbOnThird][string] ?? 0;
    const isMelody = voice === 'melody' || (voice === 'only' && string <= 3);
    const share = isRepeated && voice === 'bass' ? costs.thumbUnderTremolo : 1;
    return reach * share + (isMelody ? costs.melodyWithThumb : 0);
  }
  const isThumbs = voice === 'only' && string >= 4 && secondsBefore >= costs.thumbLinePace;
  const bass = voice === 'bass' ? costs.bassWithoutThumb : isThumbs ? costs.bassLineWithoutThumb : 0;
  if (finger === RING) return bass + costs.ring + (string >= 4 ? costs.ringOnBass : 0);
  return bass + (string >= 5 ? costs.fingersOnBass : 0);
};

/**
 * The cheapest fingers for a line of single plucks in the free school, as an integer program in CPLEX LP format: one
 * finger for each pluck; for each finger a path over the plucks it plays, which carries its ways over the strings; and
 * for neighbours repeats and crossings. Written from the plucks and the cost table, without the states of our search.
 */
export const pluckProgram = (plucks: readonly SinglePluck[], costs: RightCosts): string => {
  const program = new Program();
  const plays = (index: number, finger: number): string => `x_${index}_${FINGERS[finger]}`;
  plucks.forEach((pluck, index) => {
    FINGERS.forEach((_, finger) => program.binary(plays(index, finger), ownCost(pluck, finger, costs)));
    program.constrain(
      FINGERS.map((_, finger) => [1, plays(index, finger)] as const),
      '=',
      1,
    );
  });
  // The way of each finger: a path from its first pluck to its last; each arc is the string it leaves for another.
  FINGERS.forEach((letter, finger) => {
    const into: string[][] = plucks.map(() => []);
    const out: string[][] = plucks.map(() => []);
    const arriving = ({ isReturn }: SinglePluck): number => (isReturn ? costs.stringExchanged : 0);
    const starts = plucks.map((pluck, index) => program.binary(`s_${letter}_${index}`, arriving(pluck)));
    starts.forEach((start, index) => into[index]!.push(start));
    for (let from = 0; from < plucks.length; from += 1)
      for (let to = from + 1; to < plucks.length; to += 1) {
        const far = Math.abs(plucks[from]!.string - plucks[to]!.string);
        const perString = finger === THUMB ? costs.thumbLeaves : costs.leaveString;
        const price = far > 0 ? far * perString + arriving(plucks[to]!) : 0;
        const arc = program.binary(`w_${letter}_${from}_${to}`, price);
        out[from]!.push(arc);
        into[to]!.push(arc);
      }
    program.constrain(
      starts.map((start) => [1, start] as const),
      '<=',
      1,
    );
    plucks.forEach((_, index) => {
      program.constrain(
        [...into[index]!.map((arc) => [1, arc] as const), [-1, plays(index, finger)] as const],
        '=',
        0,
      );
      if (out[index]!.length > 0)
        program.constrain(
          [...out[index]!.map((arc) => [1, arc] as const), [-1, plays(index, finger)] as const],
          '<=',
          0,
        );
    });
  });
  /** Charges `cost` when all of some plucks are played as named. */
  const together = (name: string, all: readonly string[], cost: number): void => {
    if (cost <= 0) return;
    const amount = program.amount(name, cost);
    program.constrain([[1, amount], ...all.map((each) => [-1, each] as const)], '>=', 1 - all.length);
  };
  plucks.forEach((pluck, index) => {
    const before = plucks[index - 1];
    if (!before) return;
    const { load, secondsBefore, string } = pluck;
    const haste = between(secondsBefore, costs.repeatFast, costs.repeatCalm);
    const repeat = costs.repeatSlow + costs.repeat * haste;
    const repeatOfFinger = costs.repeatSlow + costs.repeat * haste * load;
    const crossing = costs.crossing * load * Math.min(1.5, Math.max(0.8, costs.crossingTime / secondsBefore));
    FINGERS.forEach((_, first) =>
      FINGERS.forEach((__, second) => {
        const pair = [plays(index - 1, first), plays(index, second)];
        const name = `${index}_${first}_${second}`;
        if (first === second) {
          const isSweep = first === THUMB && before.string - string === 1;
          const ofThumb = repeat * (isSweep ? costs.thumbSweep : costs.thumbRepeat);
          together(`r_${name}`, pair, first === THUMB ? ofThumb : repeatOfFinger);
        } else if (first !== THUMB && second !== THUMB) {
          if (before.string === string)
            together(
              `n_${name}`,
              pair,
              (second > first ? costs.risingOnString : 0) +
                (!pluck.isRepeated && (first === RING || second === RING) ? costs.weakAlternation : 0),
            );
          else if (string < before.string !== second > first) together(`c_${name}`, pair, crossing);
        }
        const isOnBasses = [before, pluck].every(({ string: own, voice }) => voice === 'only' && own >= 4);
        if (isOnBasses && (first === THUMB) !== (second === THUMB))
          together(`m_${name}`, pair, costs.lineMixed);
        if (second === THUMB && first === INDEX && string < before.string)
          together(`t_${name}`, pair, costs.thumbAboveIndex);
      }),
    );
    if (index < 2) return;
    const earlier = plucks[index - 2]!;
    // Over the thumb alone a finger still stands on its string.
    FINGERS.forEach((_, first) =>
      FINGERS.forEach((__, second) => {
        if (first === THUMB || second === THUMB || first === second || earlier.string === string) return;
        if (string < earlier.string === second > first) return;
        const all = [plays(index - 2, first), plays(index - 1, THUMB), plays(index, second)];
        together(`k_${index}_${first}_${second}`, all, crossing);
      }),
    );
    const since = secondsBefore + before.secondsBefore;
    FINGERS.forEach((_, finger) => {
      const outer = [plays(index - 2, finger), plays(index, finger)];
      if (pluck.isRepeated) {
        const amount =
          costs.repeatAfterOne *
          between(since, 0, costs.repeatAfterOneTime) *
          (finger === THUMB ? costs.thumbRepeat : 1);
        // Only when another finger played in between: a repeat at once has its own price.
        const other = FINGERS.map((__, each) => each).filter((each) => each !== finger);
        for (const each of other)
          together(`o_${index}_${finger}_${each}`, [...outer, plays(index - 1, each)], amount);
      } else if (finger !== THUMB)
        together(
          `v_${index}_${finger}`,
          [...outer, plays(index - 1, THUMB)],
          costs.repeatOverThumb * costs.repeat * between(since, costs.repeatFast, costs.repeatCalm) * load,
        );
    });
  });
  return program.text();
};
