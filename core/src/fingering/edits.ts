import * as z from 'zod';
import type { NoteId } from '../score/score.ts';
import { CHOICE_FIELDS, choiceSchema, type Choice, type FindingKey, type Fingering } from './fingering.ts';
import { markDecisionSchema, sameMark, type MarkDecision, type MarkId } from './marks.ts';
import { passageRuleSchema, sameRule, type PassageRule, type RuleId } from './rules.ts';

const dismissalSchema = z.string().max(500).nullable();

/**
 * A change as a value: what stood there and what stands there now. An empty choice means that the note is left to
 * the planner; a rule that is null is not there.
 */
export const editSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('choose'),
    note: z
      .string()
      .min(1)
      .max(200)
      .transform((id) => id as NoteId),
    before: choiceSchema,
    after: choiceSchema,
  }),
  z.strictObject({
    kind: z.literal('rule'),
    rule: z
      .string()
      .min(1)
      .max(100)
      .transform((id) => id as RuleId),
    before: passageRuleSchema.nullable(),
    after: passageRuleSchema.nullable(),
  }),
  z.strictObject({
    kind: z.literal('dismiss'),
    finding: z
      .string()
      .min(1)
      .max(300)
      .transform((key) => key as FindingKey),
    /** The reason; null when the finding is not put aside. */
    before: dismissalSchema,
    after: dismissalSchema,
  }),
  z.strictObject({
    kind: z.literal('mark'),
    mark: z
      .string()
      .min(1)
      .max(300)
      .transform((id) => id as MarkId),
    /** Null where the teacher has decided nothing. */
    before: markDecisionSchema.nullable(),
    after: markDecisionSchema.nullable(),
  }),
]);
export type Edit = z.infer<typeof editSchema>;
export type ChoiceEdit = Extract<Edit, { kind: 'choose' }>;
export type RuleEdit = Extract<Edit, { kind: 'rule' }>;
export type DismissEdit = Extract<Edit, { kind: 'dismiss' }>;
export type MarkEdit = Extract<Edit, { kind: 'mark' }>;

const isEmpty = (choice: Choice): boolean => Object.values(choice).every((value) => value === undefined);

/** A map with one entry set, or taken away with undefined. */
const withEntry = <K, V>(map: ReadonlyMap<K, V>, key: K, value: V | undefined): ReadonlyMap<K, V> => {
  const changed = new Map(map);
  if (value === undefined) changed.delete(key);
  else changed.set(key, value);
  return changed;
};

/** The fingering with one edit made. */
export const applyEdit = (fingering: Fingering, edit: Edit): Fingering => {
  switch (edit.kind) {
    case 'choose':
      return {
        ...fingering,
        choices: withEntry(fingering.choices, edit.note, isEmpty(edit.after) ? undefined : edit.after),
      };
    case 'rule':
      return { ...fingering, rules: withEntry(fingering.rules, edit.rule, edit.after ?? undefined) };
    case 'dismiss':
      return {
        ...fingering,
        dismissed: withEntry(fingering.dismissed, edit.finding, edit.after ?? undefined),
      };
    case 'mark':
      return { ...fingering, marks: withEntry(fingering.marks, edit.mark, edit.after ?? undefined) };
  }
};

export const applyEdits = (fingering: Fingering, edits: readonly Edit[]): Fingering =>
  edits.reduce(applyEdit, fingering);

/** The edit that takes this one back. */
export const invertEdit = (edit: Edit): Edit => {
  switch (edit.kind) {
    case 'choose':
      return { ...edit, before: edit.after, after: edit.before };
    case 'rule':
      return { ...edit, before: edit.after, after: edit.before };
    case 'dismiss':
      return { ...edit, before: edit.after, after: edit.before };
    case 'mark':
      return { ...edit, before: edit.after, after: edit.before };
  }
};

/** The edit that sets, changes or removes a mark; null leaves it to the plan and the source again. */
export const markEdit = (fingering: Fingering, mark: MarkId, after: MarkDecision | null): MarkEdit => ({
  kind: 'mark',
  mark,
  before: fingering.marks.get(mark) ?? null,
  after,
});

/** The edit that puts a finding aside for a reason, or shows it again with null. */
export const dismissEdit = (
  fingering: Fingering,
  finding: FindingKey,
  reason: string | null,
): DismissEdit => ({
  kind: 'dismiss',
  finding,
  before: fingering.dismissed.get(finding) ?? null,
  after: reason,
});

/** The edit that sets a rule for a passage, or takes it away with null. */
export const ruleEdit = (fingering: Fingering, rule: RuleId, after: PassageRule | null): RuleEdit => ({
  kind: 'rule',
  rule,
  before: fingering.rules.get(rule) ?? null,
  after,
});

/** The edit that changes some fields of a note's choice; a field given as undefined is left to the planner. */
export const chooseEdit = (fingering: Fingering, note: NoteId, change: Choice): ChoiceEdit => {
  const before = fingering.choices.get(note) ?? {};
  const after = Object.fromEntries(
    Object.entries({ ...before, ...change }).filter(([, value]) => value !== undefined),
  ) as Choice;
  return { kind: 'choose', note, before, after };
};

const sameChoice = (a: Choice, b: Choice): boolean => CHOICE_FIELDS.every((field) => a[field] === b[field]);

/** What became of unsent edits after others were saved in between. */
export interface Rebase {
  /** My edits, restated upon the new state. */
  readonly edits: readonly Edit[];
  /** Notes on which both sides decided, differently: the teacher is asked. */
  readonly conflicts: readonly { readonly note: NoteId; readonly theirs: Choice; readonly mine: Choice }[];
}

/**
 * Restates `mine` upon `base` after `theirs` was applied to it. Edits on different notes commute; of edits on
 * the same note that end in different choices each note is reported once. Of two changes of one rule,
 * of one mark or of one finding put aside, mine stands.
 */
export const rebaseEdits = (base: Fingering, theirs: readonly Edit[], mine: readonly Edit[]): Rebase => {
  const merged = applyEdits(base, theirs);
  const theirNotes = new Set(theirs.flatMap((edit) => (edit.kind === 'choose' ? [edit.note] : [])));
  const wanted = new Map<NoteId, Choice>();
  const wantedRules = new Map<RuleId, PassageRule | null>();
  const wantedDismissals = new Map<FindingKey, string | null>();
  const wantedMarks = new Map<MarkId, MarkDecision | null>();
  for (const edit of mine)
    if (edit.kind === 'choose') wanted.set(edit.note, edit.after);
    else if (edit.kind === 'rule') wantedRules.set(edit.rule, edit.after);
    else if (edit.kind === 'dismiss') wantedDismissals.set(edit.finding, edit.after);
    else wantedMarks.set(edit.mark, edit.after);
  const edits: Edit[] = [];
  const conflicts: { note: NoteId; theirs: Choice; mine: Choice }[] = [];
  for (const [note, after] of wanted) {
    const before = merged.choices.get(note) ?? {};
    if (sameChoice(before, after)) continue;
    edits.push({ kind: 'choose', note, before, after });
    if (theirNotes.has(note)) conflicts.push({ note, theirs: before, mine: after });
  }
  for (const [rule, after] of wantedRules) {
    const edit = ruleEdit(merged, rule, after);
    if (!sameRule(edit.before ?? undefined, after ?? undefined)) edits.push(edit);
  }
  for (const [finding, reason] of wantedDismissals) {
    const edit = dismissEdit(merged, finding, reason);
    if (edit.before !== edit.after) edits.push(edit);
  }
  for (const [mark, after] of wantedMarks) {
    const edit = markEdit(merged, mark, after);
    if (!sameMark(edit.before ?? undefined, after ?? undefined)) edits.push(edit);
  }
  return { edits, conflicts };
};
