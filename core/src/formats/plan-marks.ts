import type { NoteMarks } from './musicxml/write.ts';
import type { NoteId } from '../score/score.ts';
import type { Plan } from '../plan/plan.ts';

/** The marks of a whole plan for every struck notehead; tied ones carry none. */
export const marksOf = (plan: Plan): ReadonlyMap<NoteId, NoteMarks> =>
  new Map(
    plan.notes
      .filter((note) => !note.tied && note.string !== undefined)
      .map((note) => [
        note.id,
        {
          string: note.string!,
          fret: note.fret!,
          finger: note.finger!,
          ...(note.pluck !== undefined && { pluck: note.pluck }),
        },
      ]),
  );
