import { exampleXml, type Example } from '../../src/testing/notation.ts';
import { Random } from '../fuzz/random.ts';

/** Scales that the pieces move in: names of pitches in rising order. */
const SCALES: readonly { readonly key: number; readonly names: readonly string[] }[] = [
  { key: 0, names: ['C', 'D', 'E', 'F', 'G', 'A', 'B'] },
  { key: 1, names: ['C', 'D', 'E', 'F#', 'G', 'A', 'B'] },
  { key: 3, names: ['C#', 'D', 'E', 'F#', 'G#', 'A', 'B'] },
  { key: -2, names: ['C', 'D', 'Eb', 'F', 'G', 'A', 'Bb'] },
];

const pitchAt = (names: readonly string[], degree: number): string =>
  `${names[((degree % 7) + 7) % 7]}${3 + Math.floor(degree / 7)}`;

/** A walk over the degrees of a scale, mostly by step, kept between two degrees. */
const walker = (random: Random, low: number, high: number) => {
  let degree = low + random.below(high - low + 1);
  return (): number => {
    const step = random.pick([-2, -1, -1, 1, 1, 2, 3, -3, 0]);
    degree = Math.min(high, Math.max(low, degree + step));
    return degree;
  };
};

type Bars = readonly string[];

const line = (random: Random, names: readonly string[], bars: number, low: number, high: number): Bars => {
  const next = walker(random, low, high);
  return Array.from({ length: bars }, () => {
    const lengths = random.pick([
      ['4', '4', '4', '4'],
      ['8', '8', '4', '8', '8', '4'],
      ['4.', '8', '4', '4'],
      ['8', '8', '8', '8', '8', '8', '8', '8'],
      ['16', '16', '16', '16', '4', '2'],
      ['8t', '8t', '8t', '4', '2'],
      ['2', '4', '4'],
    ]);
    const slurAt = random.below(4) === 0 ? random.below(lengths.length - 1) : -1;
    return lengths
      .map((length, index) => {
        const pitch = random.below(12) === 0 && index > 0 ? '-' : pitchAt(names, next());
        const slur =
          pitch === '-' ? '' : index === slurAt ? '(' : index === slurAt + 1 && slurAt >= 0 ? ')' : '';
        return `${pitch}/${length}${slur}`;
      })
      .join(' ');
  });
};

const basses = (random: Random, names: readonly string[], bars: number): Bars => {
  const next = walker(random, -5, 2);
  return Array.from({ length: bars }, () => {
    const rhythm = random.pick([['1'], ['2', '2'], ['2.', '4'], ['-4', '4', '2']]);
    return rhythm
      .map((length) =>
        length.startsWith('-') ? `-/${length.slice(1)}` : `${pitchAt(names, next())}/${length}`,
      )
      .join(' ');
  });
};

const chords = (random: Random, names: readonly string[], bars: number): Bars => {
  const next = walker(random, 2, 9);
  return Array.from({ length: bars }, () =>
    Array.from({ length: 4 }, () => {
      const low = next();
      const degrees = random.pick([
        [0, 2],
        [0, 2, 4],
        [0, 5],
        [0, 2, 5],
        [0, 7],
      ]);
      return `${degrees.map((degree) => pitchAt(names, low + degree)).join('+')}/4`;
    }).join(' '),
  );
};

const arpeggio = (random: Random, names: readonly string[], bars: number): Bars => {
  const next = walker(random, 2, 8);
  const order = random.pick([
    [0, 2, 4, 7, 4, 2, 4, 2],
    [0, 4, 2, 4, 7, 4, 2, 4],
    [7, 4, 2, 0, 2, 4, 2, 0],
  ]);
  return Array.from({ length: bars }, () => {
    const root = next();
    return order.map((degree) => `${pitchAt(names, root + degree)}/8`).join(' ');
  });
};

/** A made-up piece by number: the same for the same number, in one of five textures. */
export const generatedPiece = (number: number): Example => {
  const random = new Random(number * 7919 + 13);
  const { key, names } = random.pick(SCALES);
  const bars = 3 + random.below(5);
  const voices: readonly Bars[] = [
    () => [line(random, names, bars, 0, 16)],
    () => [line(random, names, bars, 6, 14), basses(random, names, bars)],
    () => [chords(random, names, bars)],
    () => [arpeggio(random, names, bars), basses(random, names, bars)],
    () => [line(random, names, bars, 9, 20)],
  ][number % 5]!();
  return {
    title: `Generated ${number}`,
    key,
    tempo: 50 + random.below(90),
    // Some pieces say their first bars again, so that returns are planned too.
    voices: voices.map((own) => (number % 4 === 0 ? [...own, ...own.slice(0, 2)] : own).join(' | ')),
    ...(number % 3 === 0 && { repeats: [{ from: 1, to: 2 }] }),
  };
};

export const generatedXml = (number: number): string => exampleXml(generatedPiece(number));
