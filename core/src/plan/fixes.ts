import type { Choice, FindingKey } from '../fingering/fingering.ts';
import { markId } from '../fingering/mark-id.ts';
import type { Mark, MarkDecision, MarkId } from '../fingering/marks.ts';
import { findingKey, type Finding } from '../review/finding.ts';
import { barReturns, type BarReturn } from '../score/bar-returns.ts';
import { noteById, type Note, type NoteId, type Score } from '../score/score.ts';
import { carriedChoices } from './carry.ts';
import type { Plan } from './plan.ts';
import { proposedMarks } from './proposed-marks.ts';

export const FIX_CODES = [
  'as-first-time',
  'as-source',
  'write-position',
  'write-damping',
  'slur-to-it',
  'pluck-instead',
] as const;
export type FixCode = (typeof FIX_CODES)[number];

/** One action that answers a finding: what it does, and the decisions that it makes. */
export interface Fix {
  readonly code: FixCode;
  readonly choices: readonly (readonly [NoteId, Choice])[];
  readonly marks: readonly (readonly [MarkId, MarkDecision])[];
}

const setMarks = (code: FixCode, marks: readonly Mark[]): Fix => ({
  code,
  choices: [],
  marks: marks.map((mark) => [markId(mark), mark]),
});
const choose = (code: FixCode, choices: Fix['choices']): Fix => ({ code, choices, marks: [] });

/** For the findings of a plan that one action answers, that action. */
export const fixesOf = (plan: Plan): ReadonlyMap<FindingKey, Fix> => {
  const places = new Places(plan);
  const fixes = new Map<FindingKey, Fix>();
  for (const finding of plan.findings) {
    const fix = fixOf(plan, finding, places);
    if (fix) fixes.set(findingKey(finding), fix);
  }
  return fixes;
};

/** Notes, proposals and returns by where they stand: a piece has as many findings as it has notes, or nearly. */
class Places {
  private readonly score: Score;
  private readonly marks = new Map<string, Mark[]>();
  readonly returns: ReadonlyMap<number, BarReturn>;

  constructor(plan: Plan) {
    this.score = plan.score;
    this.returns = new Map(barReturns(plan.score, plan.left.sounds).map((each) => [each.bar, each]));
    for (const mark of proposedMarks(plan)) {
      // A slur answers for the note that it leads to, every other mark for the one at which it begins.
      const key = `${mark.kind}@${this.note(mark.kind === 'slur' ? mark.to : mark.from)?.onset}`;
      this.marks.set(key, [...(this.marks.get(key) ?? []), mark]);
    }
  }

  note(id: NoteId | undefined): Note | undefined {
    return noteById(this.score, id);
  }

  /** Proposals of a kind for the moment of a note. */
  proposed(kind: Mark['kind'], id: NoteId | undefined): readonly Mark[] {
    return this.marks.get(`${kind}@${this.note(id)?.onset}`) ?? [];
  }
}

const fixOf = (plan: Plan, { code, note, bar }: Finding, places: Places): Fix | undefined => {
  const { score, fingering } = plan;
  const setProposed = (fix: FixCode, kind: Mark['kind']): Fix | undefined => {
    const marks = places.proposed(kind, note);
    return marks.length > 0 ? setMarks(fix, marks) : undefined;
  };
  switch (code) {
    case 'return-differs': {
      const found = places.returns.get(bar);
      if (!found) return undefined;
      const { like, pairs } = found;
      const choices = carriedChoices(plan, { from: bar, to: bar, like, likeness: { kind: 'exact' }, pairs });
      return choose('as-first-time', choices);
    }
    case 'open-for-stopped':
    case 'stopped-for-open': {
      const own = note && fingering.choices.get(note);
      return note && own
        ? choose('as-source', [[note, { finger: undefined, string: undefined }]])
        : undefined;
    }
    case 'position-mark-missing':
      return setProposed('write-position', 'position');
    case 'string-left-ringing':
      return setProposed('write-damping', 'damp');
    case 'repeat-at-speed':
    case 'crossing-where-busy':
      return setProposed('slur-to-it', 'slur');
    case 'slur-trouble': {
      const from = places.note(note)?.slurredFrom?.note;
      return from === undefined
        ? undefined
        : {
            code: 'pluck-instead',
            choices: [],
            marks: [[`slur@${score.notes[from]!.id}` as MarkId, { kind: 'removed' }]],
          };
    }
    default:
      return undefined;
  }
};
