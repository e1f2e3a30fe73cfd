import { locksOf, type Fingering, type Lock } from '../../fingering/fingering.ts';
import { barsUnderOtherRules, covers, isForRightHand, type PassageRule } from '../../fingering/rules.ts';
import { placesOf, type Place } from '../../instrument/guitar.ts';
import type { Midi } from '../../music/pitch.ts';
import type { NoteId } from '../../score/score.ts';
import type { Ground } from './piece-on-guitar.ts';
import type { Hand, NeckTables } from '../hand/hand.ts';
import type { SoundTables } from '../search/standing-states.ts';
import { ALL_POSITIONS, placeMoment, type Moment, type PlacedMoment } from './ways-at-moment.ts';
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

type LockOf = (sound: number) => Lock | undefined;

/** Remedies that take a note away from where it is written, and so away from a unison. */
const isTakenAway = (lock: Lock | undefined): boolean =>
  lock?.remedy !== undefined && lock.remedy !== 'short';

/**
 * Two voices striking one pitch at once sound on one string unless their strings are locked apart, or a remedy was given
 * for one of them: it concerns that note alone.
 */
const twinIn = (ground: Ground, struck: readonly number[], sound: number, lockOf: LockOf): number => {
  if (isTakenAway(lockOf(sound))) return sound;
  const first = struck.find(
    (other) => ground.sounds[other]!.midi === ground.sounds[sound]!.midi && !isTakenAway(lockOf(other)),
  )!;
  const [a, b] = [lockOf(first)?.string, lockOf(sound)?.string];
  return a === undefined || b === undefined || a === b ? first : sound;
};

const ringOf = (ground: Ground, rules: readonly PassageRule[]): Float64Array => {
  const ring = Float64Array.from(ground.inferredRing);
  for (const rule of rules)
    if (rule.kind === 'ringing')
      for (const sound of ground.sounds)
        if (covers(rule, sound.bar) && !sound.grace)
          ring[sound.index] = rule.rings ? ringsToBarEnd(sound, ground.score.bars) : sound.end;
  return ring;
};

const sameLock = (a: Lock | undefined, b: Lock | undefined): boolean =>
  a?.string === b?.string && a?.fret === b?.fret && a?.finger === b?.finger && a?.remedy === b?.remedy;

/** Slices whose locks or rules differ, and all that sound on from twins that parted or joined, or from a remedy. */
const changedSlices = (
  ground: Ground,
  earlier: Moments,
  locks: ReadonlyMap<NoteId, Lock>,
  rules: readonly PassageRule[],
): ReadonlySet<number> => {
  const changed = new Set<number>();
  const note = (id: NoteId): void => {
    const slice = ground.sliceOf.get(id);
    const [now, before] = [locks.get(id), earlier.locks.get(id)];
    if (slice === undefined || sameLock(now, before)) return;
    changed.add(slice);
    const { struck } = ground.slices[slice]!;
    const hasTwins = new Set(struck.map((sound) => ground.sounds[sound]!.midi)).size < struck.length;
    if (!hasTwins && now?.remedy === before?.remedy) return;
    const until = Math.max(...struck.map((sound) => ground.sounds[sound]!.end));
    for (let later = slice + 1; (ground.slices[later]?.onset ?? Infinity) <= until; later += 1)
      changed.add(later);
  };
  for (const id of locks.keys()) note(id);
  for (const id of earlier.locks.keys()) note(id);
  const bars = barsUnderOtherRules(earlier.rules, rules);
  if (bars.size > 0)
    ground.slices.forEach((slice, index) => {
      if (bars.has(slice.bar)) changed.add(index);
    });
  return changed;
};

/** What the rules ask in a bar. */
export interface Ruled {
  /** Hand positions they leave open: bit p is position p. */
  readonly positions: number;
  /** Whether open strings are to be avoided. */
  readonly stopped: boolean;
  /** Fret at which the index lies flat; undefined for none. */
  readonly barre: number | undefined;
  /** Whether no finger may lie over several strings. */
  readonly noBarre: boolean;
}

export const ruledIn = (rules: readonly PassageRule[], bar: number): Ruled => {
  let positions = ALL_POSITIONS;
  let stopped = false;
  let barre: number | undefined;
  let noBarre = false;
  for (const rule of rules) {
    if (!covers(rule, bar)) continue;
    if (rule.kind === 'position') positions &= 1 << rule.position;
    if (rule.kind === 'stopped') stopped = true;
    if (rule.kind === 'barre') barre = rule.fret;
    if (rule.kind === 'no-barre') noBarre = true;
  }
  return { positions, stopped, barre, noBarre };
};

/**
 * The moments of a piece under a teacher's locks and rules. With those of an earlier plan, moments that nothing
 * touches stay the same objects, which is how the search knows where to begin.
 */
export const momentsOf = (
  ground: Ground,
  fingering: Fingering,
  hand: Hand,
  neck: NeckTables,
  earlier?: Moments,
): Moments => {
  const { score, sounds, slices } = ground;
  const locks = locksOf(score, fingering);
  const rules = [...fingering.rules.values()].filter((rule) => !isForRightHand(rule));
  const lockOf: LockOf = (sound) => locks.get(score.notes[sounds[sound]!.head]!.id);
  const changed = earlier && changedSlices(ground, earlier, locks, rules);
  const placed = earlier?.placed ?? new Map<string, PlacedMoment>();
  const twin = earlier ? [...earlier.twin] : sounds.map((_, index) => index);
  slices.forEach(({ struck }, index) => {
    if (changed && !changed.has(index)) return;
    for (const sound of struck) twin[sound] = twinIn(ground, struck, sound, lockOf);
  });

  const placesOfSound = (sound: number): readonly Place[] => {
    const remedy = lockOf(sound)?.remedy;
    if (remedy !== 'octave-up' && remedy !== 'octave-down') return ground.places[sound]!;
    return placesOf(ground.guitar, (sounds[sound]!.midi + (remedy === 'octave-up' ? 12 : -12)) as Midi);
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
      secondsBefore: slice.secondsBefore,
      beatsBefore: ground.beatsBefore[index]!,
      struck: placedSounds,
      lineFrom: placedSounds.map((sound) => ground.lineFrom[sound]!),
      struckBefore: slices[index - 1]?.struck.length ?? 0,
      options: ways.options,
      positions: mayKeepPosition ? positions : ALL_POSITIONS,
      brokenLocks: ways.brokenLocks.map((place) => primaries[place]!),
      unplayable: primaries.filter((_, place) => !ways.placed.includes(place)),
    };
  };
  const moments = slices.map((_, index) =>
    changed && !changed.has(index) ? earlier!.moments[index]! : momentAt(index),
  );

  const end = Float64Array.from(sounds, (sound) => sound.end);
  const ring = ringOf(ground, rules);
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
    slurredFrom: ground.slurredFrom,
    slides: ground.slides,
  };
  return { moments, sounds: tables, twin, locks, rules, placed };
};

/** The lock of a unison: what any of its notes is locked to, the first note before the others. */
const mergedLock = (locks: readonly (Lock | undefined)[]): Lock | undefined => {
  const { string, fret } = locks.find((lock) => lock?.string !== undefined) ?? {};
  const finger = locks.find((lock) => lock?.finger !== undefined)?.finger;
  if (string === undefined && finger === undefined) return undefined;
  return {
    ...(string !== undefined && { string }),
    ...(fret !== undefined && { fret }),
    ...(finger !== undefined && { finger }),
  };
};
