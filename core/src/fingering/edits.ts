import * as z from 'zod';
import type { NoteId } from '../score/score.ts';
import { CHOICE_FIELDS, choiceSchema, type Choice, type Fingering } from './fingering.ts';
import { passageRuleSchema, sameRule, type PassageRule, type RuleId } from './rules.ts';

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
]);
export type Edit = z.infer<typeof editSchema>;
export type ChoiceEdit = Extract<Edit, { kind: 'choose' }>;
export type RuleEdit = Extract<Edit, { kind: 'rule' }>;

const isEmpty = (choice: Choice): boolean => Object.values(choice).every((value) => value === undefined);

/** The fingering with one edit made. */
export const applyEdit = ({ choices, rules }: Fingering, edit: Edit): Fingering => {
  if (edit.kind === 'rule') {
    const changed = new Map(rules);
    if (edit.after === null) changed.delete(edit.rule);
    else changed.set(edit.rule, edit.after);
    return { choices, rules: changed };
  }
  const changed = new Map(choices);
  if (isEmpty(edit.after)) changed.delete(edit.note);
  else changed.set(edit.note, edit.after);
  return { choices: changed, rules };
};

export const applyEdits = (fingering: Fingering, edits: readonly Edit[]): Fingering =>
  edits.reduce(applyEdit, fingering);

/** The edit that takes this one back. */
export const invertEdit = (edit: Edit): Edit =>
  edit.kind === 'rule'
    ? { ...edit, before: edit.after, after: edit.before }
    : { ...edit, before: edit.after, after: edit.before };

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
 * the same note that end in different choices each note is reported once. Of two changes of one rule mine stands.
 */
export const rebaseEdits = (base: Fingering, theirs: readonly Edit[], mine: readonly Edit[]): Rebase => {
  const merged = applyEdits(base, theirs);
  const theirNotes = new Set(theirs.flatMap((edit) => (edit.kind === 'choose' ? [edit.note] : [])));
  const wanted = new Map<NoteId, Choice>();
  const wantedRules = new Map<RuleId, PassageRule | null>();
  for (const edit of mine)
    if (edit.kind === 'choose') wanted.set(edit.note, edit.after);
    else wantedRules.set(edit.rule, edit.after);
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
  return { edits, conflicts };
};
