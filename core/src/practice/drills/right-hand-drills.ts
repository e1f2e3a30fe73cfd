import type { StringNumber } from '../../instrument/guitar.ts';
import { fingerOrders } from '../../right/around/orders.ts';
import type { BarDraft } from '../../score/draft/draft.ts';
import { asPiece, even, type DrillNote } from './bars.ts';
import { drillKind } from './drill-kind.ts';
import { choice, wholeNumber } from './parameter.ts';
import { pitchAt } from './places.ts';
import { PROGRESSION_NAMES, PROGRESSIONS, type Shape } from './progressions.ts';

type Finger = 'p' | 'i' | 'm' | 'a';
/** Strings of i, m and a: at home, and moved toward the bass. */
const HOMES = {
  home: { i: 3, m: 2, a: 1 },
  'one-lower': { i: 4, m: 3, a: 2 },
  'two-lower': { i: 5, m: 4, a: 3 },
} as const satisfies Readonly<Record<string, Readonly<Record<Exclude<Finger, 'p'>, StringNumber>>>>;
type Home = keyof typeof HOMES;

/** The orders in which p, i, m and a play once each: 4 · 3 · 2 · 1 of them. */
export const RIGHT_ORDERS = fingerOrders();

/** The string that the thumb plays under a home: the bass of the chord, always below the index. */
const thumbString = ({ bass, frets }: Shape, home: Home): StringNumber => {
  const least = HOMES[home].i + 1;
  if (bass >= least) return bass;
  return ([4, 5, 6] as const).find((string) => string >= least && frets[string - 1] !== undefined) ?? 6;
};

const played = (chord: Shape, letter: Finger, home: Home): DrillNote => {
  const string = letter === 'p' ? thumbString(chord, home) : HOMES[home][letter];
  // A string that the chord leaves out is played open.
  const fret = chord.frets[string - 1] ?? 0;
  return {
    pitches: [pitchAt(string, fret)],
    fingering: [{ string, ...(fret === 0 && { finger: 0 }), pluck: letter }],
  };
};

const TOUCHES = { ringing: { letRing: true }, stopped: { articulations: ['staccato'] } } as const;
type Touch = keyof typeof TOUCHES;

/** Chords of a progression that have a note on every string of a home; all of them where none has. */
const chordsFor = (chords: readonly Shape[], home: Home): readonly Shape[] => {
  const whole = chords.filter((chord) =>
    [thumbString(chord, home), ...Object.values(HOMES[home])].every(
      (string) => chord.frets[string - 1] !== undefined,
    ),
  );
  return whole.length > 0 ? whole : chords;
};

/** Bars of eighths: an order as often as it fits, over a chord. */
const orderBar = (order: string, chord: Shape, home: Home, touch: Touch): BarDraft => ({
  voices: [
    even(
      [...order, ...order].map((letter) => ({ ...played(chord, letter as Finger, home), ...TOUCHES[touch] })),
      2,
    ),
  ],
});

/** The orders that are played after each other, from one on. */
const together = (order: string, combined: 'alone' | 'twos' | 'threes' | 'column'): readonly string[] => {
  const at = RIGHT_ORDERS.indexOf(order);
  if (combined === 'column') return RIGHT_ORDERS.filter((each) => each[0] === order[0]);
  const count = { alone: 1, twos: 2, threes: 3 }[combined];
  return Array.from({ length: count }, (_, next) => RIGHT_ORDERS[(at + next) % RIGHT_ORDERS.length]!);
};

/** The twenty-four orders of p, i, m and a: one, or some after each other, four times each. */
export const rightOrders = drillKind({
  name: 'right-orders',
  group: 'right-hand',
  care: ['repetition'],
  parameters: {
    order: choice(RIGHT_ORDERS, 'pima'),
    combined: choice(['alone', 'twos', 'threes', 'column'], 'alone'),
    touch: choice(['stopped-then-ringing', 'stopped', 'ringing'], 'stopped-then-ringing'),
    chords: choice(PROGRESSION_NAMES, 'open-strings'),
    tempo: wholeNumber(30, 200, 60),
  },
  make: ({ order, combined, touch, chords, tempo }) => {
    const touches: readonly Touch[] = touch === 'stopped-then-ringing' ? ['stopped', 'ringing'] : [touch];
    const bars = together(order, combined).flatMap((each) =>
      PROGRESSIONS[chords].flatMap((chord) =>
        touches.map((how): BarDraft => ({
          ...orderBar(each, chord, 'home', how),
          repeatStart: true,
          repeatEnd: 2,
        })),
      ),
    );
    return { bars: asPiece(bars, { tempo }), tempo };
  },
});

/** A pattern on the home strings of p, i, m, a, and with the hand moved toward the bass by one string and by two. */
export const homeStrings = drillKind({
  name: 'home-strings',
  group: 'right-hand',
  care: ['repetition'],
  parameters: {
    order: choice(RIGHT_ORDERS, 'pima'),
    home: choice(['home', 'one-lower', 'two-lower', 'all'], 'all'),
    chords: choice(PROGRESSION_NAMES, 'e-minor'),
    tempo: wholeNumber(30, 200, 60),
  },
  make: ({ order, home, chords, tempo }) => {
    const homes: readonly Home[] = home === 'all' ? ['home', 'one-lower', 'two-lower'] : [home];
    const bars = homes.flatMap((each) =>
      chordsFor(PROGRESSIONS[chords], each).map((chord) => orderBar(order, chord, each, 'ringing')),
    );
    return { bars: asPiece(bars, { tempo }), tempo };
  },
});

/** Letters of a tremolo as it is built up, with how many notes come to a beat. */
const LEVELS = [
  { letters: ['p', 'a'], perBeat: 2 },
  { letters: ['p', 'a', 'm'], perBeat: 3 },
  { letters: ['p', 'a', 'm', 'i'], perBeat: 4 },
] as const;
/** Strings of the bass under a tremolo, beat by beat, as steps above the bass string of the chord. */
const BASS_WALK = [0, 1, 2, 1] as const;

/** Tremolo on one string over a walking thumb, built up note by note: p a, p a m, p a m i. */
export const tremolo = drillKind({
  name: 'tremolo',
  group: 'right-hand',
  care: ['repetition'],
  parameters: {
    level: choice(['pa', 'pam', 'pami', 'all'], 'all'),
    string: choice(['1', '2'], '1'),
    chords: choice(PROGRESSION_NAMES, 'a-minor'),
    tempo: wholeNumber(30, 160, 50),
  },
  make: ({ level, string: chosen, chords, tempo }) => {
    const string = Number(chosen) as StringNumber;
    const levels = LEVELS.filter(({ letters }) => level === 'all' || letters.join('') === level);
    const bars = levels.flatMap(({ letters, perBeat }) =>
      PROGRESSIONS[chords].map((chord): BarDraft => {
        const tune = chord.frets[string - 1] ?? 0;
        const notes = BASS_WALK.flatMap((step) =>
          letters.map((letter): DrillNote => {
            const bass = Math.max(string + 1, chord.bass - step) as StringNumber;
            const fret = letter === 'p' ? (chord.frets[bass - 1] ?? 0) : tune;
            const on = letter === 'p' ? bass : string;
            return {
              pitches: [pitchAt(on, fret)],
              fingering: [{ string: on, ...(fret === 0 && { finger: 0 }), pluck: letter }],
            };
          }),
        );
        return { voices: [even(notes, perBeat)] };
      }),
    );
    return { bars: asPiece(bars, { tempo }), tempo };
  },
});

/** Accents that move: every so many notes, from any note of the group on; threes against twos and the like come of it. */
export const accents = drillKind({
  name: 'accents',
  group: 'right-hand',
  care: ['repetition'],
  parameters: {
    'per-beat': wholeNumber(2, 4, 4),
    every: wholeNumber(2, 5, 3),
    from: wholeNumber(1, 5, 1),
    fingers: choice(['im', 'ma', 'ia', 'ami', 'pima'], 'im'),
    string: choice(['1', '2', '3'], '1'),
    tempo: wholeNumber(30, 160, 60),
  },
  make: ({ 'per-beat': perBeat, every, from, fingers, string: chosen, tempo }) => {
    const string = Number(chosen) as StringNumber;
    // As many bars as it takes until accents, fingers and beats come together again, four at most.
    const period = [every, fingers.length].reduce((all, each) => leastMultiple(all, each), 4 * perBeat);
    const count = Math.min(period, 16 * perBeat);
    const notes = Array.from({ length: count }, (_, index): DrillNote => {
      const isAccent = (((index - (from - 1)) % every) + every) % every === 0;
      const letter = fingers[index % fingers.length]!;
      // The thumb has the fourth string for its own.
      const on = letter === 'p' ? 4 : string;
      return {
        pitches: [pitchAt(on, 0)],
        fingering: [{ string: on, finger: 0, pluck: letter }],
        ...(isAccent && { articulations: ['accent'] }),
      };
    });
    const perBar = 4 * perBeat;
    const bars = Array.from({ length: Math.ceil(count / perBar) }, (_, bar): BarDraft => {
      return { voices: [even(notes.slice(bar * perBar, (bar + 1) * perBar), perBeat)] };
    });
    return { bars: asPiece(bars, { tempo }), tempo };
  },
});

const leastMultiple = (one: number, other: number): number => {
  let multiple = one;
  while (multiple % other !== 0) multiple += one;
  return multiple;
};

/** Strokes of a bar of eighths: down across the strings, up, or nothing. */
const STROKES = {
  'four-down': 'd-d-d-d-',
  'down-up': 'dudududu',
  'long-short': 'd-dud-du',
  'off-beat': 'd--u-udu',
} as const;

/** Strums over chords, from the bass outward and back. */
export const strums = drillKind({
  name: 'strums',
  group: 'right-hand',
  care: ['repetition'],
  parameters: {
    strokes: choice(['four-down', 'down-up', 'long-short', 'off-beat'], 'long-short'),
    chords: choice(PROGRESSION_NAMES, 'a-minor'),
    tempo: wholeNumber(30, 200, 80),
  },
  make: ({ strokes, chords, tempo }) => {
    const bars = PROGRESSIONS[chords].map((chord): BarDraft => {
      const strings = ([6, 5, 4, 3, 2, 1] as const).filter((string) => chord.frets[string - 1] !== undefined);
      const notes = [...STROKES[strokes]].map((stroke): DrillNote => {
        if (stroke === '-') return { pitches: [] };
        return {
          pitches: strings.map((string) => pitchAt(string, chord.frets[string - 1]!)),
          fingering: strings.map((string) => ({
            string,
            ...(chord.frets[string - 1] === 0 && { finger: 0 }),
          })),
          strum: stroke === 'd' ? 'outward' : 'back',
        };
      });
      return { voices: [even(notes, 2)] };
    });
    return { bars: asPiece(bars, { tempo }), tempo };
  },
});
