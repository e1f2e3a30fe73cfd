import type { Lock } from '../fingering/fingering.ts';
import { assignmentsOf, type Assignment, type StruckSound } from './assignments.ts';
import { pairFits } from './grip.ts';
import { TABLE_FRETS, type Hand, type NeckTables } from './hand.ts';

/** An assignment with what the search needs to know of it at once. */
export interface Option extends Assignment {
  /** Bit k is string k + 1. */
  readonly stringMask: number;
  readonly openMask: number;
  /** By finger 1 to 4: the fret it stops, 0 when it is not used, and the strings it lies on. */
  readonly fingerFret: Uint8Array;
  readonly fingerMask: Uint8Array;
  /** By string: fret of the struck note, −1 when the string is not struck. */
  readonly fretAt: Int8Array;
  readonly fingersUsed: number;
  /** Bit f is finger f. */
  readonly fingerBits: number;
  readonly highestFret: number;
  readonly hasBarre: boolean;
  /** Frets between which each finger may lie beside this option: order and reach. */
  readonly lowestBeside: Uint8Array;
  readonly highestBeside: Uint8Array;
  readonly stoppedNotes: number;
  /** Open strings ① to ③ it strikes. */
  readonly openTrebles: number;
  /** Frets above 5 times strings beyond ②, summed over its stopped notes. */
  readonly highOnLow: number;
  /** Hand positions in which one of its fingers is at home. */
  readonly homes: readonly number[];
  readonly homesMask: number;
}

/** A slice as the left hand meets it. */
export interface Moment {
  readonly onset: number;
  readonly previousOnset: number;
  readonly secondsBefore: number;
  readonly beatsBefore: number;
  /** Sounds to place: those struck here, without the twins of a unison. */
  readonly struck: readonly number[];
  readonly struckBefore: number;
  /** For each struck sound that is alone in its voice, the sound its voice struck alone just before, else −1. */
  readonly lineFrom: readonly number[];
  readonly options: readonly Option[];
  /** Sounds whose lock could not be kept, and sounds no hand could place. */
  readonly brokenLocks: readonly number[];
  readonly unplayable: readonly number[];
}

/** Fret above which the dark register of a string begins (left-hand model, costs of struck notes). */
export const DARK_FRET = 5;

export const optionOf = (assignment: Assignment, hand: Hand, neck: NeckTables): Option => {
  const fingerFret = new Uint8Array(5);
  const fingerMask = new Uint8Array(5);
  const fretAt = new Int8Array(6).fill(-1);
  let stringMask = 0;
  let openMask = 0;
  for (const { string, fret, finger } of assignment.placements) {
    const bit = 1 << (string - 1);
    stringMask |= bit;
    fretAt[string - 1] = fret;
    if (finger === 0) openMask |= bit;
    else {
      fingerFret[finger] = fret;
      fingerMask[finger]! |= bit;
    }
  }
  const homes = new Set<number>();
  const lowestBeside = new Uint8Array(5).fill(1);
  const highestBeside = new Uint8Array(5).fill(TABLE_FRETS - 1);
  let fingersUsed = 0;
  let fingerBits = 0;
  for (let finger = 1; finger <= 4; finger += 1) {
    if (fingerMask[finger] === 0) continue;
    fingersUsed += 1;
    fingerBits |= 1 << finger;
    homes.add(Math.min(TABLE_FRETS - 4, Math.max(1, fingerFret[finger]! - finger + 1)));
  }
  for (let finger = 1; finger <= 4; finger += 1)
    for (let used = 1; used <= 4; used += 1) {
      if (fingerMask[used] === 0 || used === finger) continue;
      const at = fingerFret[used]!;
      const isBeside = (fret: number) =>
        used < finger
          ? pairFits(hand, neck, used, at, finger, fret)
          : pairFits(hand, neck, finger, fret, used, at);
      while (lowestBeside[finger]! < TABLE_FRETS && !isBeside(lowestBeside[finger]!))
        lowestBeside[finger]! += 1;
      while (highestBeside[finger]! > 0 && !isBeside(highestBeside[finger]!)) highestBeside[finger]! -= 1;
    }
  const stopped = assignment.placements.filter((each) => each.finger !== 0);
  return {
    ...assignment,
    stringMask,
    openMask,
    fingerFret,
    fingerMask,
    fretAt,
    fingersUsed,
    fingerBits,
    highestFret: Math.max(...fingerFret),
    hasBarre: fingerMask.some((mask) => (mask & (mask - 1)) !== 0),
    lowestBeside,
    highestBeside,
    stoppedNotes: stopped.length,
    openTrebles: assignment.placements.filter((each) => each.finger === 0 && each.string <= 3).length,
    highOnLow: stopped.reduce(
      (sum, { fret, string }) => sum + Math.max(0, fret - DARK_FRET) * Math.max(0, string - 2),
      0,
    ),
    homes: [...homes],
    homesMask: [...homes].reduce((mask, position) => mask | (1 << position), 0),
  };
};

export interface PlacedMoment {
  readonly options: readonly Option[];
  /** Positions in `sounds` of what is placed; the rest is unplayable. */
  readonly placed: readonly number[];
  readonly brokenLocks: readonly number[];
}

/** All ways to take part of a moment: subsets without `missing` notes, inner notes dropped first. */
const withoutSome = (count: number, missing: number): number[][] => {
  const subsets: number[][] = [];
  const pick = (from: number, kept: number[]): void => {
    if (kept.length === count - missing) {
      subsets.push(kept);
      return;
    }
    for (let index = from; index < count; index += 1) pick(index + 1, [...kept, index]);
  };
  pick(0, []);
  const keepsOuter = (subset: number[]) => Number(subset.includes(0)) + Number(subset.includes(count - 1));
  return subsets.sort((a, b) => keepsOuter(b) - keepsOuter(a));
};

/**
 * The options of a moment; never empty. Locks that no grip can keep are set aside first (fewest first), then
 * notes that no hand can hold at once; both are reported by position.
 */
export const placeMoment = (struck: readonly StruckSound[], hand: Hand, neck: NeckTables): PlacedMoment => {
  const all = struck.map((_, index) => index);
  const attempt = (indices: readonly number[], dropLocks: ReadonlySet<number>): readonly Option[] =>
    assignmentsOf(
      indices.map((index): StruckSound => {
        const sound = struck[index]!;
        return dropLocks.has(index) ? { places: sound.places, lock: undefined } : sound;
      }),
      hand,
      neck,
    ).map((assignment) => optionOf(assignment, hand, neck));

  const direct = attempt(all, new Set());
  if (direct.length > 0) return { options: direct, placed: all, brokenLocks: [] };
  const isLocked = (lock: Lock | undefined) => lock?.string !== undefined || lock?.finger !== undefined;
  const locked = all.filter((index) => isLocked(struck[index]!.lock));
  for (let count = 1; count <= locked.length; count += 1)
    for (const kept of withoutSome(locked.length, count)) {
      const dropped = locked.filter((_, place) => !kept.includes(place));
      const options = attempt(all, new Set(dropped));
      if (options.length > 0) return { options, placed: all, brokenLocks: dropped };
    }
  for (let missing = 1; missing <= all.length; missing += 1)
    for (const placed of withoutSome(all.length, missing)) {
      const options = attempt(placed, new Set(all));
      if (options.length > 0)
        return { options, placed, brokenLocks: locked.filter((index) => placed.includes(index)) };
    }
  return { options: [optionOf({ placements: [] }, hand, neck)], placed: [], brokenLocks: [] };
};
