import type { NoteMarks } from './musicxml/write.ts';
import type { NoteId } from '../score/score.ts';
import type { Plan } from '../plan/plan.ts';

const isMoved = ({ fingering }: Plan, id: NoteId): boolean =>
  fingering.choices.get(id)?.remedy?.startsWith('octave') ?? false;

/**
 * The marks of a whole plan for every struck notehead; tied ones carry none, nor does a note played an octave away from
 * where it is written: string and fret would contradict the pitch.
 */
export const marksOf = (plan: Plan): ReadonlyMap<NoteId, NoteMarks> =>
  new Map(
    plan.notes
      .filter((note) => !note.tied && note.string !== undefined && !isMoved(plan, note.id))
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
