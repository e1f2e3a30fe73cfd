import {
  anchorOf,
  LONGEST_TEXT,
  markSchema,
  type Mark,
  type MarkKind,
  type NoteIndex,
  type NotePlan,
  type Score,
  type StringNumber,
} from '@oculon/core';

/** What a teacher has filled in for a mark, before it is one. */
export interface MarkDraft {
  kind: MarkKind;
  fret: number;
  extent: 'full' | 'partial' | 'hinge';
  finger: 1 | 2 | 3 | 4;
  heard: boolean;
  string: StringNumber;
  fingers: string;
  stroke: 'rest' | 'free';
  text: string;
}

export const NEW_DRAFT: MarkDraft = {
  kind: 'text',
  fret: 5,
  extent: 'full',
  finger: 1,
  heard: false,
  string: 6,
  fingers: 'im',
  stroke: 'rest',
  text: '',
};

/** A draft that starts from a mark. */
export const draftOf = (mark: Mark): MarkDraft => ({
  ...NEW_DRAFT,
  ...mark,
  fret: mark.kind === 'barre' ? mark.fret : mark.kind === 'position' ? mark.position : NEW_DRAFT.fret,
});

const SPANS: ReadonlySet<MarkKind> = new Set(['barre', 'position', 'guide', 'hold', 'slur']);
/** Kinds that last from one note to another. */
export const isSpan = (kind: MarkKind): boolean => SPANS.has(kind);
/** Kinds that belong to a moment rather than to one note of it. */
const AT_MOMENT: ReadonlySet<MarkKind> = new Set(['barre', 'position', 'damp', 'text']);

/**
 * The mark that a draft makes between two notes, or at the first; or the reason why it makes none. Notes are put in order
 * of time.
 */
export const markFrom = (
  score: Score,
  notes: readonly NotePlan[],
  draft: MarkDraft,
  [one, other]: readonly [NoteIndex, NoteIndex],
): { readonly mark: Mark } | { readonly problem: string } => {
  const [first, last] = score.notes[one]!.onset <= score.notes[other]!.onset ? [one, other] : [other, one];
  const place = (note: NoteIndex): NoteIndex => (AT_MOMENT.has(draft.kind) ? anchorOf(score, note) : note);
  const [from, to] = [score.notes[place(first)]!, score.notes[place(last)]!];
  const isOneVoice = from.voice === to.voice && from.onset < to.onset;
  if ((draft.kind === 'slur' || draft.kind === 'guide') && !isOneVoice)
    return { problem: 'Walk to a later note of the same voice: the mark leads from the first note to it.' };
  if (draft.kind === 'hold' && from.onset >= to.onset)
    return { problem: 'Walk to the note until which the finger stays.' };
  if (draft.kind === 'hold' && !notes[from.index]?.finger)
    return { problem: 'The first note is an open string: no finger can stay.' };
  const over = { from: from.id, to: to.id };
  const candidate = ((): Mark => {
    switch (draft.kind) {
      case 'barre':
        return { kind: 'barre', ...over, fret: draft.fret, extent: draft.extent, finger: draft.finger };
      case 'position':
        return { kind: 'position', ...over, position: draft.fret };
      case 'guide':
        return { kind: 'guide', ...over, heard: draft.heard };
      case 'hold':
        return { kind: 'hold', ...over };
      case 'slur':
        return { kind: 'slur', ...over, as: to.midi > from.midi ? 'hammer-on' : 'pull-off' };
      case 'damp':
        return { kind: 'damp', from: from.id, string: draft.string };
      case 'plant':
        return { kind: 'plant', from: from.id, fingers: ordered(draft.fingers) };
      case 'stroke':
        return { kind: 'stroke', from: from.id, stroke: draft.stroke };
      case 'text':
        return { kind: 'text', from: from.id, text: draft.text.trim() };
    }
  })();
  if (draft.kind === 'slur' && from.midi === to.midi)
    return { problem: 'A slur leads to another pitch; two equal notes are tied.' };
  if (markSchema.safeParse(candidate).success) return { mark: candidate };
  return {
    problem:
      draft.kind === 'text'
        ? `Write up to ${LONGEST_TEXT} characters.`
        : draft.kind === 'plant'
          ? 'Name the fingers that are set: letters of p, i, m, a.'
          : 'Frets and positions go from 1 to 19.',
  };
};

/** Letters of the right hand in the order in which marks write them. */
const ordered = (letters: string): string =>
  ['p', 'i', 'm', 'a'].filter((each) => letters.includes(each)).join('');
