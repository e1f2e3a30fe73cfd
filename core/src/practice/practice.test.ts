import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { studyPlan } from '../testing/studies.ts';
import { calendarOf, type PracticeWish } from './calendar.ts';
import { day, dayText, later, readDay, weekdayOf } from './days.ts';
import { forecastOf, randomFrom, type TempoSeen } from './forecast.ts';
import { afterTry, AT_THE_FOOT, isReached, ladderFor, onNewDay, tempoAt, type Outcome } from './ladder.ts';
import { dueAfter, intervalAfter } from './meetings.ts';
import { breaksIn, sessionOf, SPOT_MINUTES } from './session.ts';
import { spotsOf } from './spots.ts';

describe('the ladder', () => {
  it('rises by six in a hundred from a slow tempo to the target, as counted by hand', () => {
    // 60 · 1.06 = 63.6 → 64 · 1.06 = 67.84 → 68 · 1.06 = 72.08 → 72 · 1.06 = 76.32 → 76, then the target; 80 · 1.05 = 84.
    expect(ladderFor({ target: 80, comfortable: 120 })).toEqual({
      rungs: [60, 64, 68, 72, 76, 80],
      reserve: 84,
    });
    // 0.6 · 50 = 30; by two at least: 30 · 1.06 = 31.8 → 32, 34 (33.92), 36 (36.04), 38, 40, 42 …
    expect(ladderFor({ target: 40, comfortable: 50 }).rungs).toEqual([30, 32, 34, 36, 38, 40]);
    // Never below three tenths of the target.
    expect(ladderFor({ target: 120, comfortable: 20 }).rungs[0]).toBe(36);
    // More than four notes to the beat: the beat is halved.
    expect(ladderFor({ target: 60, notesToBeat: 8 }).rungs[0]).toBe(30);
    expect(ladderFor({ target: 50, comfortable: 400 }).rungs).toEqual([50]);
  });

  it('is climbed with three clean ones, and two failures lead two rungs down', () => {
    const ladder = ladderFor({ target: 80, comfortable: 120 });
    const go = (outcomes: readonly Outcome[], from = AT_THE_FOOT) =>
      outcomes.reduce((place, outcome) => afterTry(ladder, place, outcome), from);
    expect(go(['clean', 'clean'])).toMatchObject({ rung: 0, clean: 2, passed: -1 });
    expect(go(['clean', 'clean', 'clean'])).toEqual({ rung: 1, clean: 0, failed: 0, passed: 0 });
    expect(go(['clean', 'clean', 'nearly', 'clean', 'clean'])).toMatchObject({ rung: 0, clean: 2 });
    const third = { ...AT_THE_FOOT, rung: 3, passed: 2 };
    expect(go(['not-yet'], third)).toMatchObject({ rung: 3, failed: 1 });
    expect(go(['not-yet', 'clean', 'not-yet'], third)).toMatchObject({ rung: 1, failed: 0, passed: 2 });
    expect(onNewDay({ ...AT_THE_FOOT, rung: 5, passed: 4 })).toMatchObject({ rung: 2, passed: 4 });
    expect(onNewDay(AT_THE_FOOT).rung).toBe(0);
    const top = go(Array.from({ length: 3 * 6 }, () => 'clean' as const));
    expect(isReached(ladder, top)).toBe(true);
    expect(tempoAt(ladder, top.rung)).toBe(84);
  });

  it('always rises and ends at its target', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 20, max: 300 }),
        fc.integer({ min: 5, max: 600 }),
        (target, comfortable) => {
          const { rungs, reserve } = ladderFor({ target, comfortable });
          expect(rungs.at(-1)).toBe(target);
          expect(reserve).toBeGreaterThanOrEqual(target);
          rungs.forEach((rung, index) => index > 0 && expect(rung).toBeGreaterThan(rungs[index - 1]!));
          expect(rungs[0]).toBeGreaterThanOrEqual(Math.round(0.3 * target) - 1);
        },
      ),
    );
  });
});

describe('meetings', () => {
  it('come after 1, 1, 2, 4, 7, 14 days while all goes well, and the next day after a failure', () => {
    expect([1, 2, 3, 4, 5, 6, 7].map(intervalAfter)).toEqual([1, 1, 2, 4, 7, 14, 14]);
    const today = day(100);
    expect(dueAfter([], today)).toBe(100);
    const clean = (at: number) => ({ day: day(at), isClean: true });
    expect(dueAfter([clean(90), clean(91), clean(92)], today)).toBe(94);
    // While it climbs no longer than two days; from the day of its target on 1, 1, 2, 4 …
    const six = [90, 91, 92, 94, 96, 98].map(clean);
    expect(dueAfter(six, today)).toBe(100);
    expect(dueAfter(six, today, day(90))).toBe(112);
    expect(dueAfter(six, today, day(94))).toBe(100);
    expect(dueAfter([clean(90), clean(91), { day: day(92), isClean: false }], today)).toBe(93);
    expect(dueAfter([{ day: day(91), isClean: false }, clean(92)], today)).toBe(93);
  });
});

describe('days', () => {
  it('are those of the calendar', () => {
    expect(dayText(day(0))).toBe('1970-01-01');
    const today = readDay('2026-11-26')!;
    expect(weekdayOf(today)).toBe(4);
    expect(dayText(later(today, 5))).toBe('2026-12-01');
    for (const text of ['2026-02-30', '26-11-2026', '2026-13-01', '']) expect(readDay(text)).toBeUndefined();
    fc.assert(
      fc.property(fc.integer({ min: -20_000, max: 60_000 }), (number) => {
        expect(readDay(dayText(day(number)))).toBe(number);
        // Checked against the calendar of the language.
        expect(weekdayOf(day(number)) % 7).toBe(new Date(number * 86_400_000).getUTCDay());
      }),
    );
  });
});

describe('a session', () => {
  it('is laid out as counted by hand', () => {
    // Thirty minutes have no break in them (25 of practice, then five that are left): 4.5 → 5 of warm-up, 13.5 → 14 for spots.
    const parts = sessionOf(29, ['a', 'b']);
    expect(parts).toEqual([
      { kind: 'warm-up', minutes: 4 },
      { kind: 'spot', spot: 'a', minutes: 7 },
      { kind: 'spot', spot: 'b', minutes: 6 },
      { kind: 'pieces', minutes: 8 },
      { kind: 'again', spot: 'a', minutes: 4 },
    ]);
    expect([24, 30, 31, 60, 61, 90, 91].map(breaksIn)).toEqual([0, 0, 1, 1, 2, 2, 3]);
  });

  it('asks for exactly the minutes there are, and no spot for fewer than three or more than seven at a time', () => {
    // Every one of them: of 5040 a single one had lost a break.
    for (let minutes = 1; minutes <= 240; minutes += 1)
      for (let count = 0; count <= 20; count += 1) {
        const due = Array.from({ length: count }, (_, index) => index);
        const parts = sessionOf(minutes, due);
        expect(parts.reduce((sum, part) => sum + part.minutes, 0)).toBe(minutes);
        for (const part of parts) expect(part.minutes).toBeGreaterThan(0);
        const inAll = new Map<number, number>();
        for (const part of parts)
          if (part.kind === 'spot') inAll.set(part.spot, (inAll.get(part.spot) ?? 0) + part.minutes);
        for (const each of inAll.values()) {
          expect(each).toBeGreaterThanOrEqual(Math.min(SPOT_MINUTES.least, minutes));
          expect(each).toBeLessThanOrEqual(SPOT_MINUTES.most);
        }
        // The hardest first, and again at the end.
        const spots = parts.flatMap((part) => ('spot' in part ? [part.spot] : []));
        if (minutes >= 15 && count > 0) expect([spots[0], spots.at(-1)]).toEqual([0, 0]);
      }
  });

  it('never goes on for much more than half an hour without a break', () => {
    for (let minutes = 1; minutes <= 180; minutes += 1) {
      let since = 0;
      for (const part of sessionOf(minutes, ['a', 'b', 'c', 'd', 'e', 'f'])) {
        since = part.kind === 'break' ? 0 : since + part.minutes;
        // What is left after the last break of a day, and the few minutes by which a break may come early.
        expect(since).toBeLessThanOrEqual(33);
      }
    }
  });
});

describe('spots', () => {
  it('lie across the bar line, from an easy note before to the first one after', () => {
    for (const study of ['low-meadow-dance', 'one-thread', 'moth-hour', 'stairs-of-glass']) {
      const plan = studyPlan(study);
      const spots = spotsOf(plan);
      expect(spots.length).toBeGreaterThan(0);
      for (const { start, end, from, to, effort, comfortable } of spots) {
        expect(start).toBeLessThan(end);
        expect(to - from).toBeLessThanOrEqual(4);
        expect(plan.score.notes.some(({ onset }) => onset === start)).toBe(true);
        expect(plan.score.notes.some(({ onset }) => onset === end)).toBe(true);
        expect(comfortable! * effort).toBeCloseTo(plan.score.tempi[0]!.quartersPerMinute, 6);
      }
      expect(new Set(spots.map(({ id }) => id)).size).toBe(spots.length);
    }
  });

  it('are more in the hands of a beginner, and never none in a piece with something to do', () => {
    const plan = studyPlan('salt-lanterns');
    const hard = (level: 'beginner' | 'advanced') =>
      Math.max(...spotsOf(plan, level).map(({ effort }) => effort));
    expect(hard('beginner')).toBeGreaterThan(hard('advanced'));
  });
});

const MONDAY = readDay('2026-11-30')!;
const wish = (change: Partial<PracticeWish> = {}): PracticeWish => ({
  from: MONDAY,
  goals: [{ piece: 'A', until: later(MONDAY, 20) }],
  spots: [1, 2, 3].map((number) => ({
    piece: 'A',
    spot: String(number),
    effort: number,
    ladder: { rungs: [60, 64, 68, 72], reserve: 76 },
  })),
  minutes: 30,
  weekdays: [1, 2, 3, 4, 5],
  days: 28,
  ...change,
});

describe('the calendar', () => {
  it('meets every spot, the hardest first, and is ready as counted by hand', () => {
    const { days, goals } = calendarOf(wish());
    // Room for four spots a day: all three are met on Monday, Tuesday, Wednesday, then after two days: Friday.
    const met = (index: number) =>
      days[index]!.parts.flatMap((part) =>
        part.kind === 'spot' ? [`${part.spot.spot}@${part.spot.tempo}`] : [],
      );
    expect(met(0)).toEqual(['3@60', '2@60', '1@60']);
    expect(met(1)).toEqual(['3@64', '2@64', '1@64']);
    expect(met(2)).toEqual(['3@68', '2@68', '1@68']);
    expect(met(3)).toEqual([]);
    expect(met(4)).toEqual(['3@72', '2@72', '1@72']);
    expect(goals).toEqual([{ piece: 'A', until: later(MONDAY, 20), ready: later(MONDAY, 4), moves: false }]);
    expect(days.every(({ day: each }) => weekdayOf(each) <= 5)).toBe(true);
  });

  it('meets a spot before it is due when its goal is near, and says which goal moves', () => {
    const near = calendarOf(wish({ goals: [{ piece: 'A', until: later(MONDAY, 3) }] }));
    expect(near.goals[0]).toMatchObject({ ready: later(MONDAY, 3), moves: false });
    expect(near.days[3]!.parts.some((part) => part.kind === 'spot' && part.spot.why === 'goal-near')).toBe(
      true,
    );
    const tooNear = calendarOf(wish({ goals: [{ piece: 'A', until: later(MONDAY, 1) }] }));
    expect(tooNear.goals[0]).toMatchObject({ moves: true });
    expect(calendarOf(wish({ days: 2 })).goals[0]).toMatchObject({ ready: undefined, moves: true });
  });

  it('lets a spot rest, and meets one that failed the next day of practice', () => {
    const [first, ...others] = wish().spots;
    const rested = calendarOf(wish({ spots: [{ ...first!, restsUntil: later(MONDAY, 2) }, ...others] }));
    const daysOf = (spot: string, calendar: typeof rested) =>
      calendar.days.flatMap(({ day: each, parts }) =>
        parts.some((part) => part.kind === 'spot' && part.spot.spot === spot) ? [each - MONDAY] : [],
      );
    expect(daysOf('1', rested)[0]).toBe(2);
    const failed = [{ day: later(MONDAY, -3), isClean: false }];
    expect(daysOf('1', calendarOf(wish({ spots: [{ ...first!, meetings: failed }, ...others] })))[0]).toBe(0);
  });

  it('never asks for more minutes than there are, and leaves no spot out for ever', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 90 }),
        fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1, maxLength: 7 }),
        fc.integer({ min: 1, max: 24 }),
        fc.integer({ min: 0, max: 80 }),
        (minutes, weekdays, count, until) => {
          const spots = Array.from({ length: count }, (_, number) => ({
            piece: number % 2 === 0 ? 'A' : 'B',
            spot: String(number),
            effort: number,
            ladder: ladderFor({ target: 60 + number, comfortable: 70 }),
          }));
          const { days } = calendarOf(
            wish({
              minutes,
              weekdays,
              spots,
              days: 90,
              goals: [{ piece: 'A', until: later(MONDAY, until) }],
            }),
          );
          const met = new Set<string>();
          for (const { parts } of days) {
            expect(parts.reduce((sum, part) => sum + part.minutes, 0)).toBe(minutes);
            for (const part of parts) if (part.kind === 'spot') met.add(part.spot.spot);
          }
          expect(days.length).toBeGreaterThanOrEqual(12);
          // One a day at least: what every spot needs to reach its target, with room to spare.
          const needed = spots.reduce((sum, { ladder }) => sum + ladder.rungs.length, 0);
          if (2 * needed <= days.length) expect(met.size).toBe(count);
          // What has a goal comes before what has none.
          else expect(met.size).toBeGreaterThanOrEqual(Math.min(Math.ceil(count / 2), days.length / 8));
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('the forecast', () => {
  const curve = (ceiling: number, start: number, tau: number, count: number, noise = (): number => 0) =>
    Array.from({ length: count }, (_, at): TempoSeen => ({
      day: at,
      tempo: (ceiling - (ceiling - start) * Math.exp(-at / tau)) * (1 + noise()),
    }));
  const truth = (ceiling: number, start: number, tau: number) =>
    tau * Math.log((ceiling - start) / (ceiling - 100));

  it('gives the day within one where there is no noise', () => {
    for (const ceiling of [104, 108, 115, 125])
      for (const start of [40, 60])
        for (const tau of [8, 15]) {
          const forecast = forecastOf(curve(ceiling, start, tau, 8), 100);
          const day = truth(ceiling, start, tau);
          expect(forecast.kind).toBe('on-its-way');
          if (forecast.kind === 'on-its-way') expect(Math.abs(forecast.day - day)).toBeLessThan(1);
        }
  });

  it('says that it is too early, reached, or out of reach', () => {
    expect(forecastOf(curve(110, 50, 10, 3), 100)).toEqual({ kind: 'too-early', days: 3, needed: 4 });
    expect(
      forecastOf(
        [
          { day: 0, tempo: 80 },
          { day: 2, tempo: 101 },
        ],
        100,
      ),
    ).toEqual({ kind: 'reached', day: 2 });
    const still = Array.from({ length: 8 }, (_, at) => ({ day: at, tempo: 60 }));
    expect(forecastOf(still, 100).kind).toBe('not-at-this-pace');
    const falling = Array.from({ length: 8 }, (_, at) => ({ day: at, tempo: 70 - at }));
    expect(forecastOf(falling, 100).kind).toBe('not-at-this-pace');
  });

  it('holds the true day in four of five made-up logs with noise, and is the same for the same log', () => {
    let inside = 0;
    let told = 0;
    for (let run = 1; run <= 150; run += 1) {
      const random = randomFrom(run);
      const gauss = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
      const [ceiling, start, tau] = [105 + 20 * random(), 40 + 25 * random(), 8 + 14 * random()];
      const seen = curve(ceiling, start, tau, 8, () => 0.05 * gauss());
      const forecast = forecastOf(seen, 100, run);
      if (forecast.kind !== 'on-its-way') continue;
      told += 1;
      const day = truth(ceiling, start, tau);
      if (day >= forecast.from && day <= forecast.until) inside += 1;
      if (run === 1) expect(forecastOf(seen, 100, run)).toEqual(forecast);
    }
    // 80 ± 7 % over 1000 runs is what `npm run evaluate` prints; of 150 a little more may go astray.
    expect(told).toBeGreaterThan(140);
    expect(inside / told).toBeGreaterThan(0.7);
    expect(inside / told).toBeLessThan(0.92);
  });
});
