import { lastNoteOf } from '../fingering/mark-id.ts';
import { markedPage, type Density } from '../page/density.ts';
import { signsOnPage } from '../page/page-signs.ts';
import type { Plan } from '../plan/plan.ts';
import { noteById } from '../score/score.ts';
import { noteAtPlace, placeOf } from './json-place.ts';

/**
 * What stands on the page of a plan at a density as `oculon.marks/1`; fields are only ever added to it. `reads` tells
 * whether a reader gets the whole plan from these marks by rule.
 */
export const marksJson = (plan: Plan, density: Density) => {
  const { score, left } = plan;
  const marked = markedPage(plan, density);
  return {
    schema: 'oculon.marks/1' as const,
    piece: { title: score.title, bars: score.bars.length, notes: score.notes.length },
    density,
    notes: score.notes.map((note) => {
      const sound = left.piece.soundOf.get(note.index);
      const isHead = sound !== undefined && left.sounds[sound]!.head === note.index;
      const own = isHead ? marked.page.at.get(sound) : undefined;
      return {
        ...noteAtPlace(score, note),
        finger: own?.finger ?? false,
        string: own?.string ?? false,
        pluck: own?.pluck ?? false,
      };
    }),
    signs: signsOnPage(plan, marked).map((mark) => {
      const last = noteById(score, lastNoteOf(mark))!;
      const until = placeOf(score, last.onset + last.duration);
      return {
        ...mark,
        ...placeOf(score, noteById(score, mark.from)!.onset),
        untilBar: until.bar,
        untilBeat: until.beat,
      };
    }),
    reads: marked.reads,
  };
};
export type MarksJson = ReturnType<typeof marksJson>;
