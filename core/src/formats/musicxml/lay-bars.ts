import { barLength } from '../../music/meter.ts';
import { quartersText } from '../../music/time.ts';
import { barLabel } from '../../score/score.ts';
import type { Repair } from '../import-problem.ts';
import type { WalkedBar } from './walk.ts';

/** A bar with its place in the piece, in ticks. */
export interface LaidBar {
  readonly walked: WalkedBar;
  readonly start: number;
  readonly length: number;
  readonly pickup: boolean;
}

/** Bar lengths: the meter's, unless the bar is an upbeat, a split bar or too full. */
export const layBars = (
  walked: readonly WalkedBar[],
  resolution: number,
  repairs: Repair[],
): readonly LaidBar[] => {
  let start = 0;
  return walked.map((bar, index) => {
    const full = barLength(bar.meter, resolution);
    const name = barLabel({ index, number: bar.number });
    const before = walked[index - 1];
    const after = walked[index + 1];
    const splitHere =
      bar.implicit ||
      index === 0 ||
      !after ||
      bar.repeatEnd ||
      bar.repeatStart ||
      before?.repeatEnd ||
      before?.implicit ||
      after.repeatStart;
    const fill = {
      bar: name,
      holds: quartersText(bar.reach, resolution),
      room: quartersText(full, resolution),
      meter: bar.meter,
    };
    let length: number = full;
    if (bar.freeLength || (bar.reach < full && bar.reach > 0 && splitHere)) length = bar.reach || full;
    else if (bar.reach > full) {
      const voice = bar.notes.find((note) => note.at + note.length > full)?.voice ?? '1';
      length = bar.reach;
      repairs.push({ code: 'bar-too-full', values: { ...fill, voice } });
    } else if (bar.reach < full && bar.reach > 0) {
      repairs.push({ code: 'bar-not-full', values: fill });
    }
    const laid = {
      walked: bar,
      start,
      length,
      pickup: bar.reach > 0 && length < full && (index === 0 || bar.implicit),
    };
    start += length;
    return laid;
  });
};
