import * as z from 'zod';
import type { NoteId } from '../score/score.ts';
import { choiceSchema, type Choice, type Fingering } from './fingering.ts';

/**
 * A change of one note's choice as a value: what stood there and what stands there now. An empty choice means
 * that the note is left to the planner.
 */
export const editSchema = z.strictObject({
  kind: z.literal('choose'),
  note: z
    .string()
    .min(1)
    .max(200)
    .transform((id) => id as NoteId),
  before: choiceSchema,
  after: choiceSchema,
});
export type Edit = z.infer<typeof editSchema>;

const isEmpty = (choice: Choice): boolean => Object.values(choice).every((value) => value === undefined);

/** The fingering with one edit made. */
export const applyEdit = (fingering: Fingering, edit: Edit): Fingering => {
  const choices = new Map(fingering.choices);
  if (isEmpty(edit.after)) choices.delete(edit.note);
  else choices.set(edit.note, edit.after);
  return { choices };
};

export const applyEdits = (fingering: Fingering, edits: readonly Edit[]): Fingering =>
  edits.reduce(applyEdit, fingering);

/** The edit that takes this one back. */
export const invertEdit = (edit: Edit): Edit => ({ ...edit, before: edit.after, after: edit.before });

/** The edit that changes some fields of a note's choice; a field given as undefined is left to the planner. */
export const chooseEdit = (fingering: Fingering, note: NoteId, change: Choice): Edit => {
  const before = fingering.choices.get(note) ?? {};
  const after = Object.fromEntries(
    Object.entries({ ...before, ...change }).filter(([, value]) => value !== undefined),
  ) as Choice;
  return { kind: 'choose', note, before, after };
};

const sameChoice = (a: Choice, b: Choice): boolean =>
  a.string === b.string && a.finger === b.finger && a.pluck === b.pluck;

/** What became of unsent edits after others were saved in between. */
export interface Rebase {
  /** My edits, restated upon the new state. */
  readonly edits: readonly Edit[];
  /** Notes on which both sides decided, differently: the teacher is asked. */
  readonly conflicts: readonly { readonly note: NoteId; readonly theirs: Choice; readonly mine: Choice }[];
}

/**
 * Restates `mine` upon `base` after `theirs` was applied to it. Edits on different notes commute; of edits on
 * the same note that end in different choices each note is reported once.
 */
export const rebaseEdits = (base: Fingering, theirs: readonly Edit[], mine: readonly Edit[]): Rebase => {
  const merged = applyEdits(base, theirs);
  const theirNotes = new Set(theirs.map((edit) => edit.note));
  const wanted = new Map<NoteId, Choice>();
  for (const edit of mine) wanted.set(edit.note, edit.after);
  const edits: Edit[] = [];
  const conflicts: { note: NoteId; theirs: Choice; mine: Choice }[] = [];
  for (const [note, after] of wanted) {
    const before = merged.choices.get(note) ?? {};
    if (sameChoice(before, after)) continue;
    edits.push({ kind: 'choose', note, before, after });
    if (theirNotes.has(note)) conflicts.push({ note, theirs: before, mine: after });
  }
  return { edits, conflicts };
};
