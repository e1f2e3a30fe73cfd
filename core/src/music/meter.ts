import { ticks, type Ticks } from './time.ts';

/** A time signature: `beats` over `beatType` (6 over 8). */
export interface Meter {
  readonly beats: number;
  readonly beatType: number;
}

export const meterText = ({ beats, beatType }: Meter): string => `${beats}/${beatType}`;

/** Length of a full bar in ticks, rounded where the score's ticks are too coarse for its unit. */
export const barLength = ({ beats, beatType }: Meter, ticksPerQuarter: number): Ticks =>
  ticks(Math.round((beats * 4 * ticksPerQuarter) / beatType));

/**
 * Length of the felt beat in ticks: a dotted unit in compound meters (6/8, 9/8, 12/8), else the written unit.
 * Common practice, no published source.
 */
export const pulse = ({ beats, beatType }: Meter, ticksPerQuarter: number): Ticks => {
  const unit = (4 * ticksPerQuarter) / beatType;
  return ticks(beatType >= 8 && beats > 3 && beats % 3 === 0 ? unit * 3 : unit);
};
