import type { StringNumber } from '../../instrument/guitar.ts';
import { asPiece, lineInBars, type DrillNote } from './bars.ts';
import { drillKind } from './drill-kind.ts';
import { choice, sequence, wholeNumber } from './parameter.ts';
import { pitchAt } from './places.ts';
import { lineFingers, pluckOf, type LineFingers } from './plucks.ts';

const FROM_BASS: readonly StringNumber[] = [6, 5, 4, 3, 2, 1];
const REST: DrillNote = { pitches: [] };

/** A finger in a position on a string: one finger to a fret. */
const finger = (number: number, string: StringNumber, position: number, flat: boolean): DrillNote => ({
  pitches: [pitchAt(string, position + number - 1, flat)],
  fingering: [{ string, finger: number }],
});

const plucked = (notes: readonly DrillNote[], fingers: LineFingers): readonly DrillNote[] => {
  let struck = 0;
  return notes.map((note) => {
    if (note.pitches.length === 0) return note;
    struck += 1;
    return { ...note, fingering: [{ ...note.fingering![0], ...pluckOf(fingers, struck - 1) }] };
  });
};

/** Positions that a chromatic drill goes through. */
const ROUTES = { one: [0], 'two-further': [0, 4, 8] } as const;

/** One finger to a fret over all strings, up and down, in one position or in three after each other. */
export const chromatic = drillKind({
  name: 'chromatic',
  group: 'left-hand',
  care: ['repetition'],
  parameters: {
    position: wholeNumber(1, 8, 1),
    route: choice(['one', 'two-further'], 'two-further'),
    shift: choice(['joined', 'with-pause'], 'joined'),
    fingers: lineFingers,
    'per-beat': wholeNumber(1, 4, 2),
    tempo: wholeNumber(30, 160, 60),
  },
  make: ({ position, route, shift, fingers, 'per-beat': perBeat, tempo }) => {
    const four = [1, 2, 3, 4];
    const lines = ROUTES[route].map((further) => {
      const here = position + further;
      const up = FROM_BASS.flatMap((string) => four.map((each) => finger(each, string, here, false)));
      const down = FROM_BASS.toReversed().flatMap((string) =>
        four.toReversed().map((each) => finger(each, string, here, true)),
      );
      return [...up, ...down];
    });
    const pause = shift === 'with-pause' ? Array.from({ length: perBeat }, () => REST) : [];
    const notes = lines.flatMap((line, index) => (index === 0 ? line : [...pause, ...line]));
    return { bars: asPiece(lineInBars(plucked(notes, fingers), perBeat), { tempo }), tempo };
  },
});

const PAIRS = ['12', '23', '34', '13', '24', '14'] as const;
type Pair = (typeof PAIRS)[number];
/** Times that a pair is played on a string before the next one. */
const TIMES = 2;

const pairLine = (pair: Pair, shape: 'line' | 'zigzag', position: number): readonly DrillNote[] => {
  const [low, high] = [Number(pair[0]), Number(pair[1])];
  if (shape === 'line') {
    const on = (string: StringNumber, isDown: boolean): readonly DrillNote[] =>
      Array.from({ length: TIMES }, () =>
        (isDown ? [high, low] : [low, high]).map((each) => finger(each, string, position, isDown)),
      ).flat();
    return [
      ...FROM_BASS.flatMap((string) => on(string, false)),
      ...FROM_BASS.toReversed().flatMap((string) => on(string, true)),
    ];
  }
  // One finger on a string, the other on the next, and back.
  const steps = FROM_BASS.slice(0, -1).map((string) => [string, (string - 1) as StringNumber] as const);
  const up = steps.flatMap(([lower, upper]) => [
    finger(low, lower, position, false),
    finger(high, upper, position, false),
    finger(high, lower, position, false),
    finger(low, upper, position, false),
  ]);
  const down = steps
    .toReversed()
    .flatMap(([lower, upper]) => [
      finger(high, upper, position, true),
      finger(low, lower, position, true),
      finger(low, upper, position, true),
      finger(high, lower, position, true),
    ]);
  return [...up, ...down];
};

/** Two fingers in turn over all strings, pair after pair. The hardest pair first and again last: common practice. */
export const fingerPairs = drillKind({
  name: 'finger-pairs',
  group: 'left-hand',
  care: ['repetition', 'stretch'],
  parameters: {
    pairs: sequence(PAIRS, ['34', '12', '23', '13', '24', '14']),
    again: choice(['first-again-last', 'once'], 'first-again-last'),
    shape: choice(['line', 'zigzag'], 'line'),
    position: wholeNumber(1, 12, 7),
    fingers: lineFingers,
    'per-beat': wholeNumber(1, 4, 2),
    tempo: wholeNumber(30, 160, 60),
  },
  make: ({ pairs, again, shape, position, fingers, 'per-beat': perBeat, tempo }) => {
    const order = again === 'once' || pairs.length === 1 ? pairs : [...pairs, pairs[0]!];
    const notes = order.flatMap((pair) => pairLine(pair, shape, position));
    return { bars: asPiece(lineInBars(plucked(notes, fingers), perBeat), { tempo }), tempo };
  },
});

/** Slurs by finger pair over all strings: hammered, pulled, or back and forth. */
export const slurPairs = drillKind({
  name: 'slur-pairs',
  group: 'left-hand',
  care: ['repetition', 'stretch'],
  parameters: {
    pairs: sequence(PAIRS, ['12', '23', '13', '34', '24', '14']),
    direction: choice(['ascending', 'descending', 'trill'], 'ascending'),
    position: wholeNumber(1, 12, 5),
    fingers: lineFingers,
    tempo: wholeNumber(30, 160, 60),
  },
  make: ({ pairs, direction, position, fingers, tempo }) => {
    const group = (pair: Pair, string: StringNumber): readonly DrillNote[] => {
      const [low, high] = [Number(pair[0]), Number(pair[1])];
      const two = direction === 'descending' ? [high, low] : [low, high];
      const all = direction === 'trill' ? [...two, ...two] : two;
      return all.map((each, index) => ({
        ...finger(each, string, position, direction === 'descending'),
        ...(index === 0 && { slur: 'start' as const }),
        ...(index === all.length - 1 && { slur: 'stop' as const }),
      }));
    };
    const perBeat = direction === 'trill' ? 4 : 2;
    const notes = pairs.flatMap((pair) => FROM_BASS.toReversed().flatMap((string) => group(pair, string)));
    // Only the first note of each slur is plucked.
    let struck = 0;
    const line = notes.map((note) => {
      if (note.slur !== 'start') return note;
      struck += 1;
      return { ...note, fingering: [{ ...note.fingering![0], ...pluckOf(fingers, struck - 1) }] };
    });
    return { bars: asPiece(lineInBars(line, perBeat), { tempo }), tempo };
  },
});
