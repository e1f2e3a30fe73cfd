import { placedMarks, proposedMarks } from '../plan/proposed-marks.ts';
import type { SourceMarks } from './musicxml/marks/read-marks.ts';
import type { WantedMarks } from './musicxml/marks/write-marks.ts';
import type { TablaturePlace } from './musicxml/tablature-staff.ts';
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

/** Where every notehead of a plan lies, tied ones with those they are tied to, for a staff of six lines. */
export const tablatureOf = (plan: Plan): ReadonlyMap<NoteId, TablaturePlace> =>
  new Map(
    plan.notes.flatMap(({ id, string, fret }) =>
      string === undefined || fret === undefined || isMoved(plan, id)
        ? []
        : [[id, { string, fret }] as const],
    ),
  );

/**
 * The signs that a document of the plan carries: what the teacher has set, and the barres that the plan proposes. Other
 * proposals are for the screen until somebody accepts them.
 */
export const wantedMarks = (plan: Plan, source: SourceMarks): WantedMarks => {
  const decisions = plan.fingering.marks;
  const written = new Map([...source].map(([id, { mark }]) => [id, mark] as const));
  const barres = proposedMarks(plan).filter(({ kind }) => kind === 'barre');
  return {
    marks: placedMarks(barres, written, decisions).map(({ mark }) => mark),
    removed: [...decisions].flatMap(([id, mark]) => (mark.kind === 'removed' ? [id] : [])),
  };
};
