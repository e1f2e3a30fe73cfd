import { PLAIN_BALANCE } from '@oculon/core';
import type { SoundSettings } from './sound-settings-schema.ts';

/** Tempo as a share of the goal. */
export const RATES = { slowest: 0.2, fastest: 1.3, step: 0.05 } as const;
export const CLICKING = ['off', 'with-music', 'alone'] as const;
export const SUBDIVISIONS = [1, 2, 3, 4] as const;

export const PLAIN_SOUND: SoundSettings = {
  volume: 0.8,
  rate: 1,
  asWritten: false,
  waits: false,
  countIn: false,
  withNext: true,
  ladder: false,
  clicking: 'off',
  subdivision: 1,
  accents: [1],
  twoAgainstThree: false,
  silentBars: false,
  balance: { ...PLAIN_BALANCE, parts: { ...PLAIN_BALANCE.parts } },
};

/** A tempo from taps: the mean of the last intervals, in beats a minute; undefined before there are two. */
export const tempoOfTaps = (taps: readonly number[]): number | undefined => {
  const recent = taps.slice(-5);
  const span = recent.at(-1)! - recent[0]!;
  return recent.length < 2 || span <= 0 ? undefined : (60_000 * (recent.length - 1)) / span;
};

export const withinRates = (rate: number): number =>
  Math.round(Math.min(RATES.fastest, Math.max(RATES.slowest, rate)) * 100) / 100;
