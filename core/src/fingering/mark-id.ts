import type { NoteId } from '../score/score.ts';
import type { Mark, MarkId } from './marks.ts';

/** The note up to which a mark lasts; its own when it stands at one. */
export const lastNoteOf = (mark: Mark): NoteId => ('to' in mark ? mark.to : mark.from);

/**
 * The name of a mark: what it is and where it begins. There is one mark of a kind at a note (damping: one a string), so
 * that a proposal, the source and a teacher speak of the same thing.
 */
export const markId = (mark: Mark): MarkId =>
  `${mark.kind}@${mark.from}${mark.kind === 'damp' ? `@${mark.string}` : ''}` as MarkId;
