import { EMPTY_FINGERING, type Fingering } from '../src/fingering/fingering.ts';
import type { Plan } from '../src/plan/plan.ts';
import type { Note } from '../src/score/score.ts';
import { choiceOf, planVoices, struckNotes } from '../src/testing/planning.ts';
import type { Passage } from './passages/passage.ts';

/** How the planner's fingering of a passage compares with the accepted ones. */
export interface PassageVerdict {
  readonly passage: Passage;
  /** Notes with an opinion in the accepted fingering that fits best, and how many of them agree. */
  readonly notes: number;
  readonly agreeing: number;
  readonly ours: readonly string[];
}

const agrees = (token: string, ours: string): boolean =>
  token.split('|').some((way) => way === ours || (way.endsWith(':*') && ours.startsWith(way.slice(0, -1))));

/** The plan of a passage. */
export const planOf = ({ voices, school, tempo }: Passage, fingering?: Fingering): Plan =>
  planVoices(voices, { ...(school && { left: school }), ...(tempo !== undefined && { tempo }) }, fingering);

const fingeringOf = (plan: Plan, notes: readonly Note[]): readonly string[] =>
  notes.map((note) => {
    const { string, finger } = plan.notes[note.index]!;
    return `${string ?? '-'}:${finger ?? '-'}`;
  });

const tokensOf = ({ name }: Passage, fingering: string, notes: number): readonly string[] => {
  const tokens = fingering.split(' ');
  if (tokens.length !== notes) throw new RangeError(`${name}: ${tokens.length} tokens for ${notes} notes`);
  return tokens;
};

export const judgePassage = (passage: Passage): PassageVerdict => {
  const plan = planOf(passage);
  const ours = fingeringOf(plan, struckNotes(plan));
  const verdicts = passage.accept.map((fingering) => {
    const opinions = tokensOf(passage, fingering, ours.length).flatMap((token, index) =>
      token === '*' ? [] : [agrees(token, ours[index]!)],
    );
    return { passage, notes: opinions.length, agreeing: opinions.filter(Boolean).length, ours };
  });
  return verdicts.reduce((a, b) => (b.agreeing / b.notes > a.agreeing / a.notes ? b : a));
};

/**
 * What the best plan within each accepted fingering of a passage costs more than ours, in units of effort: a note that
 * leaves a choice is fixed only where the planner would go elsewhere, then in each of its ways. Infinity where no plan
 * keeps to the fingering.
 */
export const marginsOf = (passage: Passage): readonly number[] => {
  const free = planOf(passage);
  const notes = struckNotes(free);
  const costWithin = (
    tokens: readonly string[],
    fixed: ReadonlyMap<number, string>,
    limit: number,
  ): number => {
    const choices = new Map([...fixed].map(([index, way]) => [notes[index]!.id, choiceOf(way)]));
    const plan = planOf(passage, { ...EMPTY_FINGERING, choices });
    if (plan.left.brokenLocks.length > 0 || plan.left.cost >= limit) return Infinity;
    const ours = fingeringOf(plan, notes);
    const astray = tokens.findIndex((token, index) => token !== '*' && !agrees(token, ours[index]!));
    if (astray < 0) return plan.left.cost;
    return tokens[astray]!.split('|').reduce(
      (best, way) => Math.min(best, costWithin(tokens, new Map([...fixed, [astray, way]]), best)),
      Infinity,
    );
  };
  return passage.accept.map(
    (fingering) =>
      costWithin(tokensOf(passage, fingering, notes.length), new Map(), Infinity) - free.left.cost,
  );
};
