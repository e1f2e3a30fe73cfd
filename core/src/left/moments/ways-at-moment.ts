import type { Lock } from '../../fingering/fingering.ts';
import { assignmentsOf, type Assignment, type StruckSound } from '../hand/assignments.ts';
import type { Hand, NeckTables } from '../hand/hand.ts';
import type { ParallelPair } from './parallels.ts';
import type { PartInTremolo } from './tremolo.ts';
import { hasOpenBass, optionTable, type OptionTable } from './option-table.ts';

/** No hand position is ruled out. */
export const ALL_POSITIONS = -1;

/** Two notes in parallel, by their places among the struck sounds, and the sounds they come from. */
export interface PlacedPair extends Pick<ParallelPair, 'lowFrom' | 'highFrom' | 'apart'> {
  readonly low: number;
  readonly high: number;
}

/** A slice as the left hand meets it. */
export interface Moment {
  readonly onset: number;
  readonly previousOnset: number;
  readonly nextOnset: number;
  readonly secondsBefore: number;
  readonly beatsBefore: number;
  /** Whether the piece has hardly begun: the hand is still looking for its first place. */
  readonly isOpening: boolean;
  /** Whether it belongs to a line of single notes without any other voice in the bar, which is no broken chord. */
  readonly isLoneLine: boolean;
  /** Whether it has a note of a tune which goes, around there, higher than first position reaches. */
  readonly isTuneBeyondFirst: boolean;
  /** What all that is struck is in a tremolo, if it is in one. */
  readonly inTremolo: PartInTremolo | undefined;
  /** Sounds to place: those struck here, without the twins of a unison. */
  readonly struck: readonly number[];
  readonly struckBefore: number;
  /** For each struck sound that is alone in its voice, the sound its voice struck alone just before, else −1. */
  readonly lineFrom: readonly number[];
  /** Whether it falls from that one by a third at most. */
  readonly lineFalls: readonly boolean[];
  /** Whether it is a step away from that one: a tone or a semitone. */
  readonly lineSteps: readonly boolean[];
  /** Two of the struck sounds that move on in parallel from the moment before. */
  readonly parallel: PlacedPair | undefined;
  readonly options: OptionTable;
  /** The only one of the options that is tried; all of them when missing. */
  readonly only?: number;
  /** Hand positions allowed while stopping: bit p is position p. */
  readonly positions: number;
  /** Sounds whose lock could not be kept, and sounds no hand could place. */
  readonly brokenLocks: readonly number[];
  readonly unplayable: readonly number[];
}

export interface PlacedMoment {
  readonly options: OptionTable;
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

/** Most notes among which every subset is tried; a hand has six strings, and more notes make more subsets than time. */
const MOST_TRIED = 7;

/** Positions of notes by how much they are missed: the outer ones first, then from the treble down. */
const byWeight = (count: number): readonly number[] =>
  [count - 1, 0, ...Array.from({ length: Math.max(0, count - 2) }, (_, index) => count - 2 - index)].slice(
    0,
    count,
  );

/** What a rule asks of the ways to take a moment. */
export interface Asked {
  /** No open strings. */
  readonly stopped: boolean;
  /** The index lies flat at this fret. */
  readonly barre: number | undefined;
  /** Every finger keeps to one string. */
  readonly noBarre: boolean;
}

const NOTHING_ASKED: Asked = { stopped: false, barre: undefined, noBarre: false };

const hasFlatFinger = ({ placements }: Assignment): boolean =>
  placements.some(
    ({ finger }, index) =>
      finger !== 0 && placements.some((other, at) => at > index && other.finger === finger),
  );

/** Whether a finger can lie so while the index lies flat at a fret; open strings may sound beside it. */
export const isWithBarre = (finger: number, fret: number, barre: number): boolean =>
  fret === 0 || (fret === barre ? finger === 1 : fret > barre && finger !== 1);

/**
 * The options of a moment; never empty. Locks that no grip can keep are set aside first (fewest first), then
 * notes that no hand can hold at once; both are reported by position. Options that keep what a rule asks are
 * preferred to all others.
 */
export const placeMoment = (
  struck: readonly StruckSound[],
  hand: Hand,
  neck: NeckTables,
  asked: Asked = NOTHING_ASKED,
): PlacedMoment => {
  const all = struck.map((_, index) => index);
  const attempt = (indices: readonly number[], dropLocks: ReadonlySet<number>): readonly Assignment[] =>
    assignmentsOf(
      indices.map((index): StruckSound => {
        const sound = struck[index]!;
        return dropLocks.has(index) ? { places: sound.places, lock: undefined } : sound;
      }),
      hand,
      neck,
    );
  const openBasses = struck.map(({ places }) => hasOpenBass(places));
  const tableOf = (assignments: readonly Assignment[], placed: readonly number[] = all): OptionTable => {
    const basses = placed.map((index) => openBasses[index]!);
    const { barre, noBarre, stopped } = asked;
    if (!stopped && barre === undefined && !noBarre) return optionTable(assignments, basses, hand, neck);
    const keeping = assignments.filter(
      (assignment) =>
        !(noBarre && hasFlatFinger(assignment)) &&
        assignment.placements.every(
          ({ finger, fret }) =>
            (!stopped || finger !== 0) && (barre === undefined || isWithBarre(finger, fret, barre)),
        ),
    );
    return optionTable(keeping.length > 0 ? keeping : assignments, basses, hand, neck);
  };

  if (all.length > MOST_TRIED) {
    // No hand holds so many: notes are taken as long as a hand can, the outer ones first, each with its lock if that goes.
    const kept: number[] = [];
    const dropped = new Set<number>();
    for (const index of byWeight(all.length)) {
      const more = [...kept, index].sort((a, b) => a - b);
      const withoutLock = new Set(dropped).add(index);
      const fits = [dropped, withoutLock].find((locks) => attempt(more, locks).length > 0);
      if (!fits) continue;
      kept.splice(0, kept.length, ...more);
      if (fits === withoutLock) dropped.add(index);
    }
    const isLocked = (index: number) =>
      struck[index]!.lock?.string !== undefined || struck[index]!.lock?.finger !== undefined;
    return {
      options: tableOf(attempt(kept, dropped), kept),
      placed: kept,
      brokenLocks: kept.filter((index) => dropped.has(index) && isLocked(index)),
    };
  }
  const direct = attempt(all, new Set());
  if (direct.length > 0) return { options: tableOf(direct), placed: all, brokenLocks: [] };
  const isLocked = (lock: Lock | undefined) => lock?.string !== undefined || lock?.finger !== undefined;
  const locked = all.filter((index) => isLocked(struck[index]!.lock));
  for (let count = 1; count <= locked.length; count += 1)
    for (const kept of withoutSome(locked.length, count)) {
      const dropped = locked.filter((_, place) => !kept.includes(place));
      const options = attempt(all, new Set(dropped));
      if (options.length > 0) return { options: tableOf(options), placed: all, brokenLocks: dropped };
    }
  for (let missing = 1; missing <= all.length; missing += 1)
    for (const dropLocks of [new Set<number>(), new Set(all)])
      for (const placed of withoutSome(all.length, missing)) {
        const options = attempt(placed, dropLocks);
        if (options.length > 0)
          return {
            options: tableOf(options, placed),
            placed,
            brokenLocks: locked.filter((index) => dropLocks.has(index) && placed.includes(index)),
          };
      }
  return { options: tableOf([{ placements: [] }], []), placed: [], brokenLocks: [] };
};
