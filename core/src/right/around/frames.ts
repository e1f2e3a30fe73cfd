import { STROKE_FINGERS, type StrokeFinger } from '../../fingering/vocabulary.ts';
import type { Cell } from '../events/cells.ts';
import type { PluckEvent } from '../events/events.ts';
import { THUMB } from '../events/ranks.ts';

/** Where i, m and a stand, finger by finger, from some event on. */
export interface Frame {
  readonly event: number;
  readonly strings: readonly { readonly finger: StrokeFinger; readonly string: number }[];
}

/** i on ③, m on ②, a on ①: where a hand stands unless it is said otherwise. Common practice, no published source. */
const HOME: ReadonlyMap<number, number> = new Map([
  [1, 3],
  [2, 2],
  [3, 1],
]);

/**
 * The frames of the right hand that need to be announced: the first arpeggio that does not stand on the home strings,
 * and every later one in which a finger stands on another string than before.
 */
export const framesOf = (
  cells: readonly Cell[],
  events: readonly PluckEvent[],
  options: readonly (readonly number[])[],
): readonly Frame[] => {
  const frames: Frame[] = [];
  const standing = new Map(HOME);
  for (const { kind, first, end } of cells) {
    if (kind !== 'arpeggio') continue;
    const own = new Map<number, number>();
    let isSteady = true;
    for (let index = first; index < end; index += 1)
      options[index]!.forEach((rank, place) => {
        const { string } = events[index]!.notes[place]!;
        if (rank === THUMB) return;
        if (own.has(rank) && own.get(rank) !== string) isSteady = false;
        own.set(rank, string);
      });
    // A hand that walks over the strings within the cell has no frame to announce.
    if (!isSteady || own.size < 2) continue;
    const moved = [...own].some(([rank, string]) => standing.get(rank) !== string);
    if (!moved) continue;
    for (const [rank, string] of own) standing.set(rank, string);
    frames.push({
      event: first,
      strings: [...own]
        .sort(([a], [b]) => a - b)
        .map(([rank, string]) => ({ finger: STROKE_FINGERS[rank]!, string })),
    });
  }
  return frames;
};
