import { readDay, type Day } from '../days.ts';
import { AT_THE_FOOT, type Ladder, type LadderPlace } from '../ladder.ts';
import type { Meeting } from '../meetings.ts';
import type { SpotDrill } from '../spot-drills.ts';
import { spotKey, type LogEntry } from './entry.ts';

/** How somebody stands with a spot, by the log. */
export interface Standing {
  /** One a day, in order; well when a tempo was played clean that day. */
  readonly meetings: readonly Meeting[];
  /** Best clean tempo of each day on which there was one, in quarters a minute. */
  readonly clean: readonly { readonly day: Day; readonly tempo: number }[];
  /** Drills of it that went well. */
  readonly drilled: readonly SpotDrill[];
}
export const NEVER_MET: Standing = { meetings: [], clean: [], drilled: [] };

/** Standings by `spotKey`. */
export type Standings = ReadonlyMap<string, Standing>;

/** One more day in a list by days, merged with what the day has already; a day that is entered late finds its place. */
const withDay = <Of extends { readonly day: Day }>(
  all: readonly Of[],
  added: Of,
  merge: (there: Of, added: Of) => Of,
): readonly Of[] => {
  const place = all.findLastIndex(({ day }) => day <= added.day);
  const there = all[place];
  return there?.day === added.day ? all.with(place, merge(there, added)) : all.toSpliced(place + 1, 0, added);
};

const after = (standing: Standing, { day: text, work, tempo, outcome }: LogEntry): Standing => {
  if (work.kind !== 'spot' || outcome === null) return standing;
  const isClean = outcome === 'clean';
  if (work.drill !== null)
    return isClean && !standing.drilled.includes(work.drill)
      ? { ...standing, drilled: [...standing.drilled, work.drill] }
      : standing;
  const day = readDay(text)!;
  return {
    ...standing,
    meetings: withDay(standing.meetings, { day, isClean }, (a, b) => ({
      day,
      isClean: a.isClean || b.isClean,
    })),
    clean:
      isClean && tempo !== null
        ? withDay(standing.clean, { day, tempo }, (a, b) => ({ day, tempo: Math.max(a.tempo, b.tempo) }))
        : standing.clean,
  };
};

/** Standings after more entries, in whatever order of days they come. Corrected entries are not among them. */
export const standingsAfter = (before: Standings, entries: readonly LogEntry[]): Standings => {
  const standings = new Map(before);
  for (const entry of entries) {
    if (entry.work.kind !== 'spot') continue;
    const key = spotKey(entry.work.goal, entry.work.spot);
    standings.set(key, after(standings.get(key) ?? NEVER_MET, entry));
  }
  return standings;
};

/** The fastest that was ever clean; 0 before there was anything. */
export const bestOf = ({ clean }: Standing): number => Math.max(0, ...clean.map(({ tempo }) => tempo));

/** The place on a ladder, whatever ladder it was when it was climbed. */
export const placeOn = ({ rungs }: Ladder, standing: Standing): LadderPlace => {
  const best = bestOf(standing);
  return { ...AT_THE_FOOT, passed: rungs.findLastIndex((rung) => rung <= best) };
};

/** The first day on which a tempo was clean. */
export const reachedOn = ({ clean }: Standing, target: number): Day | undefined =>
  clean.find(({ tempo }) => tempo >= target)?.day;
