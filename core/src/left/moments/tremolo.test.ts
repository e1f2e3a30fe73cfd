import { describe, expect, it } from 'vitest';
import { soundsOf } from '../../score/sounds.ts';
import { exampleScore, planVoices } from '../../testing/planning.ts';
import { inferRinging } from './ringing.ts';

/** A bar of tremolo: a note struck three times after each of four notes below it. */
const tremolo = (stroke: string, ...below: readonly string[]): string =>
  below.map((bass) => `${bass}/16 ${stroke}/16 ${stroke}/16 ${stroke}/16`).join(' ');

const ringingOf = (voice: string) => {
  const score = exampleScore({ voices: [voice] });
  const sounds = soundsOf(score);
  const ringing = inferRinging(sounds, score.bars, score.ticksPerQuarter);
  const lasts = (sound: number) => (ringing.until[sound]! - sounds[sound]!.onset) / score.ticksPerQuarter;
  return { ...ringing, lasts };
};

describe('tremolo', () => {
  it('is two lines: the notes below ring as a broken chord, the strokes to the next one', () => {
    const { broken, inTremolo, lasts } = ringingOf(tremolo('B4', 'E3', 'B3', 'E4', 'B3'));
    expect([0, 4, 8, 12].map(lasts)).toEqual([4, 3, 2, 1]);
    expect([0, 4, 8, 12].map((sound) => [broken[sound], inTremolo[sound]])).toEqual(
      Array.from({ length: 4 }, () => [1, 'below']),
    );
    expect([1, 2, 3].map((sound) => [broken[sound], inTremolo[sound], lasts(sound)])).toEqual([
      [0, 'stroke', 0.25],
      [0, 'stroke', 0.25],
      [0, 'stroke', 0.5],
    ]);
  });

  it('is none where a note comes but twice in a row or slowly, or others lie above it', () => {
    expect(
      ringingOf('E3/8 B4/8 B4/8 E3/8 B4/8 B4/8 E3/4').inTremolo.every((part) => part === undefined),
    ).toBe(true);
    expect(
      ringingOf('E3/8 B4/8 B4/8 B4/8 G3/8 B4/8 B4/8 B4/8').inTremolo.every((part) => part === undefined),
    ).toBe(true);
    expect(
      ringingOf('E4/16 B3/16 B3/16 B3/16 G4/16 B3/16 B3/16 B3/16 E4/2').inTremolo.every(
        (part) => part === undefined,
      ),
    ).toBe(true);
  });

  it('has its notes below in another voice too, and a tune above it is none of it', () => {
    const partsOf = (...voices: readonly string[]) => {
      const score = exampleScore({ voices });
      const sounds = soundsOf(score);
      const { inTremolo } = inferRinging(sounds, score.bars, score.ticksPerQuarter);
      return sounds.map(({ index, midi }) => [midi, inTremolo[index]] as const);
    };
    const strokes = '-/16 B4/16 B4/16 B4/16 -/16 B4/16 B4/16 B4/16 -/2';
    expect(partsOf(strokes, 'E3/4 B3/4 E3/2').filter(([midi]) => midi < 60)).toEqual([
      [52, 'below'],
      [59, 'below'],
      [52, 'below'],
    ]);
    const over = partsOf('E5/2 D5/2', strokes, 'E3/4 B3/4 E3/2');
    expect(over.filter(([midi]) => midi > 71).map(([, part]) => part)).toEqual([undefined, undefined]);
    expect(partsOf(strokes).every(([, part]) => part === undefined)).toBe(true);
  });

  // Common practice, no published source: the shape is held, on strings of its own, and the fingers play on ①.
  it('holds a chord below on strings of its own, and keeps its strokes on ①', () => {
    const bars = [
      tremolo('B4', 'E3', 'B3', 'E4', 'B3'),
      tremolo('A4', 'A2', 'A3', 'C#4', 'A3'),
      tremolo('B4', 'B2', 'B3', 'D#4', 'B3'),
    ];
    const plan = planVoices([bars.join(' | ')], { tempo: 72 });
    const stringsOf = (bar: number, isStroke: boolean) =>
      plan.score.notes
        .filter((note) => note.bar === bar && note.midi > 64 === isStroke)
        .map(({ index, midi }) => [midi, plan.notes[index]!.string] as const);
    for (const bar of [0, 1, 2]) {
      expect(new Set(stringsOf(bar, false).map(([, string]) => string)).size).toBe(3);
      expect(new Set(stringsOf(bar, true).map(([, string]) => string))).toEqual(new Set([1]));
    }
  });
});
