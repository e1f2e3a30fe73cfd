import * as z from 'zod/mini';
import type { NoteId } from '../score/score.ts';
import { choiceSchema, type Choice, type FindingKey, type Fingering } from './fingering.ts';
import { humanText, idText, readable } from './human-text.ts';
import { markDecisionSchema, type MarkDecision, type MarkId } from './marks.ts';
import { ownWordsSchema, type OwnWords, type SentenceKey } from './own-words.ts';
import { passageRuleSchema, type PassageRule, type RuleId } from './rules.ts';
import type { LeftWeight } from './vocabulary.ts';
import { SETUP_FIELDS, setupChangeSchema, type Setup, type SetupChange } from './setup.ts';

/**
 * How edits are written down, so that those of an older program can be read. 1: choices, rules, dismissals, marks.
 * 2: the setup too. 3: weights are named by codes. 4: sentences too.
 */
export const EDIT_FORMAT = 4;

/** A note by its id, as it comes from outside. */
export const noteIdSchema = z.pipe(
  idText(200),
  z.transform((id) => id as NoteId),
);

const dismissalSchema = z.nullable(humanText(0, 500));

/**
 * A change as a value: what stood there and what stands there now. An empty choice means that the note is left to
 * the planner; a rule that is null is not there.
 */
export const editSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('choose'),
    note: noteIdSchema,
    before: choiceSchema,
    after: choiceSchema,
  }),
  z.strictObject({
    kind: z.literal('rule'),
    rule: z.pipe(
      idText(100),
      z.transform((id) => id as RuleId),
    ),
    before: z.nullable(passageRuleSchema),
    after: z.nullable(passageRuleSchema),
  }),
  z.strictObject({
    kind: z.literal('dismiss'),
    finding: z.pipe(
      idText(300),
      z.transform((id) => id as FindingKey),
    ),
    /** The reason; null when the finding is not put aside. */
    before: dismissalSchema,
    after: dismissalSchema,
  }),
  z.strictObject({
    kind: z.literal('mark'),
    mark: z.pipe(
      idText(300),
      z.transform((id) => id as MarkId),
    ),
    /** Null where the teacher has decided nothing. */
    before: z.nullable(markDecisionSchema),
    after: z.nullable(markDecisionSchema),
  }),
  z.strictObject({
    kind: z.literal('sentence'),
    sentence: z.pipe(
      idText(100),
      z.transform((id) => id as SentenceKey),
    ),
    /** Null where the sentence is left to the plan. */
    before: z.nullable(ownWordsSchema),
    after: z.nullable(ownWordsSchema),
  }),
  z.strictObject({
    kind: z.literal('setup'),
    /** The changed fields alone, null where nothing was or is decided. */
    before: setupChangeSchema,
    after: setupChangeSchema,
  }),
]);
export type Edit = z.infer<typeof editSchema>;
export type ChoiceEdit = Extract<Edit, { kind: 'choose' }>;
export type RuleEdit = Extract<Edit, { kind: 'rule' }>;
export type DismissEdit = Extract<Edit, { kind: 'dismiss' }>;
export type MarkEdit = Extract<Edit, { kind: 'mark' }>;
export type SentenceEdit = Extract<Edit, { kind: 'sentence' }>;
export type SetupEdit = Extract<Edit, { kind: 'setup' }>;

const isEmpty = (choice: Choice): boolean => Object.values(choice).every((value) => value === undefined);

/** A map with one entry set, or taken away with undefined. */
const withEntry = <K, V>(map: ReadonlyMap<K, V>, key: K, value: V | undefined): ReadonlyMap<K, V> => {
  const changed = new Map(map);
  if (value === undefined) changed.delete(key);
  else changed.set(key, value);
  return changed;
};

const withoutNulls = (setup: SetupChange): Setup =>
  Object.fromEntries(Object.entries(setup).filter(([, value]) => value !== null)) as Setup;

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
    case 'sentence':
      return { ...fingering, words: withEntry(fingering.words, edit.sentence, edit.after ?? undefined) };
    case 'setup':
      return { ...fingering, setup: withoutNulls({ ...fingering.setup, ...edit.after }) };
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
    case 'sentence':
      return { ...edit, before: edit.after, after: edit.before };
    case 'setup':
      return { ...edit, before: edit.after, after: edit.before };
  }
};

/** The edit that changes some fields of the setup; null leaves a field to the piece or to what is usual. */
export const setupEdit = ({ setup }: Fingering, change: SetupChange): SetupEdit => ({
  kind: 'setup',
  before: Object.fromEntries(
    SETUP_FIELDS.filter((field) => field in change).map((field) => [field, setup[field] ?? null]),
  ) as SetupChange,
  after: change,
});

/** The edit that sets, changes or removes a mark; null leaves it to the plan and the source again. */
export const markEdit = (fingering: Fingering, mark: MarkId, after: MarkDecision | null): MarkEdit => ({
  kind: 'mark',
  mark,
  before: fingering.marks.get(mark) ?? null,
  after,
});

/** The edit that says a sentence in the teacher's own words; null leaves it to the plan again. */
export const sentenceEdit = (
  fingering: Fingering,
  sentence: SentenceKey,
  after: OwnWords | null,
): SentenceEdit => ({
  kind: 'sentence',
  sentence,
  before: fingering.words.get(sentence) ?? null,
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

/** Every text inside a value made readable. */
const withReadableText = (value: unknown): unknown => {
  if (typeof value === 'string') return readable(value);
  if (Array.isArray(value)) return value.map(withReadableText);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, withReadableText(each)]));
};

/** What weights were called up to format 2. */
const WEIGHTS_IN_WORDS: Readonly<Record<string, LeftWeight>> = {
  'fourth finger': 'fourth-finger',
  'high positions': 'high-positions',
  'open strings among stopped notes': 'open-among-stopped',
  'change of string': 'string-changes',
  'hopping fingers': 'hops',
};

/** A setup edit of format 2 with its weights named as they are now. */
const withWeightCodes = (written: unknown): unknown => {
  const edit = z
    .looseObject({
      kind: z.literal('setup'),
      before: z.record(z.string(), z.unknown()),
      after: z.record(z.string(), z.unknown()),
    })
    .safeParse(written).data;
  if (!edit) return written;
  const renamed = (fields: Readonly<Record<string, unknown>>) => {
    const { weights } = fields;
    if (typeof weights !== 'object' || weights === null) return fields;
    const coded = Object.entries(weights).map(([name, factor]) => [WEIGHTS_IN_WORDS[name] ?? name, factor]);
    return { ...fields, weights: Object.fromEntries(coded) as unknown };
  };
  return { ...edit, before: renamed(edit.before), after: renamed(edit.after) };
};

/**
 * An edit as it was once written down; undefined when it is of a format to come, or no edit. Format 1 let through text
 * that no score file can hold: it is read without it.
 */
export const readEdit = (format: number, written: unknown): Edit | undefined => {
  if (format > EDIT_FORMAT) return undefined;
  const readableEdit = format < 2 ? withReadableText(written) : written;
  return editSchema.safeParse(format < 3 ? withWeightCodes(readableEdit) : readableEdit).data;
};
