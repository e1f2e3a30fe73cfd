import { greatestCommonDivisor } from '../music/time.ts';
import { barLength } from '../music/meter.ts';
import type { Bar } from './score.ts';

const FRACTIONS: Readonly<Record<string, string>> = {
  '1/2': '½',
  '1/3': '⅓',
  '2/3': '⅔',
  '1/4': '¼',
  '3/4': '¾',
  '1/6': '⅙',
  '5/6': '⅚',
  '1/8': '⅛',
  '3/8': '⅜',
  '5/8': '⅝',
  '7/8': '⅞',
};

/**
 * A beat as players count it: from 1, in the units of the time signature, `3` or `2½`; an upbeat counts toward the full
 * bar that it replaces the end of. `offset` is in ticks from the start of the bar.
 */
export const beatText = (bar: Bar, offset: number, ticksPerQuarter: number): string => {
  const unit = (4 * ticksPerQuarter) / bar.meter.beatType;
  const missing = bar.pickup ? Math.max(0, barLength(bar.meter, ticksPerQuarter) - bar.length) : 0;
  const time = offset + missing;
  const whole = Math.floor(time / unit);
  const rest = time - whole * unit;
  if (rest === 0) return String(whole + 1);
  const divisor = greatestCommonDivisor(rest, unit);
  const fraction = `${rest / divisor}/${unit / divisor}`;
  return `${whole + 1}${FRACTIONS[fraction] ?? ` + ${fraction}`}`;
};
