import type { Lock } from '../../fingering/fingering.ts';
import { barsUnderOtherRules, type PassageRule } from '../../fingering/rules.ts';
import type { NoteId } from '../../score/score.ts';
import type { PieceOnGuitar } from './piece-on-guitar.ts';

const sameLock = (a: Lock | undefined, b: Lock | undefined): boolean =>
  a?.string === b?.string && a?.fret === b?.fret && a?.finger === b?.finger && a?.remedy === b?.remedy;

/** Slices whose locks or rules differ, and all that sound on from twins that parted or joined, or from a remedy. */
export const changedSlices = (
  piece: PieceOnGuitar,
  earlier: { readonly locks: ReadonlyMap<NoteId, Lock>; readonly rules: readonly PassageRule[] },
  locks: ReadonlyMap<NoteId, Lock>,
  rules: readonly PassageRule[],
): ReadonlySet<number> => {
  const changed = new Set<number>();
  const note = (id: NoteId): void => {
    const slice = piece.sliceOf.get(id);
    const [now, before] = [locks.get(id), earlier.locks.get(id)];
    if (slice === undefined || sameLock(now, before)) return;
    changed.add(slice);
    const { struck } = piece.slices[slice]!;
    const hasTwins = new Set(struck.map((sound) => piece.sounds[sound]!.midi)).size < struck.length;
    if (!hasTwins && now?.remedy === before?.remedy) return;
    const until = Math.max(...struck.map((sound) => piece.sounds[sound]!.end));
    for (let later = slice + 1; (piece.slices[later]?.onset ?? Infinity) <= until; later += 1)
      changed.add(later);
  };
  for (const id of locks.keys()) note(id);
  for (const id of earlier.locks.keys()) note(id);
  const bars = barsUnderOtherRules(earlier.rules, rules);
  if (bars.size > 0)
    piece.slices.forEach((slice, index) => {
      if (bars.has(slice.bar)) changed.add(index);
    });
  return changed;
};
