import { describe, expect, it } from 'vitest';
import { Guitar } from './guitar.ts';
import type { TimedEvent } from './string-events.ts';

const RATE = 48_000;
const OPEN = [64, 59, 55, 50, 45, 40] as const;
/** Equal temperament at A4 = 440 Hz (ISO 16). */
const hertzOf = (midi: number): number => 440 * 2 ** ((midi - 69) / 12);
const pluck = (string: number, midi: number, at = 0, strength = 0.6): TimedEvent => ({
  kind: 'pluck',
  string,
  hertz: hertzOf(midi),
  strength,
  plucker: string >= 3 ? 'thumb' : 'finger',
  isRest: false,
  at,
});

const play = (events: readonly TimedEvent[], seconds: number): Float32Array => {
  const guitar = new Guitar(RATE);
  guitar.schedule(events);
  const [left, right] = [new Float32Array(seconds * RATE), new Float32Array(seconds * RATE)];
  guitar.render(0, left, right);
  return left;
};
const level = (sound: Float32Array, from: number, to: number): number => {
  const part = sound.subarray(Math.round(from * RATE), Math.round(to * RATE));
  return 10 * Math.log10(part.reduce((sum, x) => sum + x * x, 0) / part.length);
};

/** The frequency near `hertz`, by how far the phase of that partial turns in 50 ms. */
const frequency = (sound: Float32Array, hertz: number, from: number): number => {
  const phaseAt = (second: number): number => {
    const [start, count] = [Math.round(second * RATE), Math.round(0.4 * RATE)];
    let [re, im] = [0, 0];
    for (let index = 0; index < count; index += 1) {
      const window = 0.5 - 0.5 * Math.cos((2 * Math.PI * index) / count);
      const angle = (2 * Math.PI * hertz * (start + index)) / RATE;
      re += sound[start + index]! * window * Math.cos(angle);
      im -= sound[start + index]! * window * Math.sin(angle);
    }
    return Math.atan2(im, re);
  };
  const turned = phaseAt(from + 0.05) - phaseAt(from);
  const wrapped = Math.atan2(Math.sin(turned), Math.cos(turned));
  return hertz + wrapped / (2 * Math.PI * 0.05);
};
const cents = (heard: number, wanted: number): number => 1200 * Math.log2(heard / wanted);

describe('the instrument', () => {
  it.each([0, 1, 2, 3, 4, 5])('is in tune on string %i, frets 0 to 19, within 3 cents', (string) => {
    for (let fret = 0; fret <= 19; fret += 1) {
      const wanted = hertzOf(OPEN[string]! + fret);
      const sound = play([pluck(string, OPEN[string]! + fret)], 1);
      expect(Math.abs(cents(frequency(sound, wanted, 0.2), wanted))).toBeLessThan(3);
    }
  });

  it.each([
    ['the octave', 12, 2],
    ['the twelfth', 7, 3],
    ['two octaves', 5, 4],
  ])('sounds %s of node %i as partial %i', (_, __, partial) => {
    const hertz = hertzOf(45) * partial;
    const sound = play([{ ...pluck(4, 45), kind: 'harmonic', hertz } as TimedEvent], 1);
    expect(Math.abs(cents(frequency(sound, hertz, 0.2), hertz))).toBeLessThan(3);
  });

  it('rings for more than a second, and is stopped by 40 dB within 120 ms', () => {
    for (const [string, midi] of [
      [0, 64],
      [0, 76],
      [2, 60],
      [5, 40],
    ] as const) {
      const rings = play([pluck(string, midi)], 1.2);
      expect(level(rings, 1, 1.1) - level(rings, 0.02, 0.12)).toBeGreaterThan(-20);
      const damped = play([pluck(string, midi), { kind: 'damp', string, at: 0.5 }], 1);
      expect(level(damped, 0.62, 0.64) - level(damped, 0.45, 0.5)).toBeLessThan(-40);
    }
  });

  it('lets a bass ring into what follows, or not, and nothing else differs', () => {
    const bass = pluck(5, 40);
    const tune = pluck(0, 64, 1);
    const damp: TimedEvent = { kind: 'damp', string: 5, at: 1 };
    const [ringing, damped, alone] = [[bass, tune], [bass, tune, damp], [bass]].map((events) =>
      play(events, 2),
    );
    expect(ringing!.subarray(0, RATE)).toEqual(damped!.subarray(0, RATE));
    const difference = ringing!.map((x, index) => x - damped![index]!);
    expect(level(difference, 1.2, 1.5)).toBeGreaterThan(level(alone!, 1.2, 1.5) - 1.5);
  });

  it('is as loud on every string', () => {
    const levels = OPEN.map((midi, string) => level(play([pluck(string, midi)], 0.4), 0, 0.3));
    expect(Math.max(...levels) - Math.min(...levels)).toBeLessThan(4);
    expect(level(play([pluck(0, 64, 0, 1)], 0.4), 0, 0.3)).toBeGreaterThan(
      level(play([pluck(0, 64, 0, 0.3)], 0.4), 0, 0.3) + 6,
    );
  });

  it('begins, is played again and falls silent without a click', () => {
    const sound = play(
      [
        pluck(5, 40),
        pluck(5, 45, 0.313),
        { kind: 'slide', string: 5, hertz: hertzOf(48), strength: 0.6, at: 0.5 },
        { kind: 'hush', at: 0.7 },
      ],
      1,
    );
    let jump = 0;
    for (let index = 1; index < sound.length; index += 1)
      jump = Math.max(jump, Math.abs(sound[index]! - sound[index - 1]!));
    // −40 dB of full scale.
    expect(jump).toBeLessThan(0.01 * 2);
    expect(level(sound, 0.95, 1)).toBeLessThan(-60);
  });

  it('never passes full scale, however much is played', () => {
    const chords = Array.from({ length: 20 }, (_, chord) =>
      OPEN.map(
        (midi, string) =>
          ({
            ...pluck(string, midi + (chord % 5), chord * 0.1 + string * 0.014, 1),
            isRest: true,
          }) as TimedEvent,
      ),
    ).flat();
    expect(play(chords, 3).reduce((most, x) => Math.max(most, Math.abs(x)), 0)).toBeLessThan(1);
  });

  it('forgets what was to come, and goes on', () => {
    const guitar = new Guitar(RATE);
    guitar.schedule([pluck(0, 64, 0), pluck(0, 67, 0.5)]);
    guitar.forget(0.2);
    const [left, right] = [new Float32Array(RATE), new Float32Array(RATE)];
    guitar.render(0, left, right);
    expect(Math.abs(cents(frequency(left, hertzOf(64), 0.5), hertzOf(64)))).toBeLessThan(3);
  });
});
