import * as z from 'zod/mini';
import type { Branded } from '../music/branded.ts';
import { STRINGS } from '../instrument/guitar.ts';
import type { NoteId } from '../score/score.ts';
import { humanText, idText } from './human-text.ts';

export type MarkId = Branded<string, 'MarkId'>;

const noteId = z.pipe(
  idText(200),
  z.transform((id) => id as NoteId),
);
const at = { from: noteId };
/** From the beginning of one note to the end of another. */
const over = { from: noteId, to: noteId };
const fret = z.int().check(z.minimum(1), z.maximum(19));

export const BARRE_EXTENTS = ['full', 'partial', 'hinge'] as const;
export const SLUR_SIGNS = ['hammer-on', 'pull-off'] as const;
export const MARK_STROKES = ['rest', 'free'] as const;
/** Longest text at a note, in characters. */
export const LONGEST_TEXT = 120;

/** A sign that stands on the sheet beside digits, strings and letters, over a span of notes or at one. */
export const markSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('barre'),
    ...over,
    fret,
    extent: z.enum(BARRE_EXTENTS),
    finger: z.union([z.literal(1), z.literal(2), z.literal(3), z.literal(4)]),
  }),
  z.strictObject({ kind: z.literal('position'), ...over, position: fret }),
  /** A finger leads the hand along its string, heard or silently. */
  z.strictObject({ kind: z.literal('guide'), ...over, heard: z.boolean() }),
  /** The finger of the first note stays until the second. */
  z.strictObject({ kind: z.literal('hold'), ...over }),
  z.strictObject({
    kind: z.literal('damp'),
    ...at,
    string: z.union(STRINGS.map((string) => z.literal(string))),
  }),
  /** Fingers of the right hand are set as the note is struck. */
  z.strictObject({
    kind: z.literal('plant'),
    ...at,
    fingers: z
      .string()
      .check(z.regex(/^p?i?m?a?$/, 'Fingers are written in the order p i m a.'), z.minLength(1)),
  }),
  z.strictObject({ kind: z.literal('slur'), ...over, as: z.enum(SLUR_SIGNS) }),
  z.strictObject({ kind: z.literal('stroke'), ...at, stroke: z.enum(MARK_STROKES) }),
  z.strictObject({ kind: z.literal('text'), ...at, text: humanText(1, LONGEST_TEXT) }),
]);
export type Mark = z.infer<typeof markSchema>;
export type MarkKind = Mark['kind'];
export type MarkOf<K extends MarkKind> = Extract<Mark, { kind: K }>;
export const MARK_KINDS = markSchema.def.options.map(({ shape }) => shape.kind.def.values[0]!);

/** What a teacher decided about a mark: how it is to be, or that it is not wanted although the plan or the source has it. */
export const markDecisionSchema = z.union([markSchema, z.strictObject({ kind: z.literal('removed') })]);
export type MarkDecision = z.infer<typeof markDecisionSchema>;
