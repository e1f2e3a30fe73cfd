import type { Correction, CorrectionProblem, ImportProblem, NoteId, NoteIndex, Score } from '@oculon/core';
import { pitchLabel } from '@oculon/core';
import * as z from 'zod/mini';
import { correctNotes, type CorrectedPiece } from '../../library/upload.ts';
import type { CurrentPlan } from '../../planner/current-plan.svelte.ts';
import { fileNameOf } from '../../save-file.ts';
import { problemWords } from '../../words.ts';

/** A correction that was made, as it is told, with the one that takes it back. */
const correctedSchema = z.object({
  words: z.string(),
  note: z.int(),
  back: z.union([
    z.object({
      kind: z.literal('pitch'),
      pitch: z.object({
        step: z.enum(['C', 'D', 'E', 'F', 'G', 'A', 'B']),
        alter: z.int(),
        octave: z.int(),
      }),
    }),
    z.object({ kind: z.literal('tie'), isTied: z.boolean() }),
  ]),
});
export type Corrected = z.infer<typeof correctedSchema>;

const keyOf = (piece: string): string => `oculon-corrected-${piece}`;

/** What was corrected in this window last; the page is loaded anew in between. */
export const lastCorrected = (piece: string): Corrected | undefined => {
  try {
    return correctedSchema.safeParse(JSON.parse(sessionStorage.getItem(keyOf(piece)) ?? '')).data;
  } catch {
    return undefined;
  }
};

const remember = (piece: string, corrected: Corrected | undefined): void => {
  try {
    if (corrected) sessionStorage.setItem(keyOf(piece), JSON.stringify(corrected));
    else sessionStorage.removeItem(keyOf(piece));
  } catch {
    // It cannot be taken back by a button then; the note can still be corrected again.
  }
};

const PROBLEMS = {
  'no-note': 'This note is not in the file of the piece any more. Load the page again.',
  'no-next-note': 'No note of the same pitch follows in this voice.',
  'pitch-not-written':
    'The file writes this note in a way that cannot be changed here. Change it in your notation program and import it again.',
} as const;

/** Why a note cannot be corrected, in words; the corrected file itself may be one that cannot be read, as with a pitch too low. */
const wordsOf = (problem: CorrectionProblem | ImportProblem): string =>
  isOfCorrection(problem) ? PROBLEMS[problem.code] : problemWords(problem);
const isOfCorrection = (problem: CorrectionProblem | ImportProblem): problem is CorrectionProblem =>
  problem.code in PROBLEMS;

/** The correction that takes one back, and both in words. */
const toldOf = (score: Score, index: NoteIndex, correction: Correction): Corrected => {
  const { bar, sounding } = score.notes[index]!;
  const place = `bar ${score.bars[bar]!.number}`;
  return correction.kind === 'pitch'
    ? {
        note: index,
        words: `${pitchLabel(sounding)} in ${place} became ${pitchLabel(correction.pitch)}.`,
        back: { kind: 'pitch', pitch: sounding },
      }
    : {
        note: index,
        words: `${pitchLabel(sounding)} in ${place} is ${correction.isTied ? 'tied to the next note' : 'not tied any more'}.`,
        back: { kind: 'tie', isTied: !correction.isTied },
      };
};

/**
 * Corrects a note in the file of the piece; the page has to be loaded anew after that. Returns what went wrong, in words.
 * `isBack` when a correction is taken back.
 */
export const correctNote = async (
  planned: CurrentPlan,
  score: Score,
  piece: CorrectedPiece & { readonly part: string },
  index: NoteIndex,
  correction: Correction,
  isBack = false,
): Promise<string | undefined> => {
  const id: NoteId = score.notes[index]!.id;
  const made = await planned.correct(id, correction);
  if (!made.ok) return wordsOf(made.error);
  const file = new File([made.value as BlobPart], `${fileNameOf(score.title)}.musicxml`);
  const outcome = await correctNotes(file, piece);
  if (!outcome.ok) return outcome.error.message;
  remember(piece.id, isBack ? undefined : toldOf(score, index, correction));
  return undefined;
};
