import { LAST_TREBLE } from '../instrument/guitar.ts';
import { spanOf, neckTables } from '../left/hand/hand.ts';
import type { LeftPlan } from '../left/left-plan.ts';
import type { PitchSpelling } from '../music/pitch.ts';
import type { Performance } from '../performance/performance.ts';
import { measureOrder } from '../right/around/orders.ts';
import { THUMB } from '../right/events/ranks.ts';
import type { Barre } from '../technique/barres.ts';
import type { Damping } from '../technique/damping.ts';
import { barLabel } from '../score/score.ts';
import type { Sound } from '../score/sounds.ts';
import type { Jump } from '../technique/jumps.ts';
import type { Shift } from '../technique/shifts.ts';
import { checkSlurs } from '../technique/slurs.ts';
import type { SoundFinding } from './finding.ts';

/** From where on something is worth a remark. Our own values; handbook §7 names what students get wrong. */
export const FINDING_LIMITS = {
  /** Speed of a shift that rides on nothing, in mm a second. */
  shiftSpeed: 300,
  /** Time of a shift in a dotted rhythm, in ms: with more of it the long note keeps its length. */
  dotted: 600,
  /** A finger that plays twice running, in ms. */
  repeat: 250,
  /** A crossing is worth a word when the next pluck comes within so long, in ms, ... */
  crossing: 300,
  /** ... and the left hand weighs at least so much (1 is idle). */
  busyLeft: 1.6,
  /** A barre held without release, in seconds. */
  barre: 6,
  /** Beyond the comfortable span, in mm: less is within the error of a measured hand. */
  stretch: 10,
  /** Cost of a hop that breaks the line, in units of effort. */
  hop: 0.85,
} as const;

export interface Movements {
  readonly shifts: readonly Shift[];
  readonly barres: readonly Barre[];
  readonly damping: readonly Damping[];
  readonly jumps: readonly Jump[];
}

/** What will go wrong for a student in a plan that can be played: remarks on movements of both hands. */
export const movementFindings = (
  performance: Performance,
  { shifts, barres, damping, jumps }: Movements,
): readonly SoundFinding[] => [
  ...shiftFindings(performance, shifts),
  ...dottedFindings(performance, shifts),
  ...stumbles(performance.left),
  ...hops(performance.left),
  ...stretches(performance.left),
  ...barreFindings(performance, barres),
  ...rightFindings(performance),
  ...slurFindings(performance),
  ...dampingFindings(performance.left, damping),
  ...jumpFindings(performance, jumps),
];

const pitchOf = ({ piece: { score }, sounds }: LeftPlan, sound: number): PitchSpelling =>
  score.notes[sounds[sound]!.head]!.sounding;

const shiftFindings = ({ score, left }: Performance, shifts: readonly Shift[]): readonly SoundFinding[] =>
  shifts.flatMap(({ slice, from, to, rides, distance, window }): SoundFinding[] => {
    const { struck, bar } = left.hands[slice]!.slice;
    const sound = struck[0]!;
    const isTorn =
      bar === 1 &&
      score.bars[0]!.length < score.bars[1]!.length &&
      left.hands[slice - 1]?.slice.bar === 0 &&
      rides === 'none';
    if (isTorn) return [{ sound, code: 'upbeat-torn', values: {} }];
    const speed = (1000 * distance) / window;
    const pitch = pitchOf(left, sound);
    return rides === 'none' && speed > FINDING_LIMITS.shiftSpeed
      ? [{ sound, code: 'gap-at-shift', values: { pitch, from, to, mm: distance, ms: window } }]
      : [];
  });

/** How many times as long as the short note of a dotted rhythm the long one is: dotted once, or twice. */
const DOTTED_RATIOS: readonly number[] = [3, 7];

/** Whether a note is the long one of a dotted rhythm and the other the short one. */
const isDotted = (long: Sound | undefined, short: Sound | undefined): boolean =>
  long !== undefined &&
  short !== undefined &&
  DOTTED_RATIOS.includes((long.end - long.onset) / (short.end - short.onset));

/** Shifts with nothing to ride on before the short note of a dotted rhythm, or right after it. */
const dottedFindings = ({ left }: Performance, shifts: readonly Shift[]): readonly SoundFinding[] => {
  const hasty = shifts.filter(({ rides, window }) => rides === 'none' && window <= FINDING_LIMITS.dotted);
  if (hasty.length === 0) return [];
  const ending = new Map(left.sounds.map((sound) => [`${sound.voice}@${sound.end}`, sound]));
  const beginning = new Map(left.sounds.map((sound) => [`${sound.voice}@${sound.onset}`, sound]));
  const voices = [...new Set(left.sounds.map(({ voice }) => voice))];
  return hasty.flatMap(({ onset, slice }): SoundFinding[] => {
    const found = voices.flatMap((voice): { long: Sound; before: 'short' | 'next' }[] => {
      const last = ending.get(`${voice}@${onset}`);
      if (!last) return [];
      if (isDotted(last, beginning.get(`${voice}@${onset}`))) return [{ long: last, before: 'short' }];
      const long = ending.get(`${voice}@${last.onset}`);
      return long && isDotted(long, last) ? [{ long, before: 'next' }] : [];
    })[0];
    if (!found) return [];
    const values = { pitch: pitchOf(left, found.long.index), before: found.before };
    return [{ sound: left.hands[slice]!.slice.struck[0]!, code: 'dotted-shrinks', values }];
  });
};

/**
 * A later note that is lower but lies on a higher string of the trebles, which the fingers pluck: players stumble there. The thumb
 * goes from string to string as it likes.
 */
const stumbles = (left: LeftPlan): readonly SoundFinding[] =>
  left.sounds.flatMap(({ index: sound, midi }): SoundFinding[] => {
    const before = left.piece.lineFrom[sound]!;
    const [from, to] = [left.choices[before], left.choices[sound]];
    if (before < 0 || !from || !to || midi >= left.sounds[before]!.midi || to.string >= from.string)
      return [];
    if (to.string > LAST_TREBLE) return [];
    return [{ sound, code: 'lower-on-higher-string', values: { pitch: pitchOf(left, sound) } }];
  });

const hops = (left: LeftPlan): readonly SoundFinding[] =>
  left.sounds.flatMap(({ index: sound }): SoundFinding[] => {
    const choice = left.choices[sound];
    if (!choice || (choice.cost.hop ?? 0) < FINDING_LIMITS.hop) return [];
    const values = { pitch: pitchOf(left, sound), finger: choice.finger };
    return [{ sound, code: 'finger-needed-twice', values }];
  });

const stretches = (left: LeftPlan): readonly SoundFinding[] => {
  const { hand, guitar } = left.setup;
  const neck = neckTables(guitar);
  return left.hands.flatMap(({ slice, lying }): SoundFinding[] => {
    const down = lying.filter(({ finger, sounding }) => finger > 0 && sounding);
    let worst = { lower: 0, higher: 0, mm: 0 };
    for (const lower of down)
      for (const higher of down) {
        if (lower.finger >= higher.finger) continue;
        if (!slice.struck.includes(lower.sound) && !slice.struck.includes(higher.sound)) continue;
        const open = neck.tip[higher.fret]! - neck.tip[lower.fret]!;
        const mm = open - spanOf(hand, lower.finger, higher.finger).comfortable;
        if (mm > worst.mm) worst = { lower: lower.finger, higher: higher.finger, mm };
      }
    return worst.mm > FINDING_LIMITS.stretch
      ? [{ sound: slice.struck[0]!, code: 'wide-stretch', values: worst }]
      : [];
  });
};

const barreFindings = ({ left, clock }: Performance, barres: readonly Barre[]): readonly SoundFinding[] =>
  barres.flatMap(({ onset, until, fret }): SoundFinding[] => {
    const seconds = clock.seconds(until) - clock.seconds(onset);
    const slice = left.hands.find((hand) => hand.slice.onset === onset)?.slice;
    return seconds > FINDING_LIMITS.barre && slice
      ? [{ sound: slice.struck[0]!, code: 'barre-too-long', values: { fret, seconds } }]
      : [];
  });

const rightFindings = ({ left, right: { events, options } }: Performance): readonly SoundFinding[] => {
  const { crossings, repeats } = measureOrder(events, options);
  return [
    ...crossings.flatMap(({ event }): SoundFinding[] => {
      const { load, notes, secondsBefore } = events[event]!;
      const { sound } = notes[0]!;
      const isBusy = load >= FINDING_LIMITS.busyLeft && secondsBefore * 1000 <= FINDING_LIMITS.crossing;
      return isBusy ? [{ sound, code: 'crossing-where-busy', values: { pitch: pitchOf(left, sound) } }] : [];
    }),
    ...repeats.flatMap(({ event, finger, ms }): SoundFinding[] => {
      const { isAfterSlur, notes } = events[event]!;
      const place = options[event]!.findIndex((rank) => rank !== THUMB);
      const { sound } = notes[Math.max(0, place)]!;
      return finger !== 'p' && ms < FINDING_LIMITS.repeat && !isAfterSlur
        ? [{ sound, code: 'repeat-at-speed', values: { pitch: pitchOf(left, sound), finger, ms } }]
        : [];
    }),
  ];
};

const slurFindings = ({ score, left }: Performance): readonly SoundFinding[] =>
  checkSlurs(score, left).flatMap(({ to, trouble }): SoundFinding[] =>
    trouble ? [{ sound: to, code: 'slur-trouble', values: { pitch: pitchOf(left, to), trouble } }] : [],
  );

const dampingFindings = (left: LeftPlan, damping: readonly Damping[]): readonly SoundFinding[] =>
  damping
    .filter(({ grade }) => grade === 'must')
    .map(({ sound, slice, string, why, means }): SoundFinding => ({
      // In a rest nothing is struck: the note that rings stands for the moment.
      sound: why === 'rest' ? sound : left.hands[slice]!.slice.struck[0]!,
      code: 'string-left-ringing',
      values: { pitch: pitchOf(left, sound), string, into: why === 'rest' ? 'rest' : 'bass', means },
    }));

/** Jumps that the hand cannot make in time, or only by letting go of what should still sound. */
const jumpFindings = ({ score, left }: Performance, jumps: readonly Jump[]): readonly SoundFinding[] =>
  jumps.flatMap(({ from, to, sound, shift, cuts }): SoundFinding[] => {
    const speed = shift && shift.rides === 'none' ? (1000 * shift.distance) / shift.window : 0;
    const isHasty = speed > FINDING_LIMITS.shiftSpeed;
    if (!isHasty && !cuts) return [];
    return [
      {
        sound,
        code: 'jump-not-made',
        values: {
          pitch: pitchOf(left, sound),
          after: barLabel(score.bars[from]!),
          to: barLabel(score.bars[to]!),
          shift:
            isHasty && shift
              ? { from: shift.from, to: shift.to, mm: shift.distance, ms: shift.window }
              : undefined,
        },
      },
    ];
  });
