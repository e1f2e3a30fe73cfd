import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { wordingIn } from '../../wording/languages.ts';
import { forecastText, meetingName, weekSummaryText, workName } from '../../wording/log-words.ts';
import type { Course, CourseGoal } from '../course.ts';
import { dayText, later, readDay, type Day } from '../days.ts';
import { ladderFor } from '../ladder.ts';
import type { Spot } from '../spots.ts';
import { logEntrySchema, type LogEntry } from './entry.ts';
import { isRestful, REST, restsAfter } from './rest.ts';
import { spotRecord, standsStill } from './spot-record.ts';
import { bestOf, inShort, placeOn, reachedOn, standingsAfter } from './standing.ts';
import { weekSummary } from './week-summary.ts';
import { mondayOf, weeksOf } from './weeks.ts';

// Invented logs: a Thursday, and a piece with two spots.
const FIRST = readDay('2026-11-26')!;
const GOAL = '0b7f3c1e-8a57-4c8e-9a51-0f6d4f1f6a01';
const uuid = (number: number): string => `00000000-0000-4000-8000-${String(number).padStart(12, '0')}`;
let count = 0;
const entry = (day: Day, change: Partial<LogEntry> = {}): LogEntry => ({
  id: uuid((count += 1)),
  day: dayText(day),
  work: { kind: 'spot', goal: GOAL, spot: '5-5', drill: null },
  minutes: 5,
  tempo: 60,
  outcome: 'clean',
  felt: null,
  pain: null,
  remark: '',
  ...change,
});
const on = (days: number, change: Partial<LogEntry> = {}) => entry(later(FIRST, days), change);
const LADDER = ladderFor({ target: 80 });
const spot = (id: string, kind: Spot['kind']): Spot => ({
  id,
  from: 4,
  to: 4,
  start: 0,
  end: 0,
  kind,
  effort: 1,
  comfortable: undefined,
  findings: [],
  returns: [],
});
const goal: CourseGoal = {
  id: GOAL,
  title: 'Moth Hour',
  state: 'learning',
  until: later(FIRST, 40),
  spots: [
    { spot: spot('5-5', 'shift'), ladder: LADDER },
    { spot: spot('9-9', 'barre'), ladder: LADDER },
  ],
  wishes: {},
};
const course: Course = { minutes: 30, weekdays: [1, 3, 5], goals: [goal] };
const standingOf = (entries: readonly LogEntry[]) =>
  standingsAfter(new Map(), entries).get(`spot ${GOAL} 5-5`)!;

describe('an entry of the log', () => {
  it('is refused when it is no day, no work or no tempo that can be', () => {
    expect(logEntrySchema.safeParse(on(0)).success).toBe(true);
    for (const wrong of [
      { day: '2026-02-30' },
      // Dates that a calendar has and nobody practised on: days between them and now are counted one by one.
      { day: '0050-01-01' },
      { day: '1850-01-01' },
      { day: '9999-12-31' },
      { day: 'yesterday' },
      { minutes: -1 },
      { minutes: 2.5 },
      { tempo: 0 },
      { remark: 'x'.repeat(501) },
      { work: { kind: 'spot', goal: 'mine', spot: '5-5', drill: null } },
      { work: { kind: 'spot', goal: GOAL, spot: '5-5', drill: 'sleeping' } },
    ])
      expect(logEntrySchema.safeParse({ ...on(0), ...wrong }).success, JSON.stringify(wrong)).toBe(false);
  });
});

describe('a standing', () => {
  it('counts one meeting a day, and the best clean tempo of it', () => {
    const standing = standingOf([
      on(0, { tempo: 48, outcome: 'not-yet' }),
      on(0, { tempo: 52 }),
      on(0, { tempo: 50 }),
      on(2, { tempo: 70, outcome: 'nearly' }),
    ]);
    expect(standing.meetings).toEqual([
      { day: FIRST, isClean: true },
      { day: later(FIRST, 2), isClean: false },
    ]);
    expect(standing.clean).toEqual([{ day: FIRST, tempo: 52 }]);
    // Only what was clean leads up: rungs to 80 begin at 60, so none is passed.
    expect(placeOn(LADDER, standing).passed).toBe(-1);
    expect(placeOn({ rungs: [48, 51, 54, 80], reserve: 84 }, standing).passed).toBe(1);
  });

  it('is the same in whatever order the days were entered', () => {
    const days = [
      on(0, { tempo: 50 }),
      on(1, { tempo: 60 }),
      on(3, { tempo: 80 }),
      on(5, { outcome: 'not-yet' }),
    ];
    const wanted = standingOf(days);
    fc.assert(
      fc.property(fc.shuffledSubarray(days, { minLength: days.length }), (mixed) => {
        expect(standingOf(mixed)).toEqual(wanted);
      }),
    );
    expect(reachedOn(wanted, 80)).toBe(later(FIRST, 3));
    expect(bestOf(wanted)).toBe(80);
  });

  it('tells in short what comes next hangs on: the same best, the same day of reaching, the same due day', () => {
    const meeting = fc.record({
      day: fc.integer({ min: 0, max: 60 }),
      tempo: fc.integer({ min: 40, max: 90 }),
      outcome: fc.constantFrom('clean' as const, 'nearly' as const, 'not-yet' as const),
    });
    fc.assert(
      fc.property(fc.array(meeting, { minLength: 1 }), (all) => {
        const whole = standingOf(all.map(({ day, ...change }) => on(day, change)));
        const short = inShort(whole);
        expect(bestOf(short)).toBe(bestOf(whole));
        for (const target of [50, 70, 80]) expect(reachedOn(short, target)).toBe(reachedOn(whole, target));
        expect(short.meetings.at(-1)).toEqual(whole.meetings.at(-1));
        // Entries that follow are added to either alike.
        const next = [on(61, { tempo: 84 })];
        const key = `spot ${GOAL} 5-5`;
        const [later1, later2] = [whole, short].map((standing) =>
          standingsAfter(new Map([[key, standing]]), next).get(key)!,
        );
        expect(bestOf(later2!)).toBe(bestOf(later1!));
        expect(later2!.meetings.at(-1)).toEqual(later1!.meetings.at(-1));
      }),
    );
  });

  it('keeps a drill apart from the ladder', () => {
    const standing = standingOf([
      on(0, { work: { kind: 'spot', goal: GOAL, spot: '5-5', drill: 'blocks' } }),
    ]);
    expect(standing).toEqual({ meetings: [], clean: [], drilled: ['blocks'] });
  });
});

describe('a spot stands still', () => {
  it('after three meetings without a new rung, and not before', () => {
    const climbing = [on(0, { tempo: 60 }), on(1, { tempo: 64 })];
    const stuck = [2, 3, 4].map((day) => on(day, { tempo: 68, outcome: 'nearly' }));
    expect(standsStill(LADDER, standingOf([...climbing, ...stuck.slice(0, 2)]))).toBe(false);
    expect(standsStill(LADDER, standingOf([...climbing, ...stuck]))).toBe(true);
    expect(standsStill(LADDER, standingOf([...climbing, ...stuck, on(5, { tempo: 68 })]))).toBe(false);
  });

  it('not once its target was reached', () => {
    const kept = [0, 1, 2, 3].map((day) => on(day, { tempo: 80 }));
    expect(standsStill(LADDER, standingOf(kept))).toBe(false);
    expect(spotRecord(LADDER, standingOf(kept)).forecast).toEqual({ kind: 'reached', day: FIRST });
  });
});

describe('the forecast of a spot', () => {
  it('lies on the calendar at the pace that was kept', () => {
    // Every other day a step nearer to the ceiling 96: 96 − 36 · e^(−d/8) reaches 80 at d = 8 · ln(36/16) ≈ 6.49.
    const days = Array.from({ length: 6 }, (_, number) =>
      on(2 * number, { tempo: 96 - 36 * Math.exp(-number / 8) }),
    );
    const { forecast } = spotRecord(LADDER, standingOf(days));
    if (forecast.kind !== 'on-its-way') throw new Error(forecast.kind);
    expect(Math.abs(forecast.day - later(FIRST, 13))).toBeLessThanOrEqual(2);
    expect(forecast.from).toBeLessThanOrEqual(forecast.day);
    expect(forecast.until).toBeGreaterThanOrEqual(forecast.day);
  });
});

describe('rest after pain', () => {
  const kindOf = (_: string, id: string) => goal.spots.find(({ spot: each }) => each.id === id)?.spot.kind;

  it('lasts two whole days at least, for what hurt and what asks for the same', () => {
    const rests = restsAfter([on(0, { pain: 'left-thumb' })], kindOf);
    // The spot is a change of position: it rests although a thumb does not always tell of one.
    expect(new Set(rests.keys())).toEqual(new Set(['barre', 'stretch', 'shift']));
    for (const until of rests.values()) expect(until).toBe(later(FIRST, REST.days + 1));
    expect([0, 1, 2, 3].map((days) => isRestful(rests, later(FIRST, days)))).toEqual([
      true,
      true,
      true,
      false,
    ]);
  });

  it('is not shortened by pain of before', () => {
    const rests = restsAfter([on(2, { pain: 'numbness' }), on(0, { pain: 'numbness' })], kindOf);
    expect(rests.get('barre')).toBe(later(FIRST, 2 + REST.days + 1));
  });
});

describe('weeks', () => {
  it('begin on Monday and leave none out', () => {
    expect(dayText(mondayOf(FIRST))).toBe('2026-11-23');
    const weeks = weeksOf([on(0), on(0, { minutes: null }), on(15, { minutes: 20 })], later(FIRST, 20));
    expect(weeks.map(({ monday, ...rest }) => ({ monday: dayText(monday), ...rest }))).toEqual([
      { monday: '2026-11-23', minutes: 5, days: 1 },
      { monday: '2026-11-30', minutes: 0, days: 0 },
      { monday: '2026-12-07', minutes: 20, days: 1 },
      { monday: '2026-12-14', minutes: 0, days: 0 },
    ]);
  });

  it('lose no minute, whatever was logged', () => {
    const logged = fc.array(
      fc.record({
        day: fc.integer({ min: 0, max: 60 }),
        minutes: fc.option(fc.integer({ min: 0, max: 90 })),
      }),
    );
    fc.assert(
      fc.property(logged, (all) => {
        const weeks = weeksOf(
          all.map(({ day, minutes }) => on(day, { minutes })),
          later(FIRST, 60),
        );
        const sum = (numbers: readonly number[]) => numbers.reduce((a, b) => a + b, 0);
        expect(sum(weeks.map(({ minutes }) => minutes))).toBe(sum(all.map(({ minutes }) => minutes ?? 0)));
        expect(sum(weeks.map(({ days }) => days))).toBe(new Set(all.map(({ day }) => day)).size);
      }),
    );
  });
});

describe('the summary of a week', () => {
  const log = [
    on(-3, { tempo: LADDER.rungs[0]! }),
    on(0, { tempo: LADDER.rungs[2]!, felt: 'hard', remark: 'the thumb creeps up' }),
    on(1, { work: { kind: 'piece', goal: GOAL }, minutes: 12, tempo: null, outcome: null, pain: 'forearm' }),
    on(8, { tempo: 80 }),
  ];
  const summary = weekSummary(course, log, FIRST, later(FIRST, 6));

  it('tells what happened in it and nothing else', () => {
    expect(summary).toMatchObject({
      minutes: 17,
      days: 2,
      // From Thursday to Wednesday: Friday, Monday, Wednesday.
      agreedDays: 3,
      climbed: [{ goal: GOAL, spot: '5-5', from: LADDER.rungs[0], to: LADDER.rungs[2], reached: false }],
      still: [],
      notMet: [{ goal: GOAL, spot: '9-9' }],
      pains: [{ day: later(FIRST, 1), pain: 'forearm' }],
      hard: [{ goal: GOAL, spot: '5-5' }],
    });
  });

  it.each(['en', 'es'] as const)('is told in words (%s), pain before anything else', (language) => {
    const named = [{ id: GOAL, title: 'Moth Hour', bars: { '5-5': '5', '9-9': '9–10' } }];
    const said = weekSummaryText(wordingIn(language), named, summary);
    expect(said).toMatchSnapshot();
    expect(said[0]).toMatch(language === 'en' ? /forearm/ : /antebrazo/);
    const gone = { kind: 'spot', goal: GOAL, spot: '77-77', drill: null } as const;
    expect(workName(wordingIn(language), named, gone)).toMatch(/no longer|ya no/);
  });
});

describe('words of the log', () => {
  const named = [{ id: GOAL, title: 'Moth Hour', bars: { '5-5': '5', '9-10': '9–10' } }];
  const meeting = (spot: string) => ({ piece: GOAL, spot, rung: 0, tempo: 59.6, why: 'due' as const });

  it.each([
    ['en', 'Moth Hour, bar 5 at 60', 'Moth Hour, bars 9–10 once more'],
    ['es', 'Moth Hour, compás 5 a 60', 'Moth Hour, compases 9–10 otra vez'],
  ] as const)('name a meeting in a calendar (%s)', (language, first, again) => {
    const wording = wordingIn(language);
    expect(meetingName(wording, named, 'spot', meeting('5-5'))).toBe(first);
    expect(meetingName(wording, named, 'again', meeting('9-10'))).toBe(again);
    expect(meetingName(wording, named, 'spot', meeting('77-77'))).toMatch(/no longer|ya no/);
  });

  it('tell a forecast by the days of the calendar', () => {
    const days = { day: FIRST, from: FIRST, until: later(FIRST, 9) };
    const told = (forecast: Parameters<typeof forecastText>[1]) => forecastText(wordingIn('en'), forecast);
    expect(told({ kind: 'reached', day: FIRST })).toBe('At its tempo since 26 Nov 2026.');
    expect(told({ kind: 'on-its-way', ...days })).toContain('between 26 Nov 2026 and 5 Dec 2026');
    expect(told({ kind: 'too-early', days: 1, needed: 4 })).toContain('1 clean day is known, 4 are needed');
    expect(told({ kind: 'not-at-this-pace' })).toMatch(/^Not at this pace/);
  });
});
