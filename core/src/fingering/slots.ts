import type { NoteId } from '../score/score.ts';
import { markEdit, dismissEdit, ruleEdit, chooseEdit, sentenceEdit, setupEdit, type Edit } from './edits.ts';
import {
  CHOICE_FIELDS,
  type Choice,
  type ChoiceField,
  type FindingKey,
  type Fingering,
} from './fingering.ts';
import type { MarkDecision, MarkId } from './marks.ts';
import type { OwnWords, SentenceKey } from './own-words.ts';
import type { PassageRule, RuleId } from './rules.ts';
import { SETUP_FIELDS, type Setup, type SetupChange, type SetupField } from './setup.ts';

/** One thing that is decided on its own. Decisions in different slots never contradict each other. */
export type Slot =
  | { readonly kind: 'choice'; readonly note: NoteId; readonly field: ChoiceField }
  | { readonly kind: 'rule'; readonly rule: RuleId }
  | { readonly kind: 'finding'; readonly finding: FindingKey }
  | { readonly kind: 'mark'; readonly mark: MarkId }
  | { readonly kind: 'sentence'; readonly sentence: SentenceKey }
  | { readonly kind: 'setup'; readonly field: SetupField };

export const slotKey = (slot: Slot): string => JSON.stringify(Object.values(slot));

/** What stands in a slot; undefined where nothing is decided. */
export type SlotValue =
  Choice[ChoiceField] | PassageRule | string | MarkDecision | OwnWords | Setup[SetupField];

export const valueIn = (
  { choices, rules, dismissed, marks, words, setup }: Fingering,
  slot: Slot,
): SlotValue => {
  switch (slot.kind) {
    case 'choice':
      return choices.get(slot.note)?.[slot.field];
    case 'rule':
      return rules.get(slot.rule);
    case 'finding':
      return dismissed.get(slot.finding);
    case 'mark':
      return marks.get(slot.mark);
    case 'sentence':
      return words.get(slot.sentence);
    case 'setup':
      return setup[slot.field];
  }
};

/** The slots that an edit sets. */
export const slotsOf = (edit: Edit): readonly Slot[] => {
  switch (edit.kind) {
    case 'choose':
      return CHOICE_FIELDS.filter((field) => edit.before[field] !== edit.after[field]).map((field) => ({
        kind: 'choice',
        note: edit.note,
        field,
      }));
    case 'rule':
      return [{ kind: 'rule', rule: edit.rule }];
    case 'dismiss':
      return [{ kind: 'finding', finding: edit.finding }];
    case 'mark':
      return [{ kind: 'mark', mark: edit.mark }];
    case 'sentence':
      return [{ kind: 'sentence', sentence: edit.sentence }];
    case 'setup':
      return SETUP_FIELDS.filter((field) => field in edit.after).map((field) => ({ kind: 'setup', field }));
  }
};

const written = (edit: Edit, side: 'before' | 'after', slot: Slot): SlotValue => {
  if (edit.kind === 'choose') return slot.kind === 'choice' ? edit[side][slot.field] : undefined;
  if (edit.kind === 'setup') return slot.kind === 'setup' ? (edit[side][slot.field] ?? undefined) : undefined;
  return edit[side] ?? undefined;
};
/** What an edit found in one of its slots. */
export const valueBefore = (edit: Edit, slot: Slot): SlotValue => written(edit, 'before', slot);
/** What an edit leaves in one of its slots. */
export const valueAfter = (edit: Edit, slot: Slot): SlotValue => written(edit, 'after', slot);

/** Every slot in which something is decided. */
export const filledSlots = ({
  choices,
  rules,
  dismissed,
  marks,
  words,
  setup,
}: Fingering): readonly Slot[] => [
  ...[...choices].flatMap(([note, choice]) =>
    CHOICE_FIELDS.filter((field) => choice[field] !== undefined).map((field): Slot => ({
      kind: 'choice',
      note,
      field,
    })),
  ),
  ...[...rules.keys()].map((rule): Slot => ({ kind: 'rule', rule })),
  ...[...dismissed.keys()].map((finding): Slot => ({ kind: 'finding', finding })),
  ...[...marks.keys()].map((mark): Slot => ({ kind: 'mark', mark })),
  ...[...words.keys()].map((sentence): Slot => ({ kind: 'sentence', sentence })),
  ...SETUP_FIELDS.filter((field) => setup[field] !== undefined).map((field): Slot => ({
    kind: 'setup',
    field,
  })),
];

/** The edits that bring a fingering to the given values, one for each note, rule, finding, mark, sentence and one for the setup. */
export const editsTo = (
  fingering: Fingering,
  values: readonly (readonly [Slot, SlotValue])[],
): readonly Edit[] => {
  const choices = new Map<NoteId, Record<string, SlotValue>>();
  const setup: Record<string, SlotValue | null> = {};
  const others: Edit[] = [];
  for (const [slot, value] of values)
    if (slot.kind === 'choice') {
      const change = choices.get(slot.note) ?? {};
      choices.set(slot.note, change);
      change[slot.field] = value;
    } else if (slot.kind === 'setup') setup[slot.field] = value ?? null;
    else if (slot.kind === 'rule')
      others.push(ruleEdit(fingering, slot.rule, (value as PassageRule | undefined) ?? null));
    else if (slot.kind === 'finding')
      others.push(dismissEdit(fingering, slot.finding, (value as string | undefined) ?? null));
    else if (slot.kind === 'sentence')
      others.push(sentenceEdit(fingering, slot.sentence, (value as OwnWords | undefined) ?? null));
    else others.push(markEdit(fingering, slot.mark, (value as MarkDecision | undefined) ?? null));
  return [
    ...[...choices].map(([note, change]) => chooseEdit(fingering, note, change as Choice)),
    ...others,
    ...(Object.keys(setup).length > 0 ? [setupEdit(fingering, setup as SetupChange)] : []),
  ];
};
