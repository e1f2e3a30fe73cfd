import { spanOf, neckTables } from '../left/hand/hand.ts';
import type { LeftPlan } from '../left/plan-left.ts';
import { pitchLabel } from '../music/pitch.ts';
import { measureOrder } from '../right/around/orders.ts';
import type { RightPlan } from '../right/plan-right.ts';
import { THUMB } from '../right/search/step.ts';
import type { Clock } from '../score/clock.ts';
import type { Score } from '../score/score.ts';
import type { Barre } from '../technique/barres.ts';
import { DAMPING_MEANS_RULES, type Damping } from '../technique/damping.ts';
import type { Shift } from '../technique/shifts.ts';
import { checkSlurs, type SlurTrouble } from '../technique/slurs.ts';
import type { FindingCode, Severity } from './findings.ts';

/** From where on something is worth a remark. Our own values; handbook §7 names what students get wrong. */
export const FINDING_LIMITS = {
  /** Speed of a shift that rides on nothing, in mm a second. */
  shiftSpeed: 300,
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

const CAUTION = 'General advice: stop when it hurts, and ask a doctor or hand therapist if it stays.';

const SLUR_WORDS: Readonly<Record<SlurTrouble, string>> = {
  'across-strings':
    'leads across strings and cannot be slurred by the left hand alone; pluck it, or choose another string',
  'same-finger': 'needs two fingers or an open string, but one finger plays both notes',
  'finger-not-free': 'needs the lower finger down already, but it holds another note',
  'weak-pair': 'lies on 3 and 4, the weakest pair; give it time or another finger',
};

/** What is told of a plan's movements: anchored to a sound. */
export interface MovementFinding {
  readonly sound: number;
  readonly code: FindingCode;
  readonly severity: Severity;
  /** The sentence after the place; `pitch` is the name of the note. */
  readonly text: (pitch: string) => string;
}

export interface Movements {
  readonly shifts: readonly Shift[];
  readonly barres: readonly Barre[];
  readonly damping: readonly Damping[];
}

/** What will go wrong for a student in a plan that can be played: remarks on movements of both hands. */
export const movementFindings = (
  score: Score,
  left: LeftPlan,
  right: RightPlan,
  { shifts, barres, damping }: Movements,
  clock: Clock,
): readonly MovementFinding[] => [
  ...shiftFindings(score, left, shifts),
  ...stumbles(left),
  ...hops(left),
  ...stretches(left),
  ...barreFindings(left, barres, clock),
  ...rightFindings(right),
  ...checkSlurs(score, left).flatMap(({ to, trouble }): MovementFinding[] =>
    trouble
      ? [
          {
            sound: to,
            code: 'slur-trouble',
            severity: trouble === 'weak-pair' ? 'remark' : 'warning',
            text: (pitch) => `the slur to ${pitch} ${SLUR_WORDS[trouble]}.`,
          },
        ]
      : [],
  ),
  ...damping
    .filter(({ grade }) => grade === 'must')
    .map(({ sound, slice, string, why, means }): MovementFinding => {
      const ringing = pitchLabel(score.notes[left.sounds[sound]!.head]!.sounding);
      return {
        // In a rest nothing is struck: the note that rings stands for the moment.
        sound: why === 'rest' ? sound : left.hands[slice]!.slice.struck[0]!,
        code: 'string-left-ringing',
        severity: 'remark',
        text: () =>
          `the open ${ringing} on string ${string} rings on into ${why === 'rest' ? 'a rest' : 'this bass'}: ${DAMPING_MEANS_RULES[means].words}.`,
      };
    }),
];

const shiftFindings = (score: Score, left: LeftPlan, shifts: readonly Shift[]): readonly MovementFinding[] =>
  shifts.flatMap(({ slice, from, to, rides, distance, window }): MovementFinding[] => {
    const { struck, bar } = left.hands[slice]!.slice;
    const sound = struck[0]!;
    const isTorn =
      bar === 1 &&
      score.bars[0]!.length < score.bars[1]!.length &&
      left.hands[slice - 1]?.slice.bar === 0 &&
      rides === 'none';
    if (isTorn)
      return [
        {
          sound,
          code: 'upbeat-torn',
          severity: 'remark',
          text: () =>
            'a shift tears the upbeat from its downbeat; take the upbeat in the new position already.',
        },
      ];
    const speed = (1000 * distance) / window;
    return rides === 'none' && speed > FINDING_LIMITS.shiftSpeed
      ? [
          {
            sound,
            code: 'gap-at-shift',
            severity: 'remark',
            text: (pitch) =>
              `the hand goes from position ${from} to ${to} (${Math.round(distance)} mm) in ${Math.round(window)} ms with nothing to ride on; a gap before ${pitch} is likely.`,
          },
        ]
      : [];
  });

/** A later note that is lower but lies on a higher string: players stumble there. */
const stumbles = (left: LeftPlan): readonly MovementFinding[] => {
  const { lineFrom } = left.memory.ground;
  return left.sounds.flatMap(({ index, midi }): MovementFinding[] => {
    const before = lineFrom[index]!;
    const [from, to] = [left.choices[before], left.choices[index]];
    if (before < 0 || !from || !to || midi >= left.sounds[before]!.midi || to.string >= from.string)
      return [];
    return [
      {
        sound: index,
        code: 'lower-on-higher-string',
        severity: 'remark',
        text: (pitch) =>
          `${pitch} is lower than the note before but lies on a higher string; players stumble here.`,
      },
    ];
  });
};

const hops = (left: LeftPlan): readonly MovementFinding[] =>
  left.sounds.flatMap(({ index }): MovementFinding[] => {
    const choice = left.choices[index];
    return (choice?.cost.hop ?? 0) >= FINDING_LIMITS.hop
      ? [
          {
            sound: index,
            code: 'finger-needed-twice',
            severity: 'remark',
            text: (pitch) =>
              `finger ${choice!.finger} is still needed when it must go to ${pitch}; the line breaks.`,
          },
        ]
      : [];
  });

const stretches = (left: LeftPlan): readonly MovementFinding[] => {
  const { hand, guitar } = left.memory.setup;
  const neck = neckTables(guitar);
  return left.hands.flatMap(({ slice, lying }): MovementFinding[] => {
    const down = lying.filter(({ finger, sounding }) => finger > 0 && sounding);
    let worst = 0;
    let pair = '';
    for (const lower of down)
      for (const higher of down) {
        if (lower.finger >= higher.finger) continue;
        if (!slice.struck.includes(lower.sound) && !slice.struck.includes(higher.sound)) continue;
        const open = neck.tip[higher.fret]! - neck.tip[lower.fret]!;
        const beyond = open - spanOf(hand, lower.finger, higher.finger).comfortable;
        if (beyond > worst) [worst, pair] = [beyond, `${lower.finger} and ${higher.finger}`];
      }
    return worst > FINDING_LIMITS.stretch
      ? [
          {
            sound: slice.struck[0]!,
            code: 'wide-stretch',
            severity: 'remark',
            text: () => `fingers ${pair} open ${Math.round(worst)} mm beyond what is comfortable. ${CAUTION}`,
          },
        ]
      : [];
  });
};

const barreFindings = (left: LeftPlan, barres: readonly Barre[], clock: Clock): readonly MovementFinding[] =>
  barres.flatMap(({ onset, until, fret }): MovementFinding[] => {
    const seconds = clock.seconds(until) - clock.seconds(onset);
    const slice = left.hands.find((hand) => hand.slice.onset === onset)?.slice;
    return seconds > FINDING_LIMITS.barre && slice
      ? [
          {
            sound: slice.struck[0]!,
            code: 'barre-too-long',
            severity: 'remark',
            text: () =>
              `the barre at fret ${fret} lies for ${seconds.toFixed(1)} s; release it wherever no note needs it. ${CAUTION}`,
          },
        ]
      : [];
  });

const rightFindings = ({ events, options }: RightPlan): readonly MovementFinding[] => {
  const { crossings, repeats } = measureOrder(events, options);
  return [
    ...crossings.flatMap(({ event }): MovementFinding[] => {
      const { load, notes, secondsBefore } = events[event]!;
      const isBusy = load >= FINDING_LIMITS.busyLeft && secondsBefore * 1000 <= FINDING_LIMITS.crossing;
      return isBusy
        ? [
            {
              sound: notes[0]!.sound,
              code: 'crossing-where-busy',
              severity: 'remark',
              text: (pitch) => `the right hand crosses at ${pitch}, just where the left hand is busiest.`,
            },
          ]
        : [];
    }),
    ...repeats.flatMap(({ event, finger, ms }): MovementFinding[] => {
      const { isAfterSlur, notes } = events[event]!;
      const place = options[event]!.findIndex((rank) => rank !== THUMB);
      return finger !== 'p' && ms < FINDING_LIMITS.repeat && !isAfterSlur
        ? [
            {
              sound: notes[Math.max(0, place)]!.sound,
              code: 'repeat-at-speed',
              severity: 'remark',
              text: (pitch) => `${finger} plays twice within ${Math.round(ms)} ms at ${pitch}.`,
            },
          ]
        : [];
    }),
  ];
};
