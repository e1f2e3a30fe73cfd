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

/** A standing while entries are added to it: what each day brought. */
interface Tally {
  readonly days: Map<Day, { isClean: boolean; tempo: number | undefined }>;
  readonly drilled: Set<SpotDrill>;
}

const tallyOf = ({ meetings, clean, drilled }: Standing): Tally => {
  const days: Tally['days'] = new Map(
    meetings.map(({ day, isClean }) => [day, { isClean, tempo: undefined }]),
  );
  // A standing in short has clean days whose meetings are no longer among those it tells of.
  for (const { day, tempo } of clean) {
    const own = days.get(day);
    if (own) own.tempo = tempo;
    else days.set(day, { isClean: true, tempo });
  }
  return { days, drilled: new Set(drilled) };
};

const count = ({ days, drilled }: Tally, { day: text, work, tempo, outcome }: LogEntry): void => {
  if (work.kind !== 'spot' || outcome === null) return;
  const isClean = outcome === 'clean';
  if (work.drill !== null) {
    if (isClean) drilled.add(work.drill);
    return;
  }
  const day = readDay(text)!;
  const own = days.get(day) ?? { isClean: false, tempo: undefined };
  days.set(day, own);
  own.isClean ||= isClean;
  if (isClean && tempo !== null) own.tempo = Math.max(tempo, own.tempo ?? 0);
};

const standingOf = ({ days, drilled }: Tally): Standing => {
  const inOrder = [...days].sort(([a], [b]) => a - b);
  return {
    meetings: inOrder.map(([day, { isClean }]) => ({ day, isClean })),
    clean: inOrder.flatMap(([day, { tempo }]) => (tempo === undefined ? [] : [{ day, tempo }])),
    drilled: [...drilled],
  };
};

/** Standings after more entries, in whatever order of days they come. Corrected entries are not among them. */
export const standingsAfter = (before: Standings, entries: readonly LogEntry[]): Standings => {
  const tallies = new Map<string, Tally>();
  for (const entry of entries) {
    if (entry.work.kind !== 'spot') continue;
    const key = spotKey(entry.work.goal, entry.work.spot);
    const tally = tallies.get(key) ?? tallyOf(before.get(key) ?? NEVER_MET);
    tallies.set(key, tally);
    count(tally, entry);
  }
  return new Map([...before, ...[...tallies].map(([key, tally]) => [key, standingOf(tally)] as const)]);
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

/** So many of the last meetings tell when a spot is due again. */
const MEETINGS_THAT_TELL = 10;

/**
 * As much of a standing as what comes next hangs on: its last meetings, and the days on which it was faster than ever. Who
 * practises for years need not carry all of it about.
 */
export const inShort = (standing: Standing): Standing => {
  const records: { day: Day; tempo: number }[] = [];
  for (const each of standing.clean) if (each.tempo > (records.at(-1)?.tempo ?? 0)) records.push(each);
  return { ...standing, meetings: standing.meetings.slice(-MEETINGS_THAT_TELL), clean: records };
};

export const allInShort = (standings: Standings): Standings =>
  new Map([...standings].map(([key, standing]) => [key, inShort(standing)]));
