import { CUT_FOR, indexById, type Score, type SessionStep } from '@oculon/core';
import type { GoalSheets, GoalView, PracticeSheet } from '../practice/course-content.ts';

/** Fetches the music of goals, each once. Its address tells when it was cut, so that what is kept of it is never old. */
export class Sheets {
  readonly #fetched = new Map<string, Promise<GoalSheets>>();
  constructor(private readonly page: string) {}

  of({ id, cutAt }: GoalView): Promise<GoalSheets> {
    const address = `${this.page}/sheets/${id}?cut=${encodeURIComponent(cutAt)}`;
    const fetched =
      this.#fetched.get(address) ??
      fetch(address).then((answer) => {
        if (!answer.ok) throw new Error(String(answer.status));
        return answer.json() as Promise<GoalSheets>;
      });
    this.#fetched.set(address, fetched);
    // What failed is asked for again the next time.
    fetched.catch(() => this.#fetched.delete(address));
    return fetched;
  }
}

/** The goal that a step is about; for a warm-up that is a drill any goal that has it. */
export const goalOf = (step: SessionStep, goals: readonly GoalView[]): readonly GoalView[] => {
  if (step.kind === 'break') return [];
  if (step.kind === 'warm-up' && step.goal === undefined) return goals;
  return goals.filter(({ id }) => id === step.goal);
};

/** The music of a step; undefined where there is none. */
export const sheetOf = (step: SessionStep, sheets: GoalSheets): PracticeSheet | undefined => {
  switch (step.kind) {
    case 'break':
      return undefined;
    case 'warm-up':
      return step.goal === undefined ? step.drill && sheets.warmUps[step.drill] : sheets.piece;
    case 'piece':
      return sheets.piece;
    case 'drill':
      return sheets.spots[step.spot]?.[CUT_FOR[step.drill]];
    case 'climb':
      return sheets.spots[step.spot]?.['as-written'];
  }
};

/** The score of a sheet with the places of its notes. */
export const scoreOfSheet = ({ score }: PracticeSheet): Score => ({
  ...score,
  indexOf: indexById(score.notes),
});
