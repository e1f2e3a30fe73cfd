import { describe, expect, it } from 'vitest';
import type { PassageRule, PlantingKind, RuleId } from '../../fingering/rules.ts';
import { EMPTY_FINGERING } from '../../fingering/fingering.ts';
import { exampleScore } from '../../testing/planning.ts';
import { planPiece, setupFor } from '../../plan/plan.ts';
import { cellsOf } from '../events/cells.ts';
import { anchorsOf, plantingSteps } from './planting.ts';

const planted = (voices: readonly string[], how: PlantingKind) => {
  const score = exampleScore({ voices, tempo: 90 });
  const rules: readonly PassageRule[] = [
    { kind: 'planting', from: 0, to: 9, how },
    { kind: 'ringing', from: 0, to: 9, rings: false },
  ];
  const { left, right } = planPiece(
    score,
    { ...EMPTY_FINGERING, rules: new Map(rules.map((rule, index) => [`r${index}` as RuleId, rule])) },
    setupFor(score),
  );
  const { events, options } = right;
  return {
    left,
    right,
    steps: plantingSteps(cellsOf(score, events), events, options, left, rules),
    anchors: anchorsOf(events, options, left),
  };
};

const RISING = ['-/8 G3/8 B3/8 E4/8', 'E2/2'];
const FALLING = ['-/8 E4/8 B3/8 G3/8', 'E2/2'];

// Common practice, no published source (handbook §4, planting).
describe('planting', () => {
  it('full: in a rising pattern all fingers are set with the thumb', () => {
    const { steps } = planted(RISING, 'full');
    expect(steps[0]!.plants).toEqual([
      { finger: 'i', string: 3 },
      { finger: 'm', string: 2 },
      { finger: 'a', string: 1 },
    ]);
    expect(steps.slice(1).flatMap((step) => step.plants)).toEqual([]);
    expect(steps.slice(1).map((step) => step.releases)).toEqual([['i'], ['m'], ['a']]);
  });

  it('sequential: each finger is set as the one before it plays', () => {
    const { steps } = planted(FALLING, 'sequential');
    expect(steps.map((step) => step.plants.map(({ finger }) => finger).join())).toEqual(['a', 'm', 'i', '']);
  });

  it('as suits: rising cells at once, falling ones one by one', () => {
    expect(planted(RISING, 'suited').steps).toEqual(planted(RISING, 'full').steps);
    expect(planted(FALLING, 'suited').steps).toEqual(planted(FALLING, 'sequential').steps);
  });

  it('never on a string that must ring: the finger opens instead', () => {
    // G3 is written to last: i must not come back to ③ while it sounds.
    const { steps, right } = planted(['-/8 G3/4. -/8 B3/8 E4/8 G3/8', 'E2/1'], 'sequential');
    for (const { event, plants } of steps)
      for (const { string } of plants) {
        const sounding = right.events
          .slice(0, event + 1)
          .filter(({ notes }) => notes.some((note) => note.string === string));
        const last = sounding.at(-1);
        expect(last === undefined || last.onset < right.events[event]!.onset).toBe(true);
      }
  });

  it('is left out where nobody asks for it', () => {
    expect(planted(RISING, 'none').steps).toEqual([]);
  });
});

describe('anchors', () => {
  it('stand after a chord that lifts the hand, when there is time', () => {
    const { anchors, right } = planted(['E3+G3+B3+E4/4 -/4 G3/4 B3/4', 'E2/4 -/4 -/2'], 'none');
    expect(anchors).toHaveLength(1);
    expect(right.events[anchors[0]!.before]!.notes[0]!.string).toBe(anchors[0]!.string);
  });
  it('do not stand where the next entry comes at once', () => {
    expect(planted(['G3+B3+E4/8 G3/8 B3/8 E4/8', 'E2/2'], 'none').anchors).toEqual([]);
  });
});
