import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { OUTCOMES, type Ladder } from '@oculon/core';
import type { LoggedEntry } from '../practice/course-content.ts';
import { climbFrom, resultOf, tempoNow, tried } from './climb.ts';
import type { KeptEntry } from './entry-queue.ts';
import { wholeLog } from './whole-log.ts';

const LADDER: Ladder = { rungs: [60, 64, 68, 72, 76, 81, 86, 91, 96, 100], reserve: 105 };
const climbed = (rung: number, tries: readonly (typeof OUTCOMES)[number][]) =>
  tries.reduce(tried, climbFrom(LADDER, rung));

describe('a ladder in one meeting', () => {
  it('leads up after three clean tries, and logs the fastest rung that was passed', () => {
    const climb = climbed(2, ['clean', 'clean', 'clean', 'clean']);
    expect(tempoNow(climb)).toBe(LADDER.rungs[3]);
    expect(resultOf(climb)).toEqual({ tempo: LADDER.rungs[2], outcome: 'clean' });
  });

  it('leads two rungs down after two failures, and what was passed before stays passed', () => {
    const climb = climbed(3, ['clean', 'clean', 'clean', 'not-yet', 'not-yet']);
    expect(tempoNow(climb)).toBe(LADDER.rungs[2]);
    expect(resultOf(climb)).toEqual({ tempo: LADDER.rungs[3], outcome: 'clean' });
  });

  it('logs how near it came where no rung was passed, and nothing without a try', () => {
    expect(resultOf(climbed(4, []))).toEqual({ tempo: null, outcome: null });
    expect(resultOf(climbed(4, ['clean', 'nearly']))).toEqual({ tempo: LADDER.rungs[4], outcome: 'nearly' });
    expect(resultOf(climbed(4, ['not-yet']))).toEqual({ tempo: LADDER.rungs[4], outcome: 'not-yet' });
  });

  it('never logs as clean what was not clean three times in a row', () => {
    fc.assert(
      fc.property(
        fc.nat(LADDER.rungs.length - 1),
        fc.array(fc.constantFrom(...OUTCOMES), { maxLength: 40 }),
        (rung, tries) => {
          const { tempo, outcome } = resultOf(climbed(rung, tries));
          const threeInARow = tries.join(' ').includes('clean clean clean');
          expect(outcome === 'clean').toBe(threeInARow);
          if (tempo !== null) expect([...LADDER.rungs, LADDER.reserve]).toContain(tempo);
        },
      ),
    );
  });
});

const logged = (id: string, day: string, minutes: number): LoggedEntry => ({
  id,
  day,
  work: { kind: 'warm-up' },
  minutes,
  tempo: null,
  outcome: null,
  felt: null,
  pain: null,
  remark: '',
  byTeacher: false,
  isCorrected: false,
});
let place = 0;
const kept = (
  { byTeacher: _b, isCorrected: _c, ...entry }: LoggedEntry,
  change: { readonly corrects?: string; readonly withdrawn?: boolean } = {},
): KeptEntry => ({
  entry: { ...entry, corrects: change.corrects ?? null, withdrawn: change.withdrawn ?? false },
  place: (place += 1),
  isHeld: false,
  sentAt: undefined,
  refused: undefined,
});
const minutes = (log: readonly LoggedEntry[]) => log.map((each) => each.minutes);

describe('the log as a student sees it', () => {
  const told = [logged('a', '2026-11-24', 1), logged('b', '2026-11-25', 2)];

  it('has what is not sent yet in its place, and nothing twice', () => {
    const log = wholeLog(told, [kept(logged('c', '2026-11-24', 3)), kept(logged('b', '2026-11-25', 9))]);
    expect(minutes(log)).toEqual([1, 3, 2]);
  });

  it('shows corrections of both, and leaves out what was withdrawn or refused', () => {
    const log = wholeLog(told, [
      kept(logged('c', '2026-11-26', 3)),
      kept(logged('x', '2026-11-26', 4), { corrects: 'c' }),
      kept(logged('y', '2026-11-24', 0), { corrects: 'a', withdrawn: true }),
      { ...kept(logged('d', '2026-11-26', 5)), refused: 'no' },
    ]);
    expect(log.map(({ id, minutes: of, isCorrected }) => [id, of, isCorrected])).toEqual([
      ['b', 2, false],
      ['c', 4, true],
    ]);
  });
});
