import { describe, expect, it } from 'vitest';
import {
  EMPTY_FINGERING,
  planPiece,
  setupFor,
  type Choice,
  type Fingering,
  type Plan,
} from '../src/index.ts';
import type { NoteId, Score } from '../src/score/score.ts';
import { exampleScore } from '../src/testing/planning.ts';
import { studyScore } from '../src/testing/studies.ts';
import { Random } from './fuzz/random.ts';
import { generatedPiece } from './golden/pieces.ts';

const bothHands = ({ notes }: Plan): string =>
  notes.map(({ string, finger, pluck }) => `${string}/${finger}/${pluck}`).join(' ');

/** A decision against the plan, of either hand, or one that is taken back. */
const decideSomething = (random: Random, { notes }: Plan, choices: Map<NoteId, Choice>): void => {
  const { finger, id, pluck } = random.pick(notes.filter((note) => note.pluck !== undefined));
  if (choices.has(id) && random.below(3) > 0) choices.delete(id);
  else if (random.below(4) === 0) choices.set(id, { pluck: pluck === 'm' ? 'i' : 'm' });
  else choices.set(id, { finger: finger === 2 ? 3 : 2 });
};

/** Decisions after which planning on from the plan before gives another plan than planning anew. */
const partings = (score: Score, seed: number, decisions: number): number => {
  const random = new Random(seed);
  const setup = setupFor(score);
  const choices = new Map<NoteId, Choice>();
  let plan = planPiece(score, EMPTY_FINGERING, setup);
  let parted = 0;
  for (let index = 0; index < decisions; index += 1) {
    decideSomething(random, plan, choices);
    const fingering: Fingering = { ...EMPTY_FINGERING, choices: new Map(choices) };
    plan = planPiece(score, fingering, setup, { memory: plan.memory });
    if (bothHands(plan) !== bothHands(planPiece(score, fingering, setup))) parted += 1;
  }
  return parted;
};

/** Bars that come back, some of them repeated as well. */
const returning = (number: number): Score => {
  const piece = generatedPiece(number);
  return exampleScore({ ...piece, voices: piece.voices.map((voice) => `${voice} | ${voice} | ${voice}`) });
};

// A teacher sees the plan that grew with the decisions; the student gets the one that is made anew from what was saved.
describe('a plan of many decisions', () => {
  it.each(['stairs-of-glass', 'one-thread'])('is the same whatever was planned before: %s', (study) => {
    expect(partings(studyScore(study), 7, 10)).toBe(0);
  });

  it.each([0, 4, 5])('is so where bars come back: generated piece %i', (number) => {
    expect(partings(returning(number), number, 12)).toBe(0);
  });
});
