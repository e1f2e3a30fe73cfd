import type { Lock } from '../fingering/fingering.ts';
import type { LeftFinger, LeftSchool, LeftWeights } from '../fingering/vocabulary.ts';
import type { Guitar } from '../instrument/guitar.ts';
import type { NoteId } from '../score/score.ts';
import type { Slice } from '../score/slices.ts';
import type { Sound } from '../score/sounds.ts';
import type { LeftTerm } from './hand/costs.ts';
import type { Hand } from './hand/hand.ts';
import type { PieceOnGuitar } from './moments/piece-on-guitar.ts';
import type { SoundTables } from './moments/sound-tables.ts';

export interface LeftSetup {
  readonly guitar: Guitar;
  readonly hand: Hand;
  readonly school: LeftSchool;
  /** The teacher's own weights on top of the school's. */
  readonly weights?: LeftWeights;
}

/** Where one sound is taken, with its costs by term. */
export interface LeftChoice {
  readonly string: number;
  readonly fret: number;
  readonly finger: LeftFinger;
  readonly barre: boolean;
  readonly cost: Readonly<Partial<Record<LeftTerm, number>>>;
}

/** A string and a finger, where there are any. */
interface Place {
  readonly string?: number | undefined;
  readonly finger?: number | undefined;
}

/** Whether two plans take a sound alike: on the same string with the same finger, or both not at all. */
export const isSameTaking = (one: Place | undefined, other: Place | undefined): boolean =>
  one?.string === other?.string && one?.finger === other?.finger;

/** Sounds that two plans of one piece take differently. */
export const takenOtherwise = (one: LeftPlan, other: LeftPlan): readonly number[] =>
  one.sounds.flatMap(({ index }) => (isSameTaking(one.choices[index], other.choices[index]) ? [] : [index]));

/** A finger (or open string) that lies at a moment. */
export interface Lying {
  readonly sound: number;
  readonly string: number;
  readonly fret: number;
  readonly finger: number;
  readonly sounding: boolean;
}

/** The hand at one slice. Position 0 means that it has not been used yet. */
export interface HandAt {
  readonly slice: Slice;
  readonly position: number;
  readonly lying: readonly Lying[];
  /** Fret at which the index has been laid flat and which it has not left since, 0 for none. */
  readonly flat: number;
}

/** A sound at which a rule of the passage had to give way. */
export interface BrokenRule {
  readonly sound: number;
  readonly kind: 'position' | 'stopped' | 'barre' | 'no-barre';
}

/** What the left hand does in a whole piece. Lists by sound go by `sounds`, lists by slice by `piece.slices`. */
export interface LeftPlan {
  readonly piece: PieceOnGuitar;
  readonly setup: LeftSetup;
  /** What the source and the teacher have fixed. */
  readonly locks: ReadonlyMap<NoteId, Lock>;
  readonly sounds: readonly Sound[];
  /** When each sound begins, ends as written (or as a remedy left it) and until when it may ring. */
  readonly times: SoundTables;
  /** By sound; undefined for a sound no hand could take. */
  readonly choices: readonly (LeftChoice | undefined)[];
  /** By slice. */
  readonly hands: readonly HandAt[];
  readonly cost: number;
  readonly terms: Readonly<Partial<Record<LeftTerm, number>>>;
  /** False when the search ran out of its budget. */
  readonly exact: boolean;
  readonly brokenLocks: readonly number[];
  readonly unplayable: readonly number[];
  /** Held notes that had to be cut. */
  readonly cut: readonly number[];
  readonly brokenRules: readonly BrokenRule[];
}
