import { harmonicPlacesOf, placesOf, type Guitar, type Place } from '../../instrument/guitar.ts';
import { pulse } from '../../music/meter.ts';
import type { Clock } from '../../score/clock.ts';
import type { NoteId, NoteIndex, Score } from '../../score/score.ts';
import { slicesOf, type Slice } from '../../score/slices.ts';
import { soundsByNote, soundsOf, type Sound } from '../../score/sounds.ts';
import { FIRST_POSITION_END } from '../hand/hand.ts';
import { parallelPairs, type ParallelPair } from './parallels.ts';
import { inferRinging, type Ringing } from './ringing.ts';
import type { PartInTremolo } from './tremolo.ts';

/** What the left hand needs to know of a piece on a guitar, whatever a teacher decides. */
export interface PieceOnGuitar {
  readonly score: Score;
  readonly guitar: Guitar;
  readonly sounds: readonly Sound[];
  readonly slices: readonly Slice[];
  /** Until when each sound may ring if nobody says otherwise. */
  readonly ringing: Ringing;
  /** By sound: the sound slurred or slid from, −1 for none. */
  readonly slurredFrom: Int32Array;
  /** By sound: 1 when it is slid to, which asks for one finger; a slur asks for two. */
  readonly slides: Uint8Array;
  /** By sound: 1 when it is a natural harmonic that the guitar has: see `SoundTables`. */
  readonly touched: Uint8Array;
  /** By sound: the sound that the same voice struck alone just before, when both stand alone; −1 for none. */
  readonly lineFrom: Int32Array;
  /** By slice: two notes that move on in parallel, where there are any. */
  readonly parallels: readonly (ParallelPair | undefined)[];
  /** By sound: where its pitch lies on the guitar. */
  readonly places: readonly (readonly Place[])[];
  /** By slice: whether it belongs to a line of single notes without any other voice in the bar, which is no broken chord. */
  readonly isLoneLine: readonly boolean[];
  /** By slice: what all that is struck is in a tremolo, if it is in one. */
  readonly inTremolo: readonly (PartInTremolo | undefined)[];
  /** By slice: whether it has a note of a tune which goes, around there, higher than first position reaches. */
  readonly isTuneBeyondFirst: readonly boolean[];
  /** By slice: beats since the slice before. */
  readonly beatsBefore: readonly number[];
  /** By slice: whether the piece has hardly begun. */
  readonly isOpening: readonly boolean[];
  readonly sliceOf: ReadonlyMap<NoteId, number>;
  /** The sound that each notehead belongs to. */
  readonly soundOf: ReadonlyMap<NoteIndex, number>;
}

const placesFor = (score: Score, sound: Sound, guitar: Guitar): readonly Place[] => {
  const { harmonic } = score.notes[sound.head]!;
  const places =
    harmonic === 'natural'
      ? harmonicPlacesOf(guitar, sound.midi)
      : harmonic === 'artificial'
        ? // The left hand stops an octave below what sounds.
          placesOf(guitar, sound.midi - 12)
        : [];
  return places.length > 0 ? places : placesOf(guitar, sound.midi);
};

/** By slice: whether its bar is a line of single notes of one voice, none of them of a broken chord. */
const loneLines = (
  slices: readonly Slice[],
  sounds: readonly Sound[],
  isBroken: ArrayLike<number>,
): readonly boolean[] => {
  const voices = new Map<number, Set<string>>();
  const withChords = new Set<number>();
  for (const { bar, struck } of slices) {
    const inBar = voices.get(bar) ?? new Set<string>();
    for (const sound of struck) inBar.add(sounds[sound]!.voice);
    voices.set(bar, inBar);
    if (struck.length > 1 || struck.some((sound) => isBroken[sound] === 1)) withChords.add(bar);
  }
  return slices.map(({ bar }) => voices.get(bar)!.size === 1 && !withChords.has(bar));
};

/** What some sounds are in a tremolo, where all of them are the same. */
const partOf = (
  struck: readonly number[],
  inTremolo: readonly (PartInTremolo | undefined)[],
): PartInTremolo | undefined => {
  const part = inTremolo[struck[0] ?? -1];
  return struck.every((sound) => inTremolo[sound] === part) ? part : undefined;
};

/** Bars over which a tune keeps to the position that its highest notes ask for. Our own value. */
const PHRASE_BARS = 4;

/**
 * By slice: whether it has a note of a tune, alone or over what is held, and a note of its phrase lies beyond first position
 * wherever it is taken.
 */
const tunesBeyondFirst = (
  slices: readonly Slice[],
  sounds: readonly Sound[],
  places: readonly (readonly Place[])[],
  isBroken: ArrayLike<number>,
): readonly boolean[] => {
  const isBeyond = (sound: number): boolean =>
    places[sound]!.length > 0 && places[sound]!.every(({ fret }) => fret > FIRST_POSITION_END);
  const near = new Set(
    slices.flatMap(({ bar, struck }) =>
      struck.some(isBeyond)
        ? Array.from({ length: 2 * PHRASE_BARS + 1 }, (_, place) => bar - PHRASE_BARS + place)
        : [],
    ),
  );
  const isTune = ({ struck }: Slice, next: number): boolean => {
    const top = struck.reduce(
      (best, sound) => (sounds[sound]!.midi > sounds[best]!.midi ? sound : best),
      struck[0]!,
    );
    return isBroken[top] === 0 && struck.every((sound) => sound === top || sounds[sound]!.end > next);
  };
  return slices.map(
    (slice, index) =>
      slice.struck.length > 0 && isTune(slice, slices[index + 1]?.onset ?? 0) && near.has(slice.bar),
  );
};

/** For so many beats a hand looks for its first place. Our own value. */
const OPENING_BEATS = 2;

/** Beats of the later slice from one slice to another; none without the first. */
const beatsBetween = (score: Score, from: Slice | undefined, to: Slice): number =>
  from ? (to.onset - from.onset) / pulse(score.bars[to.bar]!.meter, score.ticksPerQuarter) : 0;

/** Reads a piece for the left hand, once for all plans of it. */
export const pieceOnGuitar = (score: Score, guitar: Guitar, clock: Clock): PieceOnGuitar => {
  const sounds = soundsOf(score);
  const slices = slicesOf(sounds, clock);
  const soundOf = soundsByNote(sounds);
  const aloneIn = (slice: Slice | undefined, voice: string): number => {
    const own = slice?.struck.filter((sound) => sounds[sound]!.voice === voice) ?? [];
    return own.length === 1 ? own[0]! : -1;
  };
  const ringing = inferRinging(
    sounds,
    score.bars,
    score.ticksPerQuarter,
    (sound) => score.notes[sound.head]!.letRing,
  );
  const lineFrom = new Int32Array(sounds.length).fill(-1);
  const places = sounds.map((sound) => placesFor(score, sound, guitar));
  const sliceOf = new Map<NoteId, number>();
  slices.forEach((slice, index) => {
    for (const sound of slice.struck) {
      const { voice, head } = sounds[sound]!;
      sliceOf.set(score.notes[head]!.id, index);
      const before = aloneIn(slices[index - 1], voice);
      // The notes below a tremolo and its strokes are two lines, though they are written as one.
      const isOneLine = ringing.inTremolo[sound] === ringing.inTremolo[before];
      if (aloneIn(slice, voice) === sound && isOneLine) lineFrom[sound] = before;
    }
  });
  return {
    score,
    guitar,
    sounds,
    slices,
    parallels: parallelPairs(slices, sounds),
    ringing,
    isLoneLine: loneLines(slices, sounds, ringing.broken),
    inTremolo: slices.map(({ struck }) => partOf(struck, ringing.inTremolo)),
    slurredFrom: Int32Array.from(sounds, (sound) => {
      const { slurredFrom, slideFrom } = score.notes[sound.head]!;
      const from = slurredFrom?.note ?? slideFrom;
      return from === undefined ? -1 : (soundOf.get(from) ?? -1);
    }),
    slides: Uint8Array.from(sounds, (sound) => {
      const { slurredFrom, slideFrom } = score.notes[sound.head]!;
      return slurredFrom === undefined && slideFrom !== undefined ? 1 : 0;
    }),
    touched: Uint8Array.from(sounds, ({ head, midi }) =>
      score.notes[head]!.harmonic === 'natural' && harmonicPlacesOf(guitar, midi).length > 0 ? 1 : 0,
    ),
    lineFrom,
    places,
    isTuneBeyondFirst: tunesBeyondFirst(slices, sounds, places, ringing.broken),
    beatsBefore: slices.map((slice, index) => beatsBetween(score, slices[index - 1], slice)),
    isOpening: slices.map((slice) => beatsBetween(score, slices[0], slice) < OPENING_BEATS),
    sliceOf,
    soundOf,
  };
};
