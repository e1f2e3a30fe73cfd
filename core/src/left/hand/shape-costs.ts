import type { Placement } from './grip.ts';
import { FIRST_POSITION_END, REFERENCE_FRET_WIDTH, TABLE_FRETS, type NeckTables } from './hand.ts';

/** A small correction to what the fingers of a shape cost one by one, in units of effort. */
interface ShapeRule {
  readonly reason: string;
  readonly unit: string;
}
interface ByFingers extends ShapeRule {
  /** By the fingers concerned, lowest first; what is missing costs nothing more. */
  readonly values: Readonly<Record<string, number>>;
}
interface OneValue extends ShapeRule {
  readonly value: number;
}

const byFingers = (unit: string, reason: string, values: ByFingers['values']): ByFingers => ({
  unit,
  reason,
  values,
});
const one = (value: number, unit: string, reason: string): OneValue => ({ value, unit, reason });

/**
 * What a free hand pays, or spares, when it sets several fingers as one shape: beside `LEFT_COST_RULES`, which price
 * every finger and pair by itself. Fitted by maximum likelihood, with a prior that holds the values near nothing, to the
 * half of the chord data that may be tuned on (`docs/evaluation.md`). A chord of which one finger lay already is a shape
 * too; lines and voices, where fingers go down one after another, are not touched by them.
 */
export const SHAPE_COST_RULES = {
  together: byFingers('per shape', 'some fingers like to be set together more than others', {
    '12': -0.03,
    '13': 0.11,
    '14': -0.04,
    '23': -0.02,
    '24': 0.09,
    '34': 0.16,
    '123': 0.29,
    '124': 0.39,
    '134': 0.42,
    '234': 0.4,
  }),
  sameFret: byFingers('per pair on one fret', '2 and 3 lie side by side gladly, other pairs less so', {
    '12': 0.28,
    '23': -0.12,
    '34': 0.05,
    '13': 0.35,
    '24': 0.33,
    '14': 0.22,
  }),
  sameFretApart: byFingers(
    'per string left out between a pair on one fret',
    'fingers on one fret want room: side by side they crowd each other, but 1 and 4 turn the hand',
    { '12': -0.41, '23': -0.09, '34': -0.11, '13': -0.61, '24': -0.36, '14': 0.28 },
  ),
  indexBesideApart: one(
    0.39,
    'per finger on the fret of 1, three strings away or more, with nothing lower between',
    'there the index lies down as a barre',
  ),
  otherFret: byFingers('per pair on different frets', '3 moves least freely against its neighbours', {
    '12': -0.15,
    '23': 0.26,
    '34': 0.41,
    '13': -0.06,
    '24': 0.02,
  }),
  beyond: byFingers(
    'per fret beyond one a finger, and 34 mm of fret',
    'set at once, 2 and 3 open less than the others; the rest more than in a line',
    { '12': 0.2, '23': 0.75, '34': -0.82, '13': -0.54, '24': -0.61 },
  ),
  withoutIndex: one(
    1.8,
    'per shape of 2, 3 and 4 on neighbouring strings above first position',
    'a hand that comes up the neck comes with its index, and leaves the little finger free; our own value',
  ),
  barreMany: one(-0.17, 'per barre of the index with three notes or more', 'then it is worth its effort'),
  barreGap: one(0.18, 'per string inside without a note of its own', 'a barre presses what it does not need'),
  barreBassEdge: one(-0.02, 'per string free on the bass side', 'the tip need not reach so far'),
  barreWithAll: one(-0.25, 'per shape of all four fingers', 'with a barre the hand is turned already'),
  flatLast: byFingers(
    'per small barre with no higher finger set',
    'then 2 leaves two fingers unused and spares them; 3 and 4 do not',
    { '2': -0.33, '3': 0.45, '4': 0.2 },
  ),
  flatRing: one(-0.17, 'per string beyond two', 'a 3 that lies flat covers a third string for little'),
  flatTreble: one(
    -0.66,
    'per small barre that reaches ①',
    'a finger lies flat gladly where nothing is beyond it',
  ),
  flatBesideSame: one(
    0.27,
    'per small barre with the finger below on its fret',
    'the finger below leaves it no room to lie down',
  ),
  flatWithOpen: one(0.41, 'per small barre beside open strings', 'a flat finger touches what should sound'),
  flatWithBarre: one(-0.24, 'per small barre beside one of the index', 'the hand lies flat already'),
  flatGap: one(
    0.1,
    'per string inside without a note of its own',
    'a small barre presses what it does not need',
  ),
  flatWidth: one(
    0.31,
    'per small barre and 34 mm of fret beyond the first',
    'wide frets ask for a flatter finger',
  ),
  littleOnBass: one(0.23, 'per 4 on ⑤ or ⑥', '4 is short: the hand must come round for it'),
  ringOnFirst: one(0.25, 'per 3 on ①', 'the treble side belongs to 4'),
  middleOnFirst: one(0.36, 'per 2 on ①', 'the treble side belongs to 3 and 4'),
} as const satisfies Record<string, ByFingers | OneValue>;

const PAIRS = [
  [1, 2],
  [2, 3],
  [3, 4],
  [1, 3],
  [2, 4],
  [1, 4],
] as const;
const FIRST_BASS_STRING = 5;
const APART = 3;
/** Strings left out between two fingers on one fret that still make a difference. */
const MOST_APART = 2;
const STRINGS = 6;

interface Finger {
  readonly fret: number;
  readonly strings: readonly number[];
}

/** Strings from one finger to the nearest of another. */
const stringsApart = (one: Finger, other: Finger): number =>
  Math.min(...one.strings.flatMap((a) => other.strings.map((b) => Math.abs(a - b))));

/** Whether the index, lying flat, could stop what another finger stops far beside it on its fret: nothing lies lower between. */
const couldLieFlat = (index: Finger, other: Finger, placements: readonly Placement[]): boolean => {
  const strings = [...index.strings, ...other.strings];
  const [low, high] = [Math.min(...strings), Math.max(...strings)];
  return (
    stringsApart(index, other) >= APART &&
    placements.every(({ string, fret }) => string < low || string > high || fret >= index.fret)
  );
};

const gap = ({ strings }: Finger): number => Math.max(...strings) - Math.min(...strings) + 1 - strings.length;

/** Whether three fingers lie on three neighbouring strings above first position. */
const isTriadUpTheNeck = (fingers: readonly Finger[]): boolean => {
  const strings = fingers.flatMap((finger) => finger.strings);
  return (
    fingers.length === 3 &&
    strings.length === 3 &&
    Math.max(...strings) - Math.min(...strings) === 2 &&
    fingers.every(({ fret }) => fret > FIRST_POSITION_END)
  );
};

/** What a shape costs beside its fingers and pairs, in units of effort; nothing for one finger on one string. */
export const shapeCost = (placements: readonly Placement[], neck: NeckTables): number => {
  const fingers = new Map<number, Finger>();
  for (const { finger, fret, string } of placements)
    if (finger !== 0)
      fingers.set(finger, { fret, strings: [...(fingers.get(finger)?.strings ?? []), string] });
  const isFlat = (finger: number): boolean => (fingers.get(finger)?.strings.length ?? 0) > 1;
  if (fingers.size < 2 && ![...fingers.keys()].some(isFlat)) return 0;
  const rules: Readonly<Record<string, ByFingers | OneValue>> = SHAPE_COST_RULES;
  const value = (rule: keyof typeof SHAPE_COST_RULES, names = ''): number => {
    const found = rules[rule]!;
    return 'value' in found ? found.value : (found.values[names] ?? 0);
  };
  const width = (fret: number): number => neck.width[fret]! / REFERENCE_FRET_WIDTH;
  let cost = value('together', [...fingers.keys()].sort().join(''));
  for (const [lower, higher] of PAIRS) {
    const [low, high] = [fingers.get(lower), fingers.get(higher)];
    if (!low || !high) continue;
    const names = `${lower}${higher}`;
    if (low.fret === high.fret) {
      cost +=
        value('sameFret', names) +
        value('sameFretApart', names) * Math.min(MOST_APART, stringsApart(low, high) - 1);
      if (lower === 1 && couldLieFlat(low, high, placements)) cost += value('indexBesideApart');
    } else {
      cost += value('otherFret', names);
      cost +=
        value('beyond', names) * Math.max(0, high.fret - low.fret - (higher - lower)) * width(high.fret);
    }
  }
  const index = fingers.get(1);
  if (!index && isTriadUpTheNeck([...fingers.values()])) cost += value('withoutIndex');
  if (index && isFlat(1)) {
    if (index.strings.length > 2) cost += value('barreMany');
    cost += value('barreGap') * gap(index);
    cost += value('barreBassEdge') * (STRINGS - Math.max(...index.strings));
    if (fingers.size === 4) cost += value('barreWithAll');
  }
  const hasOpen = placements.some(({ finger }) => finger === 0);
  for (const finger of [2, 3, 4].filter(isFlat)) {
    const own = fingers.get(finger)!;
    if (Math.max(...fingers.keys()) === finger) cost += value('flatLast', `${finger}`);
    if (finger === 3) cost += value('flatRing') * (own.strings.length - 2);
    if (own.strings.includes(1)) cost += value('flatTreble');
    if (fingers.get(finger - 1)?.fret === own.fret) cost += value('flatBesideSame');
    if (hasOpen) cost += value('flatWithOpen');
    cost += value('flatGap') * gap(own) + value('flatWidth') * (width(own.fret) - 1);
    if (isFlat(1)) cost += value('flatWithBarre');
  }
  if (fingers.get(4)?.strings.some((string) => string >= FIRST_BASS_STRING)) cost += value('littleOnBass');
  if (fingers.get(3)?.strings.includes(1)) cost += value('ringOnFirst');
  if (fingers.get(2)?.strings.includes(1)) cost += value('middleOnFirst');
  return cost;
};

const FINGERS = 5;

/** What shapes cost, by their fingers on the strings, each worked out once. */
export class ShapeCosts {
  private readonly known = new Map<number, number>();
  private readonly neck: NeckTables;

  constructor(neck: NeckTables) {
    this.neck = neck;
  }

  /** The cost of a shape given by the fret and finger on each string from ① on; finger −1 where nothing lies. */
  of(frets: ArrayLike<number>, fingers: ArrayLike<number>): number {
    let key = 0;
    for (let string = 0; string < STRINGS; string += 1) {
      const finger = fingers[string]!;
      key = key * (TABLE_FRETS * FINGERS + 1) + (finger < 0 ? 0 : frets[string]! * FINGERS + finger + 1);
    }
    const found = this.known.get(key);
    if (found !== undefined) return found;
    const placements: Placement[] = [];
    for (let string = 0; string < STRINGS; string += 1)
      if (fingers[string]! >= 0)
        placements.push({
          string: string + 1,
          fret: frets[string]!,
          finger: fingers[string] as Placement['finger'],
        });
    const cost = shapeCost(placements, this.neck);
    this.known.set(key, cost);
    return cost;
  }
}
