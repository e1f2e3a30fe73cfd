import type { Lock } from '../../fingering/fingering.ts';
import type { PieceOnGuitar } from './piece-on-guitar.ts';

export type LockOf = (sound: number) => Lock | undefined;

/** Remedies that take a note away from where it is written, and so away from a unison. */
const isTakenAway = (lock: Lock | undefined): boolean =>
  lock?.remedy !== undefined && lock.remedy !== 'short';

/**
 * Two voices striking one pitch at once sound on one string unless their strings are locked apart, or a remedy was given
 * for one of them: it concerns that note alone.
 */
export const twinIn = (
  piece: PieceOnGuitar,
  struck: readonly number[],
  sound: number,
  lockOf: LockOf,
): number => {
  if (isTakenAway(lockOf(sound))) return sound;
  const first = struck.find(
    (other) => piece.sounds[other]!.midi === piece.sounds[sound]!.midi && !isTakenAway(lockOf(other)),
  )!;
  const [a, b] = [lockOf(first)?.string, lockOf(sound)?.string];
  return a === undefined || b === undefined || a === b ? first : sound;
};

/** The lock of a unison: what any of its notes is locked to, the first note before the others. */
export const mergedLock = (locks: readonly (Lock | undefined)[]): Lock | undefined => {
  const { string, fret } = locks.find((lock) => lock?.string !== undefined) ?? {};
  const finger = locks.find((lock) => lock?.finger !== undefined)?.finger;
  if (string === undefined && finger === undefined) return undefined;
  return {
    ...(string !== undefined && { string }),
    ...(fret !== undefined && { fret }),
    ...(finger !== undefined && { finger }),
  };
};
