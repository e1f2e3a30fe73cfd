import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planPiece, setupFor } from '../plan/plan.ts';
import { decide, exampleScore, planVoices, rightHand } from '../testing/planning.ts';
import { RIGHT_COSTS, type RightSchool } from './costs.ts';
import type { PluckEvent } from './events.ts';
import { bestPlucks, searchPlucks } from './search.ts';
import { afterEvent, approachTo, FREE_RIGHT_HAND, moveCost, placeCost, type RightState } from './step.ts';

// Each example: common practice, no published source (handbook §4).
describe('the right hand, as players use it', () => {
  it('the thumb takes the bass, i m a take ③ ② ① of an arpeggio', () => {
    const plan = planVoices(['-/8 G3/8 B3/8 E4/8', 'E2/2']);
    expect(rightHand(plan)).toBe('pima');
  });

  it('a chord takes p on its lowest note and rises with the strings', () => {
    expect(rightHand(planVoices(['A2+A3+C4+E4/1']))).toBe('pima');
  });

  it('a fast line alternates: no finger plays twice running', () => {
    const letters = rightHand(planVoices(['E4/16 F4/16 G4/16 A4/16 G4/16 F4/16 E4/16 F4/16 G4/4']));
    expect(letters).not.toMatch(/(.)\1/);
    expect(letters).toMatch(/^[ima]+$/);
  });

  it('i on ② then m on ① is chosen rather than m then i', () => {
    expect(rightHand(planVoices(['D4/16 G4/16 D4/16 G4/16 D4/16 G4/16 D4/16 G4/16']))).toMatch(
      /^(im|ma|ia)+$/,
    );
  });

  it('tremolo falls from a to i after the thumb', () => {
    const letters = rightHand(planVoices(['-/32 E4/32 E4/32 E4/32 -/32 E4/32 E4/32 E4/32', 'A2/8 E3/8']));
    expect(letters).toBe('pamipami');
  });

  it('strict i–m uses nothing else in a line', () => {
    const score = exampleScore({ voices: ['C4/16 D4/16 E4/16 F4/16 G4/16 A4/16 G4/16 F4/16'], tempo: 90 });
    const plan = planPiece(score, undefined, { ...setupFor(score), right: 'strict-im' });
    expect(rightHand(plan)).toMatch(/^(im)+$|^(mi)+$/);
  });

  it('tied notes and strums of five notes and more take no single pluck', () => {
    const plan = planVoices(['E4/2~ | E4/2', 'E2/2 | E2/2'].map((voice) => voice));
    expect(plan.notes.filter((note) => note.tied).every((note) => note.pluck === undefined)).toBe(true);
    expect(rightHand(planVoices(['E2+B2+E3+G3+B3+E4/1']))).toBe('------');
  });

  it('a decided finger holds, and an impossible one is reported', () => {
    const score = exampleScore({ voices: ['A3+C4+E4/2 G4/2', 'A2/1'] });
    const held = planPiece(score, decide(score, ['G4', 0, { pluck: 'i' }]));
    expect(rightHand(held).at(-1)).toBe('i');
    const impossible = planPiece(score, decide(score, ['A2', 0, { pluck: 'a' }]));
    expect(impossible.findings.map((finding) => finding.code)).toContain('pluck-lock-not-kept');
  });
});

const choices = (count: number, from = 0): number[][] =>
  count === 0
    ? [[]]
    : [0, 1, 2, 3]
        .filter((rank) => rank >= from)
        .flatMap((rank) => choices(count - 1, rank + 1).map((rest) => [rank, ...rest]));

const event: fc.Arbitrary<PluckEvent> = fc
  .record({
    strings: fc.uniqueArray(fc.integer({ min: 1, max: 6 }), { minLength: 1, maxLength: 3 }),
    secondsBefore: fc.constantFrom(0.1, 0.2, 0.35, 0.8),
    voice: fc.constantFrom('bass' as const, 'melody' as const, 'only' as const),
    isRepeated: fc.boolean(),
    load: fc.constantFrom(1, 1.5, 2),
  })
  .map(({ strings, secondsBefore, voice, isRepeated, load }) => ({
    slice: 0,
    secondsBefore,
    load,
    brokenLocks: [],
    notes: strings.sort((a, b) => b - a).map((string, sound) => ({ sound, string, voice, isRepeated })),
    options: choices(strings.length),
  }));

const costOf = (
  events: readonly PluckEvent[],
  options: readonly (readonly number[])[],
  school: RightSchool,
): number => {
  let state: RightState = FREE_RIGHT_HAND;
  return events.reduce((total, each, index) => {
    const option = options[index]!;
    const cost =
      placeCost(RIGHT_COSTS, school, each, option) +
      moveCost(RIGHT_COSTS, approachTo(RIGHT_COSTS, school, events[index - 1], each), state, option);
    state = afterEvent(state, each, option);
    return total + cost;
  }, 0);
};

const plucks = (events: readonly PluckEvent[], school: RightSchool, window?: number) =>
  bestPlucks(searchPlucks(events, school, undefined, window));

const everyWay = (events: readonly PluckEvent[]): number[][][] =>
  events.reduce<number[][][]>(
    (ways, each) => ways.flatMap((way) => each.options.map((option) => [...way, [...option]])),
    [[]],
  );

describe('the search', () => {
  it('finds what trying every way finds', () => {
    fc.assert(
      fc.property(
        fc.array(event, { minLength: 1, maxLength: 5 }),
        fc.constantFrom<RightSchool>('free', 'strict-im'),
        (events, school) => {
          const least = Math.min(...everyWay(events).map((options) => costOf(events, options, school)));
          expect(costOf(events, plucks(events, school), school)).toBeCloseTo(least, 9);
        },
      ),
      { numRuns: 80 },
    );
  });

  it('leaves out nothing that could still win: with and without its window the cost is the same', () => {
    fc.assert(
      fc.property(fc.array(event, { minLength: 10, maxLength: 30 }), (events) => {
        const windowed = costOf(events, plucks(events, 'free'), 'free');
        expect(windowed).toBeCloseTo(costOf(events, plucks(events, 'free', Infinity), 'free'), 9);
      }),
      { numRuns: 30 },
    );
  });

  it('goes on from an earlier search to the same result as from the start', () => {
    fc.assert(
      fc.property(fc.array(event, { minLength: 6, maxLength: 20 }), event, fc.nat(), (events, other, at) => {
        const changed = events.with(at % events.length, other);
        const continued = bestPlucks(searchPlucks(changed, 'free', searchPlucks(events, 'free')));
        expect(costOf(changed, continued, 'free')).toBeCloseTo(
          costOf(changed, plucks(changed, 'free'), 'free'),
          9,
        );
      }),
    );
  });

  it('never puts one finger on two notes of a chord, and ranks rise with the strings', () => {
    fc.assert(
      fc.property(fc.array(event, { minLength: 1, maxLength: 12 }), (events) => {
        for (const option of plucks(events, 'free'))
          option.forEach((rank, index) => {
            if (index > 0) expect(rank).toBeGreaterThan(option[index - 1]!);
          });
      }),
    );
  });
});
