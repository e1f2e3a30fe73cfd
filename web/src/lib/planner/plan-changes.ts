import { isSameFingering, type Fingering, type NoteIndex, type NotePlan } from '@oculon/core';
import type { PlanView } from '../planner/api.ts';

/** A note whose fingering became another one after a change. */
export interface Change {
  readonly note: NoteIndex;
  readonly before: NotePlan;
  readonly after: NotePlan;
}

/** A plan that shares with the one before it the notes on which nothing changed: their systems need not be drawn again. */
export const sharing = (before: PlanView, after: PlanView): PlanView => ({
  ...after,
  notes: after.notes.map((note, index) => {
    const old = before.notes[index];
    const isSame =
      old && isSameFingering(old, note) && old.barre === note.barre && old.locked === note.locked;
    // Costs may differ where the fingering does not; only the panel of one note shows them.
    return isSame && JSON.stringify(old.cost) === JSON.stringify(note.cost) ? old : note;
  }),
});

/** The notes that one plan fingers otherwise than the plan before it. */
export const changesBetween = (before: PlanView, after: PlanView): readonly Change[] =>
  after.notes.flatMap((note, index) => {
    const old = before.notes[index];
    return old && !note.tied && !isSameFingering(old, note)
      ? [{ note: index, before: old, after: note }]
      : [];
  });

/** What of a fingering a plan depends on, as text. */
export const planKey = (fingering: Fingering): string =>
  JSON.stringify([[...fingering.choices], [...fingering.rules], [...fingering.marks], fingering.setup]);
