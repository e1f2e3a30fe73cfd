import { createHash } from 'node:crypto';
import { planPiece, readMusicXml, setupFor, type Plan } from '../../src/index.ts';
import { planJson } from '../../src/formats/plan-json.ts';
import { rightJson } from '../../src/formats/right-json.ts';
import { proposedMarks } from '../../src/plan/proposed-marks.ts';
import { handOf } from '../../src/left/hand/hand.ts';

/** Hands and schools that the pieces are planned for in turn. */
const SETUPS = [
  {},
  { left: 'legato' },
  { hand: handOf('small') },
  { left: 'campanella', right: 'strict-im' },
  { hand: handOf('large') },
] as const;

/** The plan of a piece. */
export const planOf = (xml: string, number = 0): Plan => {
  const read = readMusicXml(xml);
  if (!read.ok) throw new Error(read.error.code);
  const { score } = read.value;
  return planPiece(score, undefined, { ...setupFor(score), ...SETUPS[number % SETUPS.length] });
};

/** Everything that a plan says and that a change of the house must leave as it is; sentences are left out. */
export const described = (plan: Plan): string => {
  const { ms: _ms, findings, ...json } = planJson(plan, { parse: 0, left: 0, right: 0 }, () => '');
  return JSON.stringify({
    ...json,
    findings: findings.map(({ code, severity, bar, beat }) => ({ code, severity, bar, beat })),
    right: rightJson(plan),
    marks: proposedMarks(plan),
  });
};

/** Some letters that stand for a description. */
export const digest = (text: string): string => createHash('sha256').update(text).digest('hex').slice(0, 16);
