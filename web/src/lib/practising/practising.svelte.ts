import {
  dayByClock,
  doneSteps,
  isRestful,
  later,
  readDay,
  placeOn,
  restsAfter,
  spotKey,
  standingsAfter,
  dayText,
  todaysSession,
  weekdayOf,
  workKey,
  workOf,
  type Day,
  type Ladder,
  type LogEntry,
  type SessionStep,
} from '@oculon/core';
import type { OpenedCourse } from '../practice/course-content.ts';
import { courseFrom, namedGoals } from '../practice/course-of.ts';
import { browserEntries, EntryQueue, sendTo, type KeptEntry } from './entry-queue.ts';
import { keepDay, keptDay } from './kept-day.ts';
import { wholeLog } from './whole-log.ts';

/** A student's practice in one page: what is to be done today, and what was logged, here or elsewhere. */
export class Practising {
  readonly #opened: () => OpenedCourse;
  #kept = $state.raw<readonly KeptEntry[]>([]);
  /** The link opens nothing any more: what was logged stays in the browser. */
  isClosed = $state(false);
  today = $state<Day>(dayByClock(new Date()));
  /** What the browser kept is there. */
  isOpen = $state(false);
  /** The student wants a gentler day. */
  isGentle = $state(false);
  /** Steps that were gone past without an entry. */
  passed = $state.raw<readonly string[]>([]);
  readonly #queue: EntryQueue;

  constructor(opened: () => OpenedCourse, page: string) {
    this.#opened = opened;
    this.#queue = new EntryQueue(browserEntries(page), sendTo(page), (kept, isClosed) => {
      this.#kept = kept;
      this.isClosed = isClosed;
    });
  }

  readonly course = $derived.by(() => courseFrom(this.#opened().course));
  readonly named = $derived.by(() => namedGoals(this.#opened().course));
  readonly log = $derived.by(() => wholeLog(this.#opened().entries, this.#kept));
  readonly waiting = $derived.by(
    () => this.#kept.filter(({ isHeld, sentAt, refused }) => !isHeld && !sentAt && !refused).length,
  );
  readonly refused = $derived.by(() =>
    this.#kept.flatMap(({ refused }) => (refused === undefined ? [] : [refused])),
  );
  readonly todays = $derived.by(() => this.log.filter(({ day }) => day === dayText(this.today)));
  readonly rests = $derived.by(() =>
    restsAfter(this.log, (goal, spot) => this.spotOf(goal, spot)?.spot.kind),
  );
  readonly isRestful = $derived.by(() => isRestful(this.rests, this.today));
  /** How it stood when the day began. */
  readonly standings = $derived.by(() =>
    standingsAfter(
      this.#opened().before,
      this.log.filter(({ day }) => day < dayText(this.today)),
    ),
  );
  readonly session = $derived.by(() => {
    const { goals } = this.#opened().course;
    return todaysSession({
      course: this.course,
      progress: { standings: this.standings, rests: this.rests },
      today: this.today,
      played: this.#played(),
      drillsOf: (goal, spot) =>
        goals.find(({ id }) => id === goal)?.practised.spots.find((each) => each.spot.id === spot)?.drills ??
        [],
      isGentle: this.isGentle,
    });
  });
  readonly done = $derived.by(() => {
    const done = doneSteps(this.session.steps, this.todays);
    return done.map((isDone, place) => isDone || this.isPassed(place));
  });
  /** The first step that is open; undefined when all are done. */
  readonly next = $derived.by(() => {
    const step = this.done.indexOf(false);
    return step < 0 ? undefined : step;
  });
  /** When there is practice again. */
  readonly nextDay = $derived.by(() => {
    const { weekdays } = this.course;
    if (weekdays.length === 0) return undefined;
    for (let day = later(this.today, 1); ; day = later(day, 1))
      if (weekdays.includes(weekdayOf(day))) return day;
  });

  #played(): ReadonlyMap<string, Day> {
    const played = new Map<string, Day>();
    for (const { day, work } of this.log)
      if (work.kind === 'piece' && day < dayText(this.today)) played.set(work.goal, readDay(day)!);
    return played;
  }

  async open(): Promise<void> {
    this.turnDay();
    await this.#queue.open(this.#opened().asOf).finally(() => (this.isOpen = true));
  }

  /** A spot with its ladder. */
  spotOf(goal: string, spot: string) {
    return this.course.goals.find(({ id }) => id === goal)?.spots.find((each) => each.spot.id === spot);
  }
  ladderOf(goal: string, spot: string): Ladder | undefined {
    return this.spotOf(goal, spot)?.ladder;
  }

  /** Another day may have begun while the page was open. */
  turnDay(): void {
    this.today = dayByClock(new Date());
    const kept = keptDay(this.today);
    this.passed = kept.passed;
    this.isGentle = kept.isGentle;
  }

  flush(): Promise<void> {
    return this.#queue.flush();
  }

  /** A new entry for a step, as far as it is known before it begins; nothing for a break. */
  entryFor(step: SessionStep): LogEntry | undefined {
    const work = workOf(step);
    return (
      work && {
        id: crypto.randomUUID(),
        day: dayText(this.today),
        work,
        minutes: null,
        tempo: null,
        outcome: null,
        felt: null,
        pain: null,
        remark: '',
      }
    );
  }

  /** A step as what was done today leaves it: once more begins where the ladder was left. */
  asItStands(step: SessionStep): SessionStep {
    if (step.kind !== 'climb' || !step.again) return step;
    const today = standingsAfter(new Map(), this.todays).get(spotKey(step.goal, step.spot));
    const ladder = this.ladderOf(step.goal, step.spot);
    if (!today || !ladder) return step;
    return { ...step, rung: Math.max(step.rung, placeOn(ladder, today).passed) };
  }

  /** Keeps what is known of a step that is under way, should the page close. */
  hold(entry: LogEntry): Promise<void> {
    return this.#queue.write({ ...entry, corrects: null, withdrawn: false }, true);
  }
  keep(entry: LogEntry): Promise<void> {
    return this.#queue.write({ ...entry, corrects: null, withdrawn: false }, false);
  }
  /** Keeps a step that was left, if anything was done in it. */
  settle({ id }: LogEntry): Promise<void> {
    const held = this.#kept.find(({ entry }) => entry.id === id);
    return held ? this.#queue.write(held.entry, false) : Promise.resolve();
  }
  drop(entry: LogEntry): Promise<void> {
    return this.#queue.drop(entry.id);
  }
  correct(entry: LogEntry, withdrawn = false): Promise<void> {
    return this.#queue.write({ ...entry, id: crypto.randomUUID(), corrects: entry.id, withdrawn }, false);
  }

  /** Tells a step from all others of the day, also when the session changes round it. */
  #nameOf(place: number): string {
    const nameOf = (step: SessionStep): string => {
      const work = workOf(step);
      return work ? workKey(work) : step.kind;
    };
    const { steps } = this.session;
    const name = nameOf(steps[place]!);
    return `${name} ${steps.slice(0, place).filter((step) => nameOf(step) === name).length}`;
  }
  isPassed(place: number): boolean {
    return this.passed.includes(this.#nameOf(place));
  }
  pass(place: number): void {
    this.passed = [...this.passed, this.#nameOf(place)];
    keepDay(this.today, { passed: this.passed, isGentle: this.isGentle });
  }
  setGentle(isGentle: boolean): void {
    // Another session: what was gone past in the one before says nothing about it.
    [this.isGentle, this.passed] = [isGentle, []];
    keepDay(this.today, { passed: [], isGentle });
  }
}
