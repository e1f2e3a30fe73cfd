import type { SoundPlan } from '@oculon/core';
import type { SoundSettings } from './sound-settings-schema.ts';

/** A click: when, in ms of the piece, and how it sounds. */
export interface Click {
  readonly ms: number;
  readonly pitch: 'high' | 'low' | 'soft';
}

type Counted = Pick<SoundSettings, 'subdivision' | 'accents' | 'twoAgainstThree'>;

/** The clicks of a piece: its beats with their accents, what lies between them, or two against three in each beat. */
export const clicksOf = (
  { beats, length }: Pick<SoundPlan, 'beats' | 'length'>,
  { subdivision, accents, twoAgainstThree }: Counted,
): readonly Click[] => {
  let beat = 0;
  return beats.flatMap(({ ms, isFirst }, index): Click[] => {
    beat = isFirst ? 1 : beat + 1;
    const next = beats[index + 1]?.ms ?? length;
    const within = (share: number): number => ms + (next - ms) * share;
    if (twoAgainstThree)
      return [
        { ms, pitch: 'high' },
        { ms: within(1 / 3), pitch: 'soft' },
        { ms: within(1 / 2), pitch: 'low' },
        { ms: within(2 / 3), pitch: 'soft' },
      ];
    return Array.from({ length: subdivision }, (_, part) => ({
      ms: within(part / subdivision),
      pitch: part > 0 ? 'soft' : accents.includes(Math.max(1, beat)) ? 'high' : 'low',
    }));
  });
};

/** The clicks of one bar before what is played from a moment on, at ms before it. */
export const countIn = ({ beats, bars }: SoundPlan, from: number): readonly Click[] => {
  const bar = bars.findLast((each) => each.from <= from + 1) ?? bars[0];
  if (!bar) return [];
  const own = beats.filter(({ ms }) => ms >= bar.from - 1 && ms < bar.to - 1);
  const length = (bar.to - bar.from) / Math.max(1, own.length);
  return own.map((_, index) => ({
    ms: from - length * (own.length - index),
    pitch: index === 0 ? 'high' : 'low',
  }));
};
