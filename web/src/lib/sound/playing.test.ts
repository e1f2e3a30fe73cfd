import type { SoundEvent, SoundPlan } from '@oculon/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Course } from './course.ts';
import { clicksOf, countIn } from './metronome.ts';
import { heardWith, momentAt, passageOf, secondOf, timed } from './playing.ts';
import { PLAIN_SOUND, tempoOfTaps, withinRates } from './sound-settings.ts';
import { spokenText } from './speech.ts';

const pluck = (ms: number, string = 1): SoundEvent => ({
  kind: 'pluck',
  ms,
  string,
  sound: ms,
  fret: 0,
  midi: 64,
  open: 64,
  strength: 0.5,
  voice: '1',
  role: 'melody',
  finger: 'i',
  stroke: 'free',
});
/** Three bars of 2/4 at 60, the first played twice; the hand moves for the third bar. */
const sound: SoundPlan = {
  events: [0, 1000, 2000, 3000, 4000, 6000].map((ms) => pluck(ms)),
  bars: [
    { bar: 0, pass: 1, from: 0, to: 2000 },
    { bar: 0, pass: 2, from: 2000, to: 4000 },
    { bar: 1, pass: 1, from: 4000, to: 6000 },
    { bar: 2, pass: 1, from: 6000, to: 8000 },
  ],
  steps: [
    { ms: 0, onset: 0, isShift: false },
    { ms: 1000, onset: 24, isShift: false },
    { ms: 2000, onset: 0, isShift: false },
    { ms: 3000, onset: 24, isShift: false },
    { ms: 4000, onset: 48, isShift: false },
    { ms: 6000, onset: 96, isShift: true },
  ],
  beats: [0, 1000, 2000, 3000, 4000, 5000, 6000, 7000].map((ms) => ({ ms, isFirst: ms % 2000 === 0 })),
  length: 8000,
};

describe('the course of a piece', () => {
  it('waits before a change of position, and leads there and back', () => {
    const course = new Course(sound, true);
    expect(course.playedAt(5999)).toBe(5999);
    expect(course.playedAt(6000)).toBeGreaterThan(7000);
    expect(course.pieceAt(6500)).toBe(6000);
    fc.assert(
      fc.property(fc.double({ min: 0, max: 8000, noNaN: true }), fc.boolean(), (ms, waits) => {
        const own = new Course(sound, waits);
        expect(own.pieceAt(own.playedAt(ms))).toBeCloseTo(ms, 6);
      }),
    );
  });

  it('is the same by the clock at every tempo', () => {
    const course = new Course(sound, false);
    const stretch = { second: 10, ms: 2000, rate: 0.5 };
    expect(secondOf(course, stretch, 3000)).toBe(12);
    expect(momentAt(course, stretch, 12)).toBe(3000);
  });
});

describe('what is heard', () => {
  it('comes in its stretch once and in order', () => {
    const heard = heardWith(sound, PLAIN_SOUND);
    const stretch = { second: 0, ms: 0, rate: 2 };
    const course = new Course(sound, false);
    const parts = [
      [0, 1500],
      [1500, 4000],
      [4000, 8000],
    ].flatMap(([from, to]) => timed(heard, course, stretch, from!, to!));
    expect(parts.map(({ at }) => at)).toEqual([0, 0.5, 1, 1.5, 2, 3]);
  });

  it('is the click alone, with the music, or nothing in every second bar', () => {
    const kinds = (change: Partial<typeof PLAIN_SOUND>) =>
      heardWith(sound, { ...PLAIN_SOUND, ...change }).map(({ ms, event }) => [ms, event.kind] as const);
    expect(kinds({ clicking: 'alone' }).every(([, kind]) => kind === 'click')).toBe(true);
    expect(kinds({ clicking: 'with-music' })).toHaveLength(6 + 8);
    const silent = kinds({ silentBars: true });
    expect(silent.filter(([, kind]) => kind === 'pluck').map(([ms]) => ms)).toEqual([0, 1000, 4000]);
    // What still rings is stopped there.
    expect(silent.filter(([ms, kind]) => kind === 'damp' && ms === 2000)).toHaveLength(12);
  });
});

describe('the metronome', () => {
  it('clicks beats with their accents and what lies between them', () => {
    const clicks = clicksOf(sound, { subdivision: 2, accents: [2], twoAgainstThree: false });
    expect(clicks.slice(0, 4)).toEqual([
      { ms: 0, pitch: 'low' },
      { ms: 500, pitch: 'soft' },
      { ms: 1000, pitch: 'high' },
      { ms: 1500, pitch: 'soft' },
    ]);
  });

  it('counts two against three in a beat', () => {
    const clicks = clicksOf(sound, { subdivision: 1, accents: [], twoAgainstThree: true });
    expect(clicks.slice(0, 4).map(({ ms }) => Math.round(ms))).toEqual([0, 333, 500, 667]);
  });

  it('counts one bar in', () => {
    expect(countIn(sound, 4000).map(({ ms }) => ms)).toEqual([2000, 3000]);
  });
});

describe('a loop', () => {
  it('is the bars where they come first, with the first note after them when that is wanted', () => {
    expect(passageOf(sound, { from: 1, to: 1 }, false)).toEqual({ from: 4000, to: 6000 });
    expect(passageOf(sound, { from: 1, to: 1 }, true)).toEqual({ from: 4000, to: 8000 });
    expect(passageOf(sound, { from: 0, to: 1 }, false, 3000)).toEqual({ from: 2000, to: 6000 });
    expect(passageOf(sound, { from: 7, to: 9 }, false)).toBeUndefined();
  });
});

describe('small things', () => {
  it('tell a tempo from taps, and keep it within what can be played', () => {
    expect(tempoOfTaps([0, 500, 1000])).toBe(120);
    expect(tempoOfTaps([0])).toBeUndefined();
    expect(withinRates(7)).toBe(1.3);
    expect(withinRates(0)).toBe(0.2);
  });

  it('say strings by their numbers', () => {
    expect(spokenText('4 on F♯, ② fret 3.', 'en', 'string')).toBe('4 on F sharp, string 2 fret 3.');
    expect(spokenText('4 en Si♭, ①', 'es', 'cuerda')).toBe('4 en Si bemol, cuerda 1');
  });
});
