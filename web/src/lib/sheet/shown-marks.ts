import {
  markId,
  stringSign,
  sameValue,
  type Block,
  type Mark,
  type MarkDecision,
  type MarkId,
  type PlacedMark,
  type RightSign,
  type Score,
} from '@oculon/core';
import type { SheetSign } from '../engraving/sign-rows.ts';
import { signWords } from '../words.ts';
import { noteIndex } from '../engraving/span-signs.ts';

import { noteAt } from '../workbench/steps/places.ts';

/** Proposals that stand on the sheet without being asked for. */
const ALWAYS = new Set<Mark['kind']>(['barre', 'position']);
/** Marks that stand in the rows of the right hand below the staff. */
const BELOW = new Set<Mark['kind']>(['damp', 'plant', 'stroke']);

/**
 * The marks that are drawn over a system: what somebody decided, and of the proposals what is asked for. `positions`, when
 * given, are the only ones of the plan that stand on the page.
 */
export const shownSpans = (
  marks: readonly PlacedMark[],
  withMovements: boolean,
  positions?: readonly Mark[],
): readonly PlacedMark[] => {
  const shown = marks.filter(
    ({ mark, by }) =>
      !BELOW.has(mark.kind) &&
      // Words of the source are drawn with the source.
      !(by === 'source' && mark.kind === 'text') &&
      (by !== 'planned' || ALWAYS.has(mark.kind) || withMovements) &&
      !(by === 'planned' && mark.kind === 'position' && positions),
  );
  const taken = new Set(shown.map(({ id }) => id));
  const own = (positions ?? [])
    .map((mark): PlacedMark => ({ id: markId(mark), mark, by: 'planned' }))
    .filter(({ id }) => !taken.has(id));
  return [...shown, ...own];
};

const WORDS = {
  damp: (mark: Mark) => (mark.kind === 'damp' ? `damp ${stringSign(mark.string)}` : ''),
  plant: (mark: Mark) => (mark.kind === 'plant' ? `set ${[...mark.fingers].join(' ')}` : ''),
  stroke: (mark: Mark) => (mark.kind === 'stroke' ? `${mark.stroke} stroke` : ''),
} as const;

const signOf = (mark: Mark): string => {
  switch (mark.kind) {
    case 'damp':
      return `×${stringSign(mark.string)}`;
    case 'plant':
      return `▾${mark.fingers}`;
    case 'stroke':
      return mark.stroke === 'rest' ? '⌵' : '○';
    default:
      return '';
  }
};

/** The signs below a system: the plan's as far as they are asked for, and those that somebody decided. */
export const shownSigns = (
  score: Score,
  planned: readonly RightSign[],
  marks: readonly PlacedMark[],
  decisions: ReadonlyMap<MarkId, MarkDecision>,
): readonly SheetSign[] => {
  const own = marks.filter(({ mark, by }) => by !== 'planned' && BELOW.has(mark.kind));
  const replaced = new Set<MarkId>([...own.map(({ id }) => id), ...decisions.keys()]);
  return [
    ...planned
      .filter(({ mark }) => mark === undefined || !replaced.has(mark))
      .map((sign): SheetSign => ({ ...sign, words: signWords(sign) })),
    ...own.flatMap(({ id, mark }): SheetSign[] => {
      const note = noteIndex(score, mark.from);
      if (note === undefined || (mark.kind !== 'damp' && mark.kind !== 'plant' && mark.kind !== 'stroke'))
        return [];
      return [
        {
          note,
          kind: mark.kind,
          sign: signOf(mark),
          words: WORDS[mark.kind](mark),
          isAdvice: false,
          mark: id,
        },
      ];
    }),
  ].sort((a, b) => score.notes[a.note]!.onset - score.notes[b.note]!.onset);
};

/** Names of the harmonies as words over the sheet, each where it begins and not again while it lasts. */
export const chordWords = (
  score: Score,
  blocks: readonly Block[],
  onsets: readonly { readonly onset: number }[],
): readonly PlacedMark[] => {
  let last: string | undefined;
  return blocks.flatMap(({ chord, from }): PlacedMark[] => {
    const note = noteAt(score, onsets[from]?.onset ?? -1);
    if (chord === undefined || chord === last || !note) return [];
    last = chord;
    const mark: Mark = { kind: 'text', from: note.id, text: chord };
    return [{ id: `chord@${note.id}` as MarkId, mark, by: 'planned' }];
  });
};

/** Words of the source that are not drawn any more, as `onset text`. */
export const wordsGone = (
  score: Score,
  source: ReadonlyMap<MarkId, Mark>,
  decisions: ReadonlyMap<MarkId, MarkDecision>,
): ReadonlySet<string> =>
  new Set(
    [...source].flatMap(([id, mark]) => {
      const decision = decisions.get(id);
      const note = noteIndex(score, mark.from);
      return mark.kind === 'text' && decision && !sameValue(decision, mark) && note !== undefined
        ? [`${score.notes[note]!.onset} ${mark.text}`]
        : [];
    }),
  );
