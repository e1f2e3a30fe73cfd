import { fingerOrders } from '../../right/around/orders.ts';
import type { BarDraft } from '../../score/draft/draft.ts';
import { asPiece, even, type DrillNote } from './bars.ts';
import { chordsFor, played, type Finger, type Home } from './chord-notes.ts';
import { drillKind } from './drill-kind.ts';
import { choice, wholeNumber } from './parameter.ts';
import { PROGRESSION_NAMES, PROGRESSIONS, type Shape } from './progressions.ts';

/** The orders in which p, i, m and a play once each: 4 · 3 · 2 · 1 of them. */
export const RIGHT_ORDERS = fingerOrders();

const TOUCHES = { ringing: { letRing: true }, stopped: { articulations: ['staccato'] } } as const;
type Touch = keyof typeof TOUCHES;

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

/** Patterns of broken chords that come up again and again. Handbook §4, arpeggios. */
const PATTERNS = ['pima', 'pami', 'pimami', 'pmimam', 'pimamami', 'pimamimi'] as const;

/** A pattern by levels: the thumb and one finger, the thumb and two, all; who does not play yet is silent. */
export const levels = drillKind({
  name: 'levels',
  group: 'right-hand',
  care: ['repetition'],
  parameters: {
    pattern: choice(PATTERNS, 'pimami'),
    chords: choice(PROGRESSION_NAMES, 'a-minor'),
    tempo: wholeNumber(30, 200, 60),
  },
  make: ({ pattern, chords, tempo }) => {
    // Whoever plays first after the thumb comes first.
    const order = [...new Set(pattern)];
    const bars = [2, 3, 4].flatMap((fingers) => {
      const inPlay = new Set(order.slice(0, fingers));
      return PROGRESSIONS[chords].map((chord): BarDraft => {
        const notes = [...pattern].map((letter): DrillNote =>
          inPlay.has(letter)
            ? { ...played(chord, letter as Finger, 'home'), letRing: true }
            : { pitches: [] },
        );
        return { voices: [even(notes, 2)], repeatStart: true, repeatEnd: 2 };
      });
    });
    const quarters = pattern.length / 2;
    return { bars: asPiece(bars, { tempo, meter: { beats: quarters, beatType: 4 } }), tempo };
  },
});
