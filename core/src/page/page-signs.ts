import { lastNoteOf } from '../fingering/mark-id.ts';
import type { Mark, MarkKind } from '../fingering/marks.ts';
import type { Plan } from '../plan/plan.ts';
import { positionMark, proposedMarks } from '../plan/proposed-marks.ts';
import { noteById } from '../score/score.ts';
import type { Density, MarkedPage } from './density.ts';

/** Signs of a plan that stand on the page by density; positions are chosen with the marks at notes. */
const SIGNS: Readonly<Record<Density, ReadonlySet<MarkKind>>> = {
  essential: new Set(['barre', 'guide']),
  working: new Set(['barre', 'guide', 'damp']),
  everything: new Set(['barre', 'guide', 'damp', 'hold', 'plant']),
};

/** The signs that stand on a page beside what stands at its notes, in playing order. */
export const signsOnPage = (plan: Plan, { density, page }: MarkedPage): readonly Mark[] => {
  const { score, left } = plan;
  const must = new Set(
    plan.damping.filter(({ grade }) => grade === 'must').map(({ string, slice }) => `${slice} ${string}`),
  );
  const onsetOf = (mark: Mark): number => noteById(score, mark.from)!.onset;
  const isWanted = (mark: Mark): boolean => {
    if (!SIGNS[density].has(mark.kind)) return false;
    // A dash leads to a digit: where none is needed, the dash says nothing either.
    if (mark.kind === 'guide' && density === 'essential') {
      const sound = left.piece.soundOf.get(noteById(score, lastNoteOf(mark))!.index);
      return mark.heard || (sound !== undefined && page.has(sound, 'finger'));
    }
    if (mark.kind === 'damp' && density === 'working') {
      const slice = left.hands.findIndex((hand) => hand.slice.onset === onsetOf(mark));
      return must.has(`${slice} ${mark.string}`);
    }
    return true;
  };
  return [
    ...[...page.positions].map((slice) => positionMark(plan, slice)),
    ...proposedMarks(plan).filter(isWanted),
  ].sort((a, b) => onsetOf(a) - onsetOf(b));
};
