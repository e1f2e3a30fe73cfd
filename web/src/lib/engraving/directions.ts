import { NAVIGATION_WORDS, type Direction, type Navigation } from '@oculon/core';
import type { SystemGeometry } from './geometry.ts';
import type { Bar, Score } from './score-types.ts';

/** Words, dynamics, tempo marks and signs of repetition where they stand on a system. */
export interface PlacedDirection {
  readonly kind: Direction['kind'] | 'sign';
  readonly text: string;
  readonly x: number;
  /** It stands over the end of a bar and is written toward it. */
  readonly atEnd: boolean;
}

/** Signs to which one jumps, in the music font (SMuFL). */
const SIGNS: Readonly<Partial<Record<Navigation, string>>> = { segno: '\uE047', coda: '\uE048' };
/** Words that tell a jump: what the file prints is not said a second time, nor what a teacher took away. */
const TELLS_A_JUMP = /\b(d\.?\s?[cs]\.?|fine|coda|segno|capo)/i;
/** Room beside a bar line, in px. */
const BESIDE = 4;
/** Width of a letter of words and of a tempo mark, and what stands between two of them, in px. */
const LETTER = 7;
const GAP = 10;

/** What a bar says of repetition, at its beginning by signs and at its end by words. */
const jumpsOf = (bar: Bar, printed: readonly Direction[]): readonly Omit<PlacedDirection, 'x'>[] => {
  const isPrinted = printed.some(({ kind, text }) => kind === 'words' && TELLS_A_JUMP.test(text));
  return bar.navigation.flatMap((each): Omit<PlacedDirection, 'x'>[] => {
    const [sign, words] = [SIGNS[each], NAVIGATION_WORDS[each]];
    if (sign) return [{ kind: 'sign', text: sign, atEnd: false }];
    return words && !isPrinted ? [{ kind: 'words', text: words, atEnd: true }] : [];
  });
};

/** Whether anything is written over the music of a system: words, tempo marks, signs of repetition. */
export const hasWordsOver = (
  score: Score,
  { first, last }: Pick<SystemGeometry, 'first' | 'last'>,
): boolean =>
  score.directions.some(({ bar, kind }) => kind !== 'dynamics' && bar >= first && bar <= last) ||
  score.bars.slice(first, last + 1).some(({ navigation }) => navigation.length > 0);

const isOver = ({ atEnd, kind }: PlacedDirection): boolean => !atEnd && kind !== 'dynamics';

/** Moves what stands over a system to the right until it is clear of what stands before it. */
const apart = (placed: readonly PlacedDirection[]): readonly PlacedDirection[] => {
  let end = -Infinity;
  return placed
    .toSorted((a, b) => a.x - b.x || Number(b.kind === 'tempo') - Number(a.kind === 'tempo'))
    .map((each) => {
      if (!isOver(each)) return each;
      const x = Math.max(each.x, end);
      end = x + each.text.length * LETTER + GAP;
      return { ...each, x };
    });
};

/** The directions of a system but those that `isHidden`; what comes after the last note of its bar stands over the end of it. */
export const layDirections = (
  score: Score,
  { bars, heads }: SystemGeometry,
  isHidden: (direction: Direction) => boolean,
): readonly PlacedDirection[] =>
  apart(
    bars.flatMap(({ index, x, width }, place) => {
      const printed = score.directions.filter((each) => each.bar === index);
      const own = printed.filter((each) => !isHidden(each));
      const inBar = heads.filter(({ note }) => score.notes[note]!.bar === index);
      const written = own.map(({ kind, onset, text }): PlacedDirection => {
        if (kind === 'tempo' && place === 0 && onset === score.bars[index]!.start)
          return { kind, text, x: x + BESIDE, atEnd: false };
        const after = inBar.filter(({ note }) => score.notes[note]!.onset >= onset);
        if (after.length > 0)
          return { kind, text, x: Math.min(...after.map((head) => head.x)), atEnd: false };
        const atEnd = inBar.length > 0;
        return { kind, text, x: atEnd ? x + width - BESIDE : x + width / 2, atEnd };
      });
      const jumps = jumpsOf(score.bars[index]!, printed).map((each): PlacedDirection => ({
        ...each,
        x: each.atEnd ? x + width - BESIDE : x + BESIDE,
      }));
      // The same sign of two voices is printed once.
      return [...written, ...jumps].filter(
        (each, at, all) =>
          all.findIndex(
            (other) => other.x === each.x && other.kind === each.kind && other.text === each.text,
          ) === at,
      );
    }),
  );
