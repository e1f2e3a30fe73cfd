import type { LeftFinger } from '../fingering/vocabulary.ts';
import type { Place } from '../instrument/guitar.ts';
import type { Performance } from '../performance/performance.ts';
import { barReturns } from '../score/bar-returns.ts';
import type { Barre } from '../technique/barres.ts';

/** A struck note as a reader meets it, and what the plan does with it, which marks may tell. */
export interface SeenNote {
  readonly sound: number;
  readonly midi: number;
  readonly voice: string;
  readonly onset: number;
  /** Written end, in ticks. */
  readonly end: number;
  readonly places: readonly Place[];
  /** A harmonic: its place does not follow from a position. */
  readonly isHarmonic: boolean;
  /** The note of the same pitch just before it, no longer ago than a bar; −1 for none. */
  readonly before: number;
  /** The note it stands for in a bar that comes back; −1 for none. */
  readonly like: number;
  readonly string: number;
  readonly fret: number;
  readonly finger: LeftFinger;
}

/** One moment at which notes are struck. */
export interface SeenMoment {
  readonly slice: number;
  readonly onset: number;
  /** From the bass string up. */
  readonly notes: readonly SeenNote[];
  /** Notes struck before that still last as written. */
  readonly held: readonly SeenNote[];
  /** Barres that lie here as their signs tell. */
  readonly barres: readonly Barre[];
  /** Fret of the index's barre among them. */
  readonly indexBarre: number | undefined;
  /** Position of the hand in the plan. */
  readonly position: number;
}

/** The piece as a reader goes through it, moment by moment. */
export interface ReaderView {
  readonly moments: readonly SeenMoment[];
  /** By sound: the moment at which it is struck; −1 where it is not played. */
  readonly momentOf: readonly number[];
  /** By sound; undefined for what cannot be played, or is played in another octave than written. */
  readonly notes: readonly (SeenNote | undefined)[];
  /** By sound: the one it stands for in a bar that comes back; −1 for none. */
  readonly like: Int32Array;
}

/** Sets out what a reader sees of a performance; its barres are drawn as signs. */
export const readerView = ({ score, left }: Performance, barres: readonly Barre[]): ReaderView => {
  const like = new Int32Array(left.sounds.length).fill(-1);
  for (const { pairs } of barReturns(score, left.sounds))
    for (const [sound, first] of pairs) like[sound] = first;
  const lastOf = new Map<number, SeenNote>();
  const notes: (SeenNote | undefined)[] = left.sounds.map(() => undefined);
  const moments: SeenMoment[] = [];
  const momentOf = left.sounds.map(() => -1);
  let drawn = 0;
  let running: Barre[] = [];
  let held: SeenNote[] = [];
  for (const { slice, position } of left.hands) {
    const { length } = score.bars[slice.bar]!;
    const first = drawn;
    while (drawn < barres.length && barres[drawn]!.onset <= slice.onset) drawn += 1;
    if (drawn > first || running.length > 0)
      running = [...running, ...barres.slice(first, drawn)].filter(
        ({ onset, until }) => until > slice.onset || onset === slice.onset,
      );
    const own: SeenNote[] = [];
    for (const sound of slice.struck) {
      const choice = left.choices[sound];
      const { head, midi, voice, onset, end } = left.sounds[sound]!;
      const { id, harmonic } = score.notes[head]!;
      if (!choice || left.locks.get(id)?.remedy?.startsWith('octave')) continue;
      const before = lastOf.get(midi);
      const { string, fret, finger } = choice;
      own.push({
        sound,
        midi,
        voice,
        onset,
        end,
        places: left.piece.places[sound]!,
        isHarmonic: harmonic !== undefined,
        before: before && onset - before.onset <= length ? before.sound : -1,
        like: like[sound]!,
        string,
        fret,
        finger,
      });
    }
    if (own.length === 0) continue;
    for (const note of own) {
      notes[note.sound] = note;
      momentOf[note.sound] = moments.length;
      lastOf.set(note.midi, note);
    }
    held = held.filter(({ end }) => end > slice.onset);
    moments.push({
      slice: slice.index,
      onset: slice.onset,
      notes: own.sort((a, b) => a.midi - b.midi),
      held,
      barres: running,
      indexBarre: running.find(({ finger }) => finger === 1)?.fret,
      position,
    });
    held = [...held, ...own];
  }
  return { moments, momentOf, notes, like };
};
