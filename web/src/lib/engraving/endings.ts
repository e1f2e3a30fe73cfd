import type { SystemGeometry } from './geometry.ts';
import type { Score } from './score-types.ts';

/** The bracket over the bars of an ending, as far as one system goes. */
export interface EndingSign {
  readonly x: number;
  readonly until: number;
  readonly y: number;
  /** Its numbers; empty where it goes on from the system before. */
  readonly text: string;
  /** It ends here with a hook; otherwise it goes on in the next system. */
  readonly closes: boolean;
}

/** Between two brackets, in px. */
const GAP = 2;

/** Lays the brackets of first and second endings out over everything else on a system; their line at `y`. */
export const layEndings = (score: Score, { bars }: SystemGeometry, y: number): readonly EndingSign[] => {
  const signs: EndingSign[] = [];
  let open: EndingSign | undefined;
  for (const { index, x, width } of bars) {
    const ending = score.bars[index]!.ending;
    if (!ending) {
      open = undefined;
      continue;
    }
    const begins = !open || ending.starts;
    const until = x + width - GAP;
    const sign: EndingSign = begins
      ? { x: x + GAP, until, y, text: ending.starts ? `${ending.numbers}.` : '', closes: ending.stops }
      : { ...open!, until, closes: ending.stops };
    if (begins) signs.push(sign);
    else signs[signs.length - 1] = sign;
    open = ending.stops ? undefined : sign;
  }
  return signs;
};
