import type { NoteId, Score } from '../score/score.ts';
import { markId } from './mark-id.ts';
import type { Mark, MarkId } from './marks.ts';
import type { Fingering } from './fingering.ts';

/** The technical slurs that a score writes, one mark from each note to the next. */
export const slurMarks = (score: Score): ReadonlyMap<MarkId, Mark> =>
  new Map(
    score.notes.flatMap(({ id, midi, slurredFrom }): [MarkId, Mark][] => {
      if (!slurredFrom) return [];
      const from = score.notes[slurredFrom.note]!;
      const mark: Mark = {
        kind: 'slur',
        from: from.id,
        to: id,
        as: midi > from.midi ? 'hammer-on' : 'pull-off',
      };
      return [[markId(mark), mark]];
    }),
  );

/** Names the slurs that a teacher has set or taken away; empty when the score's own stand. */
export const slurKey = ({ marks }: Fingering): string =>
  [...marks]
    .filter(([id]) => id.startsWith('slur@'))
    .map(([id, mark]) => `${id} ${mark.kind === 'slur' ? mark.to : ''}`)
    .sort()
    .join('|');

/** The score as it is played with the slurs that a teacher has set or taken away; the same score when there are none. */
export const slurredScore = (score: Score, { marks }: Fingering): Score => {
  const indexOf = new Map<NoteId, number>(score.notes.map(({ id, index }) => [id, index]));
  const gone = new Set<number>();
  const set = new Map<number, { note: number; kind: 'hammer-on' | 'pull-off' }>();
  for (const [id, mark] of marks) {
    if (!id.startsWith('slur@')) continue;
    const from = indexOf.get(id.slice('slur@'.length) as NoteId);
    if (from === undefined) continue;
    gone.add(from);
    const to = mark.kind === 'slur' ? indexOf.get(mark.to) : undefined;
    // What lies in another voice or before its start cannot be slurred to; the mark stays, the note is plucked.
    if (
      mark.kind === 'slur' &&
      to !== undefined &&
      to > from &&
      score.notes[to]!.voice === score.notes[from]!.voice
    )
      set.set(to, { note: from, kind: mark.as });
  }
  if (gone.size === 0) return score;
  return {
    ...score,
    notes: score.notes.map((note) => {
      const wanted = set.get(note.index);
      if (wanted) return { ...note, slurredFrom: wanted };
      if (!note.slurredFrom || !gone.has(note.slurredFrom.note)) return note;
      const { slurredFrom: _gone, ...plucked } = note;
      return plucked;
    }),
  };
};
