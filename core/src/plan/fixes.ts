import type { Choice, FindingKey } from '../fingering/fingering.ts';
import { markId, type Mark, type MarkDecision, type MarkId } from '../fingering/marks.ts';
import { findingKey, type Finding } from '../review/findings.ts';
import { barReturns } from '../score/returns.ts';
import type { NoteId } from '../score/score.ts';
import { carriedChoices } from './carry.ts';
import type { Plan } from './plan.ts';
import { proposedMarks } from './proposed-marks.ts';

/** One action that answers a finding: what it says, and the decisions that it makes. */
export interface Fix {
  readonly label: string;
  readonly choices: readonly (readonly [NoteId, Choice])[];
  readonly marks: readonly (readonly [MarkId, MarkDecision])[];
}

const setMarks = (label: string, marks: readonly Mark[]): Fix => ({
  label,
  choices: [],
  marks: marks.map((mark) => [markId(mark), mark]),
});
const choose = (label: string, choices: Fix['choices']): Fix => ({ label, choices, marks: [] });

/** For the findings of a plan that one action answers, that action. */
export const fixesOf = (plan: Plan): ReadonlyMap<FindingKey, Fix> => {
  const proposals = proposedMarks(plan);
  const fixes = new Map<FindingKey, Fix>();
  for (const finding of plan.findings) {
    const fix = fixOf(plan, finding, proposals);
    if (fix) fixes.set(findingKey(finding), fix);
  }
  return fixes;
};

const fixOf = (plan: Plan, { code, note, bar }: Finding, proposals: readonly Mark[]): Fix | undefined => {
  const { score, left, fingering } = plan;
  const onset = score.notes.find(({ id }) => id === note)?.onset;
  const at = (kind: Mark['kind']): Mark[] =>
    proposals.filter(
      (mark) => mark.kind === kind && score.notes.find(({ id }) => id === mark.from)?.onset === onset,
    );
  switch (code) {
    case 'return-differs': {
      const found = barReturns(score, left.sounds).find((each) => each.bar === bar);
      if (!found) return undefined;
      const { like, pairs } = found;
      const choices = carriedChoices(plan, { from: bar, to: bar, like, likeness: { kind: 'exact' }, pairs });
      return choose('Finger it as the first time', choices);
    }
    case 'open-for-stopped':
    case 'stopped-for-open': {
      const own = note && fingering.choices.get(note);
      return note && own
        ? choose('Take it as the source writes', [[note, { finger: undefined, string: undefined }]])
        : undefined;
    }
    case 'position-mark-missing':
      return at('position').length > 0 ? setMarks('Write the position', at('position')) : undefined;
    case 'string-left-ringing':
      return at('damp').length > 0 ? setMarks('Write the damping sign', at('damp')) : undefined;
    case 'repeat-at-speed':
    case 'crossing-where-busy': {
      const slurs = proposals.filter(
        (mark) => mark.kind === 'slur' && score.notes.find(({ id }) => id === mark.to)?.onset === onset,
      );
      return slurs.length > 0 ? setMarks('Slur to it', slurs) : undefined;
    }
    case 'slur-trouble': {
      const from = score.notes.find(({ id }) => id === note)?.slurredFrom?.note;
      return from === undefined
        ? undefined
        : {
            label: 'Pluck it instead',
            choices: [],
            marks: [[`slur@${score.notes[from]!.id}` as MarkId, { kind: 'removed' }]],
          };
    }
    default:
      return undefined;
  }
};
