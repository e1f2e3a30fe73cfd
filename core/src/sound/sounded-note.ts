import { heardIn, type Heard, type HeardPiece } from '../performance/heard.ts';
import type { Plan } from '../plan/plan.ts';
import { playedClock } from '../score/played-clock.ts';
import type { Unfolded } from '../score/unfold/unfold.ts';
import type { DampedBy } from './sound-event.ts';

/** How a note ends: its string is played again, its finger lifts, something silences it, it dies away. */
export type NoteEnd = 'played-again' | 'lifted' | 'dies' | DampedBy;

/** One note of a piece as it is heard; ms from the start. */
export interface SoundedNote extends Pick<Heard, 'sound' | 'string' | 'fret' | 'pass' | 'onset'> {
  readonly from: number;
  readonly until: number;
  readonly ends: NoteEnd;
  /** Outlasts another note on its string, as no string does. */
  readonly isBeside: boolean;
}

/** Time between the strings of a strum and between the notes of a roll, in ms. Values of our own. */
const STRUM = 14;
const ROLL = 32;
/** Length of a grace note, in ms; of our own. */
const GRACE = 75;
/** Share of its length for which a detached note sounds. Common practice, no published source. */
const DETACHED: Readonly<Record<string, number>> = { staccato: 0.5, staccatissimo: 0.3, spiccato: 0.4 };

type Draft = { -readonly [Key in keyof SoundedNote]: SoundedNote[Key] };

/** By sound: by how many ms it begins after (or, for a grace note, before) its written moment. */
const offsetsOf = ({ score, left, right }: Plan): ReadonlyMap<number, number> => {
  const offsets = new Map<number, number>();
  const spread = (sounds: readonly number[], between: number, fromBass: boolean): void => {
    const ordered = sounds
      .filter((sound) => left.choices[sound])
      .toSorted((a, b) => (left.choices[b]!.string - left.choices[a]!.string) * (fromBass ? 1 : -1));
    ordered.forEach((sound, place) => offsets.set(sound, place * between));
  };
  for (const { sounds, direction } of right.strums) spread(sounds, STRUM, direction === 'outward');
  for (const { slice } of left.hands) {
    const rolled = slice.struck.filter((sound) => score.notes[left.sounds[sound]!.head]!.arpeggiated);
    if (rolled.length > 1 && !rolled.some((sound) => offsets.has(sound))) spread(rolled, ROLL, true);
  }
  const graces = new Map<string, number[]>();
  for (const { index, grace, voice, onset } of left.sounds)
    if (grace) graces.set(`${voice} ${onset}`, [...(graces.get(`${voice} ${onset}`) ?? []), index]);
  for (const own of graces.values())
    own.forEach((sound, place) => offsets.set(sound, -GRACE * (own.length - place)));
  return offsets;
};

/** How a sounding's end is told here. */
const endOf = (ends: Heard['ends']): NoteEnd =>
  ends === 'struck'
    ? 'played-again'
    : ends === 'covered'
      ? 'barre'
      : ends === 'silenced'
        ? 'planting'
        : ends === 'decayed'
          ? 'dies'
          : 'lifted';

/** The clock of an unfolded plan: ms to a tick. */
const msIn = ({ performance }: Plan, unfolded: Unfolded): ((tick: number) => number) => {
  const { seconds } = playedClock(performance.score, unfolded, performance.clock);
  return (tick) => 1000 * seconds(tick);
};

/**
 * The notes of a plan string by string, in the order in which they are heard, as the plan has them: an open string rings
 * until it is played, stopped, covered or damped, and a note that a shift cuts is cut.
 */
const asPlanned = (plan: Plan, { strings }: HeardPiece, ms: (tick: number) => number): Draft[][] => {
  const { left, damping, shifts, score } = plan;
  const cuts = new Map(shifts.flatMap((shift) => shift.cuts.map((cut) => [cut.sound, cut.ms] as const)));
  const damped = new Map(
    damping.filter(({ grade }) => grade !== 'may').map((each) => [each.sound, each] as const),
  );
  return strings.map((own) =>
    own.map(({ sound, string, fret, pass, onset, from, until, ends }): Draft => {
      const note: Draft = {
        sound,
        string,
        fret,
        pass,
        onset,
        from: 1000 * from,
        until: 1000 * until,
        ends: endOf(ends),
        isBeside: false,
      };
      const written = left.sounds[sound]!;
      const silence = damped.get(sound);
      const silentAt = silence ? ms(onset + silence.onset - written.onset) : Infinity;
      if (silence && silentAt > note.from && silentAt < note.until) {
        note.until = silentAt;
        note.ends = silence.means;
      }
      const cut = cuts.get(sound);
      if (cut !== undefined && note.ends !== 'dies') {
        note.until = Math.max(note.from + 1, note.until - cut);
        note.ends = 'lifted';
      }
      const detached = Math.min(
        1,
        ...score.notes[written.head]!.articulations.map((each) => DETACHED[each] ?? 1),
      );
      if (detached < 1) {
        const short = note.from + (ms(onset + written.end - written.onset) - note.from) * detached;
        if (short < note.until)
          Object.assign(note, { until: short, ends: fret === 0 ? 'planting' : 'lifted' });
      }
      return note;
    }),
  );
};

/** The notes with their written lengths, whatever their strings would do. */
const asWritten = (plan: Plan, { strings }: HeardPiece, ms: (tick: number) => number): Draft[][] =>
  strings.map((own) =>
    own.map(({ sound, string, fret, pass, onset, from }): Draft => {
      const { end, onset: begin } = plan.left.sounds[sound]!;
      return {
        sound,
        string,
        fret,
        pass,
        onset,
        from: 1000 * from,
        until: ms(onset + end - begin),
        ends: 'lifted',
        isBeside: false,
      };
    }),
  );

/** Moves what begins a little earlier or later; two voices that share one stroke are one note. */
const moved = (own: readonly Draft[], offsets: ReadonlyMap<number, number>): Draft[] => {
  const notes = own
    .filter((note, place) => {
      const next = own[place + 1];
      return !(
        next &&
        next.onset === note.onset &&
        next.fret === note.fret &&
        next.pass === note.pass &&
        !offsets.has(note.sound)
      );
    })
    .map((note) => ({ ...note, from: Math.max(0, note.from + (offsets.get(note.sound) ?? 0)) }));
  notes.forEach((note, place) => {
    const before = notes[place - 1];
    // Grace notes at the very start have nothing to take their time from.
    if (before && note.from < before.from + 1) note.from = before.from + GRACE;
    note.until = Math.max(note.until, note.from + 1);
  });
  return notes;
};

/** No string has two notes at once: what is played ends what was. */
const oneAtATime = (notes: readonly Draft[]): void =>
  notes.forEach((note, place) => {
    const next = notes[place + 1];
    if (!next) return;
    if (note.ends === 'played-again' || note.until > next.from) {
      note.until = next.from;
      note.ends = 'played-again';
    }
  });

export interface SoundedOptions {
  /** Every note for its written length. */
  readonly asWritten: boolean;
}

/** The notes of a plan in unfolded time, in the order in which they begin. */
export const soundedNotes = (
  plan: Plan,
  unfolded: Unfolded,
  options: SoundedOptions,
): readonly SoundedNote[] => {
  const heard = heardIn(plan.performance, unfolded);
  const ms = msIn(plan, unfolded);
  const offsets = offsetsOf(plan);
  const strings = (options.asWritten ? asWritten : asPlanned)(plan, heard, ms).map((own) =>
    moved(own, offsets),
  );
  for (const own of strings)
    if (options.asWritten)
      own.forEach((note, place) => {
        const next = own[place + 1];
        note.isBeside = next !== undefined && note.until > next.from + 1;
      });
    else oneAtATime(own);
  return strings.flat().sort((a, b) => a.from - b.from || b.string - a.string);
};
