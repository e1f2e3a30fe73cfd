import { describe, expect, it } from 'vitest';
import { EMPTY_FINGERING, type Choice, type Fingering } from '../fingering/fingering.ts';
import { NEAR_TIE } from '../fingering/near-tie.ts';
import { isSameTaking, takenOtherwise, type LeftPlan } from '../left/left-plan.ts';
import { planLeft } from '../left/plan-left.ts';
import { costOfPlucks } from '../right/cost-of-plucks.ts';
import { bestPlucks } from '../right/search/search.ts';
import type { NoteId } from '../score/score.ts';
import { exampleScore } from '../testing/planning.ts';
import { planPiece, setupFor, type Plan } from './plan.ts';

/** A tune over open basses, which may lie in more than one position. */
const score = exampleScore({
  meter: { beats: 3, beatType: 4 },
  tempo: 90,
  voices: ['C#5/4 D5/4 E5/4 | D5/4 C#5/4 B4/4 | A4/4 B4/4 C#5/4 | C#5/2.', 'A2/2. | A2/2. | E2/2. | A2/2.'],
});
const setup = setupFor(score);
const undecided = planPiece(score, EMPTY_FINGERING, setup);
const deciding = (id: NoteId, choice: Choice): Fingering => ({
  ...EMPTY_FINGERING,
  choices: new Map([[id, choice]]),
});
const bothHands = ({ notes }: Plan): string =>
  notes.map(({ string, finger, pluck }) => `${string}/${finger}/${pluck}`).join(' ');

/** A decision against the plan for every note that a finger stops, of either hand in turn. */
const decisions = score.notes.flatMap(({ id, index }): [NoteId, Choice][] => {
  const { finger, pluck } = undecided.notes[index]!;
  return finger && pluck
    ? [[id, index % 2 === 0 ? { finger: finger === 2 ? 3 : 2 } : { pluck: pluck === 'i' ? 'm' : 'i' }]]
    : [];
});

describe('a decision', () => {
  it('leads to one plan whatever was planned before, and back when it is taken back', () => {
    expect(decisions.length).toBeGreaterThan(8);
    let memory = undecided.memory;
    for (const [id, choice] of decisions) {
      const again = planPiece(score, deciding(id, choice), setup, { memory });
      expect(bothHands(again)).toBe(bothHands(planPiece(score, deciding(id, choice), setup)));
      memory = again.memory;
    }
    expect(bothHands(planPiece(score, EMPTY_FINGERING, setup, { memory }))).toBe(bothHands(undecided));
  });

  it('never gives up more than a near tie, and shows the prices of the cheapest plan', () => {
    for (const [id, choice] of decisions) {
      const { alike, left, memory, right } = planPiece(score, deciding(id, choice), setup);
      const cheapest = planLeft(score, alike, left.setup, memory.clock);
      expect(left.cost).toBeLessThanOrEqual(cheapest.cost + NEAR_TIE + 1e-9);
      const plucked = costOfPlucks(right.events, bestPlucks(memory.right.tables));
      expect(right.cost).toBeLessThanOrEqual(plucked + NEAR_TIE + 1e-9);
      memory.left.prices.forEach((ways, sound) => {
        expect(ways[0]?.price ?? 0).toBe(0);
        for (const way of ways)
          if (!isSameTaking(way, left.choices[sound]))
            expect(way).toEqual(cheapest.memory.prices[sound]!.find((each) => isSameTaking(each, way)));
      });
    }
  });

  it('changes less away from the decision than the cheapest plan would', () => {
    const far = decisions.map(([id, choice]) => {
      const { alike, left, memory, score: planned } = planPiece(score, deciding(id, choice), setup);
      const { bar } = planned.notes.find((note) => note.id === id)!;
      const changesOf = (plan: LeftPlan): number =>
        takenOtherwise(undecided.left, plan).filter((sound) => Math.abs(plan.sounds[sound]!.bar - bar) > 1)
          .length;
      return [changesOf(left), changesOf(planLeft(score, alike, left.setup, memory.clock))] as const;
    });
    for (const [kept, cheapest] of far) expect(kept).toBeLessThanOrEqual(cheapest);
    const sum = (which: 0 | 1): number => far.reduce((total, each) => total + each[which], 0);
    expect(sum(0)).toBeLessThan(sum(1));
  });
});
