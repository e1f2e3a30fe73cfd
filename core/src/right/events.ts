import type { LeftPlan } from '../left/plan-left.ts';
import { STROKE_FINGERS, type StrokeFinger } from '../fingering/vocabulary.ts';
import type { NoteId, Score } from '../score/score.ts';
import type { Lock } from '../fingering/fingering.ts';
import type { Clock } from '../score/clock.ts';

/** One note to pluck: its string and what is known of its voice. */
export interface PluckedNote {
  readonly sound: number;
  readonly string: number;
  readonly voice: 'bass' | 'melody' | 'only';
  /** The same pitch was plucked on this string in the event before: tremolo and repeated notes. */
  readonly isRepeated: boolean;
}

/** Notes plucked at one moment, bass side first. */
export interface PluckEvent {
  readonly slice: number;
  /** Seconds since the event before; infinite for the first. */
  readonly secondsBefore: number;
  readonly notes: readonly PluckedNote[];
  /** Allowed fingers for the notes, as ranks (0 p to 3 a) rising with the notes; never empty. */
  readonly options: readonly (readonly number[])[];
  /** Factor by which the busy left hand weighs what is awkward. */
  readonly load: number;
  /** Locks that no order of the fingers can keep were set aside. */
  readonly brokenLocks: readonly number[];
}

/** More notes than this are strummed. */
const MOST_PLUCKED = 4;

/** The voice with the lowest average pitch, when there are several. */
const bassVoice = (plan: LeftPlan): string | undefined => {
  const sums = new Map<string, { sum: number; count: number }>();
  for (const { voice, midi } of plan.sounds) {
    const entry = sums.get(voice) ?? { sum: 0, count: 0 };
    sums.set(voice, { sum: entry.sum + midi, count: entry.count + 1 });
  }
  if (sums.size < 2) return undefined;
  return [...sums].sort(([, a], [, b]) => a.sum / a.count - b.sum / b.count)[0]![0];
};

/** All rising choices of `count` fingers out of p i m a. */
const risingChoices = (count: number, from = 0): number[][] =>
  count === 0
    ? [[]]
    : Array.from({ length: 4 - from }, (_, index) => from + index).flatMap((rank) =>
        risingChoices(count - 1, rank + 1).map((rest) => [rank, ...rest]),
      );

export interface LoadRule {
  readonly perUnit: number;
  readonly limit: number;
}

/**
 * What the right hand has to pluck, from a left-hand plan. Notes tied or slurred into on their string, twins of a
 * unison and strums of more than four notes are left out.
 */
export const pluckEvents = (
  score: Score,
  plan: LeftPlan,
  locks: ReadonlyMap<NoteId, Lock>,
  clock: Clock,
  loadRule: LoadRule,
): readonly PluckEvent[] => {
  const bass = bassVoice(plan);
  const events: PluckEvent[] = [];
  const soundOfNote = new Map(
    plan.sounds.flatMap((sound) => sound.noteheads.map((note) => [note, sound.index] as const)),
  );
  let previousOnset: number | undefined;
  for (const { slice } of plan.hands) {
    const taken = new Map<number, PluckedNote>();
    for (const sound of slice.struck) {
      const choice = plan.choices[sound];
      if (!choice || taken.has(choice.string)) continue;
      const { slurredFrom } = score.notes[plan.sounds[sound]!.head]!;
      const origin = slurredFrom && plan.choices[soundOfNote.get(slurredFrom.note)!];
      if (origin && origin.string === choice.string) continue;
      const { voice } = plan.sounds[sound]!;
      taken.set(choice.string, {
        sound,
        string: choice.string,
        voice: bass === undefined ? 'only' : voice === bass ? 'bass' : 'melody',
        isRepeated:
          events
            .at(-1)
            ?.notes.some(
              (before) =>
                before.string === choice.string &&
                plan.sounds[before.sound]!.midi === plan.sounds[sound]!.midi,
            ) ?? false,
      });
    }
    const notes = [...taken.values()].sort((a, b) => b.string - a.string);
    if (notes.length === 0 || notes.length > MOST_PLUCKED) continue;
    const lockOf = (sound: number): StrokeFinger | undefined =>
      locks.get(score.notes[plan.sounds[sound]!.head]!.id)?.pluck;
    const all = risingChoices(notes.length);
    const kept = all.filter((ranks) =>
      notes.every(({ sound }, index) => {
        const lock = lockOf(sound);
        return lock === undefined || STROKE_FINGERS[ranks[index]!] === lock;
      }),
    );
    const work = slice.struck.reduce(
      (sum, sound) =>
        sum + Object.values(plan.choices[sound]?.cost ?? {}).reduce((each, value) => each + value, 0),
      0,
    );
    const gap =
      previousOnset === undefined ? Infinity : clock.seconds(slice.onset) - clock.seconds(previousOnset);
    previousOnset = slice.onset;
    events.push({
      slice: slice.index,
      secondsBefore: gap === Infinity ? gap : Math.max(gap, 0.05),
      notes,
      options: kept.length > 0 ? kept : all,
      load: Math.min(loadRule.limit, 1 + loadRule.perUnit * work),
      brokenLocks:
        kept.length > 0 ? [] : notes.filter(({ sound }) => lockOf(sound)).map(({ sound }) => sound),
    });
  }
  return events;
};
