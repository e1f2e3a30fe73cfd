import type { MarkId, MarkOrigin, PlacedMark, Score } from '@oculon/core';
import type { HeadBox, SystemGeometry } from './geometry.ts';
import { noteIndex } from './span-signs.ts';

export interface SlurSign {
  readonly id: MarkId;
  readonly path: string;
  readonly by: MarkOrigin;
  readonly isAbove: boolean;
  /** Its ends, and its highest and lowest ink. */
  readonly from: number;
  readonly until: number;
  readonly top: number;
  readonly bottom: number;
}

/** Half a staff space of clear ground round heads, half as high as a staff space themselves, and stems; in px. */
const CLEAR = 5.5;
const HALF_HEAD = 5;
/** How far the bow rises over its ends at least, and how thick it is in the middle. */
const LEAST_RISE = 8;
const THICKNESS = 2.5;
/** A digit begins, with clear ground before it, and ends so far before its head. */
const DIGIT = 17.5;
const AFTER_DIGIT = 5.5;
/** A head so far out has ledger lines between itself and the staff. */
const ON_LEDGERS = 8;
/** What lies nearer to an end than this is cleared by the end itself: the bow cannot be steep enough there. */
const BESIDE_END = 4;
/** Where half of a slur ends or begins at the edge of a system. */
const AT_EDGE = 4;

interface End {
  readonly x: number;
  readonly y: number;
}

/** Where a slur on one side of a note begins or ends: at its head, or at the tip of a stem that stands on that side. */
const endAt = (box: HeadBox, isAbove: boolean): End => {
  const onStem = box.stem === (isAbove ? 'up' : 'down');
  const x = box.x + box.width / 2;
  // The box of a chord reaches half a head beyond the tip of its stem.
  if (onStem) return { x, y: isAbove ? box.top + HALF_HEAD - CLEAR : box.bottom - HALF_HEAD + CLEAR };
  return { x, y: box.y + (HALF_HEAD + CLEAR) * (isAbove ? -1 : 1) };
};

/** How far the control point has to rise for the bow to clear what lies between its ends. */
const controlOver = (from: End, to: End, between: readonly HeadBox[], isAbove: boolean): number => {
  const out = isAbove ? -1 : 1;
  const highest = isAbove ? Math.min(from.y, to.y) : Math.max(from.y, to.y);
  const wanted = between.flatMap((head) => {
    const { y } = endAt(head, isAbove);
    return [head.left - DIGIT, head.left - AFTER_DIGIT, head.x, head.x + head.width].flatMap(
      (x): number[] => {
        if (x < from.x + BESIDE_END || x > to.x - BESIDE_END) return [];
        const share = (x - from.x) / (to.x - from.x);
        const [before, after] = [(1 - share) ** 2 * from.y, share ** 2 * to.y];
        return [(y - before - after) / (2 * share * (1 - share)) + out * THICKNESS];
      },
    );
  });
  const control = [highest + out * LEAST_RISE, ...wanted];
  return isAbove ? Math.min(...control) : Math.max(...control);
};

/**
 * Slurs of a system on the side away from the stems, above where these differ, but never among ledger lines; one that crosses the
 * edge of a system is drawn as two halves.
 */
export const laySlurs = (
  score: Score,
  { bars, heads, width, staffTop, staffBottom }: SystemGeometry,
  marks: readonly PlacedMark[],
): readonly SlurSign[] =>
  marks.flatMap(({ id, mark, by }): SlurSign[] => {
    if (mark.kind !== 'slur') return [];
    const [first, last] = [noteIndex(score, mark.from), noteIndex(score, mark.to)];
    const start = heads.find((head) => head.note === first);
    const end = heads.find((head) => head.note === last);
    const known = start ?? end;
    if (!known || first === undefined || last === undefined) return [];
    const voice = score.notes[known.note]!.voice;
    const [begins, ends] = [score.notes[first]!.onset, score.notes[last]!.onset];
    const own = heads.filter(({ note }) => {
      const { onset, voice: ofNote } = score.notes[note]!;
      return ofNote === voice && onset >= begins && onset <= ends;
    });
    const isAbove =
      own.every(({ y }) => y <= staffBottom + ON_LEDGERS) &&
      (own.some(({ stem }) => stem !== 'up') || own.some(({ y }) => y < staffTop - ON_LEDGERS));
    const atStart = start && endAt(start, isAbove);
    const atEnd = end && endAt(end, isAbove);
    const from = atStart ?? { x: bars[0]!.musicStart - AT_EDGE, y: atEnd!.y };
    const to = atEnd ?? { x: width - AT_EDGE, y: atStart!.y };
    const between = own.filter(({ note }) => note !== first);
    const control = controlOver(from, to, between, isAbove);
    const middle = (from.x + to.x) / 2;
    const inner = control + (isAbove ? THICKNESS : -THICKNESS);
    const crest = (from.y + 2 * control + to.y) / 4;
    return [
      {
        id,
        by,
        path: `M${from.x} ${from.y} Q${middle} ${control} ${to.x} ${to.y} Q${middle} ${inner} ${from.x} ${from.y}Z`,
        isAbove,
        from: from.x,
        until: to.x,
        top: Math.min(from.y, to.y, crest),
        bottom: Math.max(from.y, to.y, crest),
      },
    ];
  });
