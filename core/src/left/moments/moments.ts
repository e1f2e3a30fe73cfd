import { locksOf, type Fingering, type Lock } from '../../fingering/fingering.ts';
import { covers, isForRightHand, type PassageRule } from '../../fingering/rules.ts';
import { placesOf, type Place } from '../../instrument/guitar.ts';
import type { Midi } from '../../music/pitch.ts';
import type { NoteId } from '../../score/score.ts';
import type { Sound } from '../../score/sounds.ts';
import type { PieceOnGuitar } from './piece-on-guitar.ts';
import type { Hand, NeckTables } from '../hand/hand.ts';
import type { SoundTables } from './sound-tables.ts';
import type { ParallelPair } from './parallels.ts';
import { restingTimes } from './resting.ts';
import { changedSlices } from './changed-slices.ts';
import { ruledIn } from './passage-rules.ts';
import { mergedLock, twinIn, type LockOf } from './unisons.ts';
import {
  ALL_POSITIONS,
  placeMoment,
  type Moment,
  type PlacedMoment,
  type PlacedPair,
} from './ways-at-moment.ts';
import { ringsToBarEnd } from './ringing.ts';

/** Everything the search starts from: moments with their options, and the sounds. */
export interface Moments {
  readonly moments: readonly Moment[];
  readonly sounds: SoundTables;
  /** By sound: the sound of the same pitch struck with it that stands for both, or itself. */
  readonly twin: readonly number[];
  /** What the moments were made from, to find what changed later. */
  readonly locks: ReadonlyMap<NoteId, Lock>;
  readonly rules: readonly PassageRule[];
  /** Ways to take a set of notes under locks, by what decides them. */
  readonly placed: Map<string, PlacedMoment>;
}

const ringOf = (piece: PieceOnGuitar, rules: readonly PassageRule[]): Float64Array => {
  const ring = Float64Array.from(piece.ringing.until);
  for (const rule of rules)
    if (rule.kind === 'ringing')
      for (const sound of piece.sounds)
        if (covers(rule, sound.bar) && !sound.grace)
          ring[sound.index] = rule.rings ? ringsToBarEnd(sound, piece.score.bars) : sound.end;
  return ring;
};

/** Notes of broken chords, without those that a teacher does not let ring. */
const brokenOf = (piece: PieceOnGuitar, rules: readonly PassageRule[]): Uint8Array => {
  const broken = Uint8Array.from(piece.ringing.broken);
  for (const rule of rules)
    if (rule.kind === 'ringing' && !rule.rings)
      for (const sound of piece.sounds) if (covers(rule, sound.bar)) broken[sound.index] = 0;
  return broken;
};

/** Semitones of a whole tone. */
const TONE = 2;

const isStep = (sound: Sound, from: Sound | undefined): boolean =>
  from !== undefined && Math.abs(sound.midi - from.midi) <= TONE;

/** Furthest that a note falls from the one before for an ear that hears them as one line, in semitones. */
const LITTLE_FALL = 4;

const fallsALittle = (sound: Sound, from: Sound | undefined): boolean =>
  from !== undefined && sound.midi < from.midi && from.midi - sound.midi <= LITTLE_FALL;

/** A pair by the places of its sounds, when both are placed. */
const placedPair = (pair: ParallelPair | undefined, placed: readonly number[]): PlacedPair | undefined => {
  if (!pair) return undefined;
  const [low, high] = [placed.indexOf(pair.low), placed.indexOf(pair.high)];
  const { apart, highFrom, lowFrom } = pair;
  return low < 0 || high < 0 ? undefined : { low, high, lowFrom, highFrom, apart };
};

/** Whether a moment is met as in another plan in which the sounds last as long. */
const isSameMoment = (one: Moment, other: Moment): boolean =>
  one.options === other.options &&
  one.positions === other.positions &&
  one.struck.length === other.struck.length &&
  one.struck.every((sound, place) => sound === other.struck[place]) &&
  one.brokenLocks.length === other.brokenLocks.length &&
  one.brokenLocks.every((sound, place) => sound === other.brokenLocks[place]);

const isSameRow = (one: ArrayLike<number>, other: ArrayLike<number>): boolean => {
  for (let index = 0; index < one.length; index += 1) if (one[index] !== other[index]) return false;
  return true;
};

/** Whether sounds last and ring as long in one plan of a piece as in another. */
const lastAsLong = (one: SoundTables, other: SoundTables): boolean =>
  isSameRow(one.end, other.end) && isSameRow(one.ring, other.ring) && isSameRow(one.broken, other.broken);

/**
 * The moments of a piece under a teacher's locks and rules. Moments that nothing touches since an earlier plan, and those
 * that are as in one of some others, stay the same objects, which is how the search knows what it has computed already.
 */
export const momentsOf = (
  piece: PieceOnGuitar,
  fingering: Fingering,
  hand: Hand,
  neck: NeckTables,
  earlier?: Moments,
  others: readonly Moments[] = [],
): Moments => {
  const { score, sounds, slices } = piece;
  const locks = locksOf(score, fingering);
  const rules = [...fingering.rules.values()].filter((rule) => !isForRightHand(rule));
  const lockOf: LockOf = (sound) => locks.get(score.notes[sounds[sound]!.head]!.id);
  const changed = earlier && changedSlices(piece, earlier, locks, rules);
  const placed = earlier?.placed ?? new Map<string, PlacedMoment>();
  const twin = earlier ? [...earlier.twin] : sounds.map((_, index) => index);
  slices.forEach(({ struck }, index) => {
    if (changed && !changed.has(index)) return;
    for (const sound of struck) twin[sound] = twinIn(piece, struck, sound, lockOf);
  });

  const placesOfSound = (sound: number): readonly Place[] => {
    const remedy = lockOf(sound)?.remedy;
    if (remedy !== 'octave-up' && remedy !== 'octave-down') return piece.places[sound]!;
    return placesOf(piece.guitar, (sounds[sound]!.midi + (remedy === 'octave-up' ? 12 : -12)) as Midi);
  };
  const momentAt = (index: number): Moment => {
    const slice = slices[index]!;
    const primaries = slice.struck.filter(
      (sound) => twin[sound] === sound && lockOf(sound)?.remedy !== 'leave-out',
    );
    const struck = primaries.map((primary) => ({
      places: placesOfSound(primary),
      lock: mergedLock(slice.struck.filter((sound) => twin[sound] === primary).map(lockOf)),
    }));
    const ruled = ruledIn(rules, slice.bar);
    const { positions } = ruled;
    const key = struck
      .map(({ lock }, place) => {
        const { midi, head } = sounds[primaries[place]!]!;
        const remedy = lockOf(primaries[place]!)?.remedy ?? '';
        return `${midi}${score.notes[head]!.harmonic ?? ''}${remedy}/${lock?.string ?? ''}/${lock?.fret ?? ''}/${lock?.finger ?? ''}`;
      })
      .join(' ');
    const ruledKey = `${key}${ruled.stopped ? ' stopped' : ''}${ruled.barre ? ` barre ${ruled.barre}` : ''}${ruled.noBarre ? ' no barre' : ''}`;
    const ways = placed.get(ruledKey) ?? placeMoment(struck, hand, neck, ruled);
    placed.set(ruledKey, ways);
    const placedSounds = ways.placed.map((place) => primaries[place]!);
    const mayKeepPosition = ways.options.homes.some((homes) => (homes & positions) !== 0);
    return {
      onset: slice.onset,
      previousOnset: slices[index - 1]?.onset ?? -1,
      nextOnset: slices[index + 1]?.onset ?? Infinity,
      secondsBefore: slice.secondsBefore,
      beatsBefore: piece.beatsBefore[index]!,
      isOpening: piece.isOpening[index]!,
      isLoneLine: piece.isLoneLine[index]!,
      isTuneBeyondFirst: piece.isTuneBeyondFirst[index]!,
      inTremolo: piece.inTremolo[index],
      struck: placedSounds,
      lineFrom: placedSounds.map((sound) => piece.lineFrom[sound]!),
      lineFalls: placedSounds.map((sound) => fallsALittle(sounds[sound]!, sounds[piece.lineFrom[sound]!])),
      lineSteps: placedSounds.map((sound) => isStep(sounds[sound]!, sounds[piece.lineFrom[sound]!])),
      parallel: placedPair(piece.parallels[index], placedSounds),
      struckBefore: slices[index - 1]?.struck.length ?? 0,
      options: ways.options,
      positions: mayKeepPosition ? positions : ALL_POSITIONS,
      brokenLocks: ways.brokenLocks.map((place) => primaries[place]!),
      unplayable: primaries.filter((_, place) => !ways.placed.includes(place)),
    };
  };
  const end = Float64Array.from(sounds, (sound) => sound.end);
  const ring = ringOf(piece, rules);
  const isShort = (sound: number): boolean => lockOf(sound)?.remedy === 'short';
  slices.forEach(({ struck }, index) => {
    for (const sound of struck) {
      if (!isShort(sound)) continue;
      end[sound] = Math.min(end[sound]!, slices[index + 1]?.onset ?? Infinity);
      ring[sound] = end[sound]!;
    }
  });
  // A unison lasts as long as the longest of its notes.
  twin.forEach((primary, sound) => {
    if (primary === sound) return;
    end[primary] = Math.max(end[primary]!, end[sound]!);
    if (isShort(primary)) ring[primary] = Math.max(ring[primary]!, ring[sound]!);
  });
  const tables: SoundTables = {
    onset: Float64Array.from(sounds, (sound) => sound.onset),
    end,
    ring,
    broken: brokenOf(piece, rules),
    struckBefore: piece.ringing.struckBefore,
    rest: restingTimes(sounds, slices, piece.ringing.broken, score.ticksPerQuarter),
    slurredFrom: piece.slurredFrom,
    slides: piece.slides,
    touched: piece.touched,
  };
  const kin = others.filter(({ sounds: times }) => lastAsLong(times, tables));
  const moments = slices.map((_, index) => {
    if (changed && !changed.has(index)) return earlier!.moments[index]!;
    const moment = momentAt(index);
    return kin.find((each) => isSameMoment(each.moments[index]!, moment))?.moments[index] ?? moment;
  });
  return { moments, sounds: tables, twin, locks, rules, placed };
};
