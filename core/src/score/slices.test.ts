import { describe, expect, it } from 'vitest';
import { exampleScore } from '../testing/planning.ts';
import { ticks } from '../music/time.ts';
import { clockOf } from './clock.ts';
import { slicesOf } from './slices.ts';
import { soundsOf } from './sounds.ts';

describe('the clock', () => {
  it('follows the tempo marks, and a working tempo replaces them', () => {
    const score = exampleScore({ voices: ['E4/1 | E4/1'], tempo: 120 });
    expect(clockOf(score).seconds(4 * score.ticksPerQuarter)).toBeCloseTo(2, 9);
    expect(clockOf(score, 60).seconds(4 * score.ticksPerQuarter)).toBeCloseTo(4, 9);
    const slowing = {
      ...score,
      tempi: [...score.tempi, { onset: ticks(4 * score.ticksPerQuarter), quartersPerMinute: 60 }],
    };
    expect(clockOf(slowing).seconds(8 * score.ticksPerQuarter)).toBeCloseTo(2 + 4, 9);
  });
});

describe('sounds and slices', () => {
  it('tied notes are one sound as long as all of them', () => {
    const score = exampleScore({ voices: ['E4/2 G4/2~ | G4/4~ G4/4 E4/2'] });
    const sounds = soundsOf(score);
    expect(sounds.map((sound) => sound.noteheads.length)).toEqual([1, 3, 1]);
    expect((sounds[1]!.end - sounds[1]!.onset) / score.ticksPerQuarter).toBe(4);
  });

  it('a slice is what is struck at one moment, from the bass up', () => {
    const score = exampleScore({ voices: ['G4/4 A4/4', 'C3/2'], tempo: 60 });
    const sounds = soundsOf(score);
    const slices = slicesOf(sounds, clockOf(score));
    expect(slices.map((slice) => slice.struck.map((sound) => sounds[sound]!.midi))).toEqual([[48, 67], [69]]);
    expect(slices[1]!.secondsBefore).toBeCloseTo(1, 9);
  });
});
