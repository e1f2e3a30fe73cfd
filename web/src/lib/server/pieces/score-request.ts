import type { ImportProblem } from '@oculon/core';
import { problemWords } from '../../words.ts';

const FIRST_NAME = 'piece.musicxml';

/** The name that the browser sends along; one that cannot be read is no reason to refuse the piece. */
export const fileNameIn = (headers: Headers): string => {
  try {
    return decodeURIComponent(headers.get('x-file-name') ?? FIRST_NAME);
  } catch {
    return FIRST_NAME;
  }
};

export const statusOf = ({ code }: ImportProblem): number =>
  code === 'too-large' || code === 'too-much-work' ? 413 : code === 'busy' ? 503 : 422;

/** The problem as the page is told of it, with the parts to choose from where there are several. */
export const toldProblem = (problem: ImportProblem) => ({
  code: problem.code,
  message: problemWords(problem),
  ...(problem.code === 'choose-part' && { parts: problem.values.parts }),
});
