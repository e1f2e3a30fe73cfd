import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Course, CourseGoal, Progress, SpotWish } from './course.ts';
import { practiceDays } from './calendar.ts';
import { dayByClock, dayText, dayTextSchema, later, readDay, weekdayOf } from './days.ts';
import { ladderFor } from './ladder.ts';
import { spotKey, workKey, type LogEntry } from './log/entry.ts';
import { restsAfter } from './log/rest.ts';
import { standingsAfter } from './log/standing.ts';
import { DRILLS_FOR } from './spot-drills.ts';
import { SPOT_KINDS, type Spot } from './spots.ts';
import { daysAhead, doneSteps, todaysSession, workOf, type SessionAsked } from './todays-session.ts';

/** A Thursday. */
const TODAY = readDay('2026-11-26')!;
const uuid = (number: number): string => `00000000-0000-4000-8000-${String(number).padStart(12, '0')}`;
const LADDER = ladderFor({ target: 90 });
const goalWith = (
  number: number,
  kinds: readonly Spot['kind'][],
  change: Partial<CourseGoal> = {},
): CourseGoal => ({
  id: uuid(number),
  title: `Piece ${number}`,
  state: 'learning',
  until: later(TODAY, 60),
  spots: kinds.map((kind, place) => ({
    spot: {
      id: `${place + 1}-${place + 1}`,
      from: place,
      to: place,
      start: 0,
      end: 0,
      kind,
      effort: 1 + place / 10,
      comfortable: undefined,
      findings: [],
      returns: [],
    },
    ladder: LADDER,
  })),
  wishes: {},
  ...change,
});
const course = (goals: readonly CourseGoal[], change: Partial<Course> = {}): Course => ({
  minutes: 30,
  weekdays: [1, 2, 3, 4, 5],
  goals,
  ...change,
});
const NOTHING: Progress = { standings: new Map(), rests: new Map() };
const asked = (of: Course, change: Partial<SessionAsked> = {}): SessionAsked => ({
  course: of,
  progress: NOTHING,
  today: TODAY,
  played: new Map(),
  drillsOf: () => Object.values(DRILLS_FOR).flat(),
  isGentle: false,
  ...change,
});
let count = 0;
const entry = (goal: string, spot: string, days: number, change: Partial<LogEntry> = {}): LogEntry => ({
  id: uuid(1000 + (count += 1)),
  day: dayText(later(TODAY, days)),
  work: { kind: 'spot', goal, spot, drill: null },
  minutes: 5,
  tempo: LADDER.rungs[0]!,
  outcome: 'clean',
  felt: null,
  pain: null,
  remark: '',
  ...change,
});
const after = (entries: readonly LogEntry[]): Progress => ({
  standings: standingsAfter(new Map(), entries),
  rests: new Map(),
});

describe('today’s session', () => {
  it('begins with a warm-up, has a drill before each ladder, and ends with the hardest again', () => {
    const { steps, isPlanned } = todaysSession(
      asked(course([goalWith(1, ['shift', 'barre'])], { minutes: 25 })),
    );
    expect(isPlanned).toBe(true);
    expect(steps.map(({ kind }) => kind)).toEqual([
      'warm-up',
      'drill',
      'climb',
      'drill',
      'climb',
      'piece',
      'climb',
    ]);
    const [warmUp, drill, climb] = steps;
    // The barre is the harder one here; fingers that walk warm up for it.
    expect(warmUp).toMatchObject({ drill: 'finger-pairs' });
    expect(drill).toMatchObject({ spot: '2-2', drill: 'barre-alone', tempo: LADDER.rungs[0] });
    expect(climb).toMatchObject({ spot: '2-2', rung: 0, toward: 0, why: 'new', again: false });
    expect(steps.at(-1)).toMatchObject({ spot: '2-2', again: true });
    expect(steps.reduce((sum, { minutes }) => sum + minutes, 0)).toBe(25);
  });

  it('goes on to the next drill once one went well, and leaves drills out once all did', () => {
    const goal = goalWith(1, ['barre']);
    const drilled = (drills: readonly (typeof DRILLS_FOR)['barre'][number][]) =>
      after(
        drills.map((drill) =>
          entry(goal.id, '1-1', -2, { work: { kind: 'spot', goal: goal.id, spot: '1-1', drill } }),
        ),
      );
    const drillAfter = (progress: Progress) =>
      todaysSession(asked(course([goal]), { progress })).steps.find(({ kind }) => kind === 'drill');
    expect(drillAfter(drilled(['barre-alone']))).toMatchObject({ drill: 'shape-without-sound' });
    expect(drillAfter(drilled(DRILLS_FOR.barre))).toBeUndefined();
  });

  it('starts two rungs below what was passed and leads one rung up', () => {
    const goal = goalWith(1, ['shift']);
    const progress = after([entry(goal.id, '1-1', -1, { tempo: LADDER.rungs[4]! })]);
    const climb = todaysSession(asked(course([goal]), { progress })).steps.find(
      ({ kind }) => kind === 'climb',
    );
    expect(climb).toMatchObject({ rung: 2, toward: 5, why: 'due' });
  });

  it('is the same day after part of it was logged: what was done is ticked off, once each', () => {
    const goal = goalWith(1, ['shift', 'barre']);
    const { steps } = todaysSession(asked(course([goal], { minutes: 25 })));
    const today = [entry(goal.id, '2-2', 0), entry(goal.id, '1-1', 0)];
    const done = doneSteps(steps, today);
    // The hardest comes twice: one entry ticks off its first time.
    expect(steps.flatMap((step, place) => (done[place] && step.kind === 'climb' ? [step.spot] : []))).toEqual(
      ['2-2', '1-1'],
    );
    expect(doneSteps(steps, [...today, entry(goal.id, '2-2', 0)]).at(-1)).toBe(true);
  });

  it('lets what rests alone, and on a gentle day halves the time and climbs no higher', () => {
    const goal = goalWith(1, ['shift', 'barre']);
    const log = [
      entry(goal.id, '1-1', -4, { tempo: LADDER.rungs[3]! }),
      entry(goal.id, '2-2', -1, { pain: 'left-thumb' }),
    ];
    const rests = restsAfter(log, (_, spot) => goal.spots.find((each) => each.spot.id === spot)?.spot.kind);
    const progress = { ...after(log), rests };
    const usual = todaysSession(asked(course([goal]), { progress })).steps;
    expect(usual.flatMap((step) => ('spot' in step ? [step.spot] : []))).not.toContain('2-2');
    const gentle = todaysSession(asked(course([goal]), { progress, isGentle: true })).steps;
    expect(gentle.reduce((sum, { minutes }) => sum + minutes, 0)).toBe(15);
    const climb = gentle.find((step) => step.kind === 'climb');
    expect(climb).toMatchObject({ spot: '1-1', toward: 3 });
  });

  it('gives pieces their turn, and takes a warm-up that the teacher chose', () => {
    const goals = [
      goalWith(1, []),
      goalWith(2, []),
      goalWith(3, [], { state: 'warm-up' }),
      goalWith(4, ['barre'], { state: 'resting' }),
    ];
    const of = course(goals);
    const played = new Map([[uuid(1), later(TODAY, -1)]]);
    const { steps } = todaysSession(asked(of, { played }));
    expect(steps[0]).toMatchObject({ kind: 'warm-up', goal: uuid(3), drill: undefined });
    expect(steps.find(({ kind }) => kind === 'piece')).toMatchObject({ goal: uuid(2) });
    expect(steps.some((step) => 'goal' in step && step.goal === uuid(4))).toBe(false);
  });

  it('can be had on a day off, and says so', () => {
    const { steps, isPlanned } = todaysSession(asked(course([goalWith(1, ['shift'])], { weekdays: [7] })));
    expect(isPlanned).toBe(false);
    expect(steps.length).toBeGreaterThan(0);
  });

  it('takes exactly the minutes there are, and names only what there is', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 180 }),
        fc.array(fc.array(fc.constantFrom(...SPOT_KINDS), { maxLength: 8 }), { minLength: 1, maxLength: 4 }),
        (minutes, kinds) => {
          const goals = kinds.map((each, number) => goalWith(number + 1, each));
          const { steps } = todaysSession(asked(course(goals, { minutes })));
          expect(steps.reduce((sum, step) => sum + step.minutes, 0)).toBe(minutes);
          const known = new Set(
            goals.flatMap(({ id, spots }) => spots.map(({ spot }) => spotKey(id, spot.id))),
          );
          for (const step of steps) {
            expect(step.minutes).toBeGreaterThan(0);
            if ('spot' in step) expect(known).toContain(spotKey(step.goal, step.spot));
            const work = workOf(step);
            expect(work === undefined).toBe(step.kind === 'break');
            if (work) expect(workKey(work)).not.toBe('');
          }
        },
      ),
    );
  });
});

describe('what the teacher wants of a spot', () => {
  const meetings = (wish: SpotWish, days = 14) => {
    const goal = goalWith(1, ['shift', 'barre', 'slur', 'stretch'], { wishes: { '3-3': wish } });
    return daysAhead(course([goal], { minutes: 20 }), NOTHING, TODAY, days).days.map(({ day, parts }) => ({
      day,
      spots: parts.flatMap((part) => (part.kind === 'spot' ? [part.spot] : [])),
    }));
  };

  it('every day: it is met on every day of practice, before all others', () => {
    for (const { spots } of meetings({ kind: 'every-day' }))
      expect(spots.find(({ spot }) => spot === '3-3')).toMatchObject({ why: 'pinned' });
  });

  it('on a day: not before it, on the next day of practice at the latest, and then as its turn comes', () => {
    const saturday = later(TODAY, 2);
    expect(weekdayOf(saturday)).toBe(6);
    const met = meetings({ kind: 'on-day', day: dayText(saturday) })
      .filter(({ spots }) => spots.some(({ spot }) => spot === '3-3'))
      .map(({ day }) => day);
    // No practice on Saturday and Sunday: Monday it is.
    expect(met[0]).toBe(later(TODAY, 4));
    expect(met.length).toBeGreaterThan(2);
  });

  it('not at all: it is left out, and its piece can be ready without it', () => {
    const without = meetings({ kind: 'left-out' }, 60);
    expect(without.flatMap(({ spots }) => spots.map(({ spot }) => spot))).not.toContain('3-3');
  });
});

describe('the plan follows the log', () => {
  const goal = goalWith(1, ['shift']);
  const ahead = (log: readonly LogEntry[]) =>
    daysAhead(course([goal], { weekdays: [1, 2, 3, 4, 5, 6, 7] }), after(log), TODAY, 40);
  const nextMeeting = (log: readonly LogEntry[], spot: string) =>
    ahead(log)
      .days.flatMap(({ day, parts }) =>
        parts.flatMap((part) =>
          part.kind === 'spot' && part.spot.spot === spot ? [{ day, ...part.spot }] : [],
        ),
      )
      .at(0)!;

  it('after a failure the next meeting is within a day, on the same rung', () => {
    const clean = [entry(goal.id, '1-1', -3, { tempo: LADDER.rungs[3]! })];
    const failed = [...clean, entry(goal.id, '1-1', -1, { tempo: LADDER.rungs[4]!, outcome: 'not-yet' })];
    expect(nextMeeting(clean, '1-1')).toMatchObject({ rung: 4 });
    expect(nextMeeting(failed, '1-1')).toMatchObject({ day: TODAY, rung: 4 });
  });

  it('a correction counts, and what it corrects does not', () => {
    const wrong = entry(goal.id, '1-1', -1, { tempo: LADDER.rungs.at(-1)! });
    const right = { ...wrong, tempo: LADDER.rungs[1]! };
    expect(ahead([wrong]).goals[0]!.ready! < ahead([right]).goals[0]!.ready!).toBe(true);
    expect(nextMeeting([right], '1-1').rung).toBe(2);
  });

  it('a spot that has reached its tempo comes back ever more rarely', () => {
    const reached = [-9, -8, -6, -2].map((days) =>
      entry(goal.id, '1-1', days, { tempo: LADDER.rungs.at(-1)! }),
    );
    const met = nextMeeting(reached, '1-1');
    expect(met.why).toBe('kept-up');
    // Four meetings in a row that went well: four days from the last of them (1, 1, 2, 4, 7, 14).
    expect(met.day).toBeGreaterThanOrEqual(later(TODAY, 2));
  });
});

describe('days', () => {
  it('are those of the clock of whoever looks, late at night and early in the morning', () => {
    expect(dayText(dayByClock(new Date(2026, 10, 26, 23, 59, 59)))).toBe('2026-11-26');
    expect(dayText(dayByClock(new Date(2026, 10, 27, 0, 0, 1)))).toBe('2026-11-27');
    expect(dayText(dayByClock(new Date(2028, 1, 29, 12)))).toBe('2028-02-29');
  });

  it('are kept between two dates, and what is kept can be read', () => {
    fc.assert(
      fc.property(fc.integer({ min: 10_957, max: 84_000 }), (number) => {
        const text = dayText(later(TODAY, number - TODAY));
        expect(dayTextSchema.parse(text)).toBe(text);
        expect(readDay(text)).toBe(number);
      }),
    );
    for (const text of ['2026-02-30', '26-11-26', '1999-12-31', '2200-01-01', '9999-12-31', '0050-01-01'])
      expect(dayTextSchema.safeParse(text).success).toBe(false);
  });

  it('of practice are as many as one counts, however far away', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -3, max: 800 }),
        fc.subarray([1, 2, 3, 4, 5, 6, 7]),
        fc.nat(6),
        (span, weekdays, shift) => {
          const from = later(TODAY, shift);
          const all = Array.from({ length: Math.max(0, span + 1) }, (_, number) =>
            weekdayOf(later(from, number)),
          );
          expect(practiceDays(from, later(from, span), weekdays)).toBe(
            all.filter((weekday) => weekdays.includes(weekday)).length,
          );
        },
      ),
    );
  });
});
