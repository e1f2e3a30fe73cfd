import type { Score } from './score.ts';
import type { Sound } from './sounds.ts';

/** A bar that comes back: the later bar, the first bar like it, and which sound stands for which. */
export interface BarReturn {
  readonly bar: number;
  readonly like: number;
  /** Pairs of sounds: of the later bar, of the first. */
  readonly pairs: readonly (readonly [number, number])[];
}

/** Bars with fewer sounds are alike by accident. */
const LEAST_SOUNDS = 2;

/**
 * Bars whose every note has been heard before, at the same place, as long and in the same voice; each is compared with
 * the first bar like it. Notes tied in from the bar before make a bar its own.
 */
export const barReturns = (score: Score, sounds: readonly Sound[]): readonly BarReturn[] => {
  const byBar: Sound[][] = score.bars.map(() => []);
  for (const sound of sounds) byBar[sound.bar]!.push(sound);
  const tiedInto = new Set<number>();
  for (const sound of sounds)
    for (const note of sound.noteheads) {
      const { bar } = score.notes[note]!;
      if (bar !== sound.bar) tiedInto.add(bar);
    }
  const first = new Map<string, number>();
  return byBar.flatMap((own, bar) => {
    if (own.length < LEAST_SOUNDS || tiedInto.has(bar)) return [];
    const { start } = score.bars[bar]!;
    let key = '';
    for (const { onset, end, midi, voice, grace } of own)
      key += `${onset - start}:${end - onset}:${midi}:${voice}:${grace} `;
    const like = first.get(key);
    if (like === undefined) {
      first.set(key, bar);
      return [];
    }
    return [
      { bar, like, pairs: own.map(({ index }, place) => [index, byBar[like]![place]!.index] as const) },
    ];
  });
};
