import type { Bar } from '../score.ts';

/** A passage between repeat signs, with other repeats in it and endings that are played in some passes only. */
export interface Section {
  /** Bars counted from 0, both included. */
  readonly from: number;
  readonly to: number;
  /** How often it is played. */
  readonly times: number;
  readonly inner: readonly Section[];
  readonly endings: readonly Ending[];
}

/** Bars that are played only in some passes of their section. */
export interface Ending {
  readonly from: number;
  readonly to: number;
  /** Passes counted from 1. */
  readonly passes: ReadonlySet<number>;
}

export type SectionTrouble =
  | { readonly kind: 'repeat-without-end'; readonly bar: number }
  | { readonly kind: 'ending-without-repeat'; readonly bar: number };

export interface Sections {
  readonly sections: readonly Section[];
  readonly troubles: readonly SectionTrouble[];
}

/** The passes that an ending is for, from what stands under its bracket: `1`, `1, 2`, `1-3`, `1.`. */
export const passesOf = (numbers: string): ReadonlySet<number> => {
  const passes = new Set<number>();
  for (const [, from, to] of numbers.matchAll(/(\d{1,2})\.?(?:\s*[-–]\s*(\d{1,2}))?/g))
    for (let pass = Number(from); pass <= Number(to ?? from); pass += 1) passes.add(pass);
  return passes;
};

/** Endings in playing order: bars under one bracket, from where it opens to where it closes. */
const endingsOf = (bars: readonly Bar[]): readonly Ending[] => {
  const endings: { from: number; to: number; passes: ReadonlySet<number> }[] = [];
  bars.forEach(({ ending, index }) => {
    if (!ending) return;
    const before = endings.at(-1);
    const goesOn = before?.to === index - 1 && !ending.starts && !bars[index - 1]!.ending?.stops;
    if (goesOn) before.to = index;
    else endings.push({ from: index, to: index, passes: passesOf(ending.numbers) });
  });
  return endings;
};

interface Open {
  readonly from: number;
  readonly inner: Section[];
  /** Whether the source writes where it begins; else it is the start of the piece or of what follows a repeat. */
  readonly isWritten: boolean;
}

/**
 * The repeats of a piece as they lie in each other. A repeat that does not say where it begins goes back to the last
 * repeat, or to the start. Endings that stand side by side belong to one repeat.
 */
export const sectionsOf = (bars: readonly Bar[]): Sections => {
  const endings = endingsOf(bars);
  const endingAt = new Map(endings.flatMap((ending) => range(ending).map((bar) => [bar, ending] as const)));
  const troubles: SectionTrouble[] = [];
  const top: Section[] = [];
  const open: Open[] = [{ from: 0, inner: top, isWritten: false }];
  let group: Ending[] = [];
  for (const bar of bars) {
    if (bar.repeatStart) open.push({ from: bar.index, inner: [], isWritten: true });
    const ending = endingAt.get(bar.index);
    if (ending?.from === bar.index) group.push(ending);
    const next = endingAt.get(bar.index + 1);
    const isLastOfEnding = ending !== undefined && ending.to === bar.index;
    const groupGoesOn = isLastOfEnding && next !== undefined && next !== ending;
    if (isLastOfEnding ? groupGoesOn : !bar.repeatEnd) continue;
    if (
      isLastOfEnding &&
      !group.some(({ from, to }) => bars.slice(from, to + 1).some((each) => each.repeatEnd))
    ) {
      troubles.push({ kind: 'ending-without-repeat', bar: group[0]!.from });
      group = [];
      continue;
    }
    if (ending !== undefined && !isLastOfEnding) continue;
    const current = open.at(-1)!;
    const highest = Math.max(0, ...group.flatMap(({ passes }) => [...passes]));
    const section: Section = {
      from: current.isWritten ? current.from : startOfUnwritten(top),
      to: bar.index,
      times: group.length > 0 ? Math.max(highest, group.length) : bar.repeatTimes,
      inner: current.isWritten ? current.inner : [],
      // An ending that names no pass takes its turn.
      endings: group.map((each, index) =>
        each.passes.size > 0 ? each : { ...each, passes: new Set([index + 1]) },
      ),
    };
    group = [];
    if (current.isWritten) open.pop();
    open.at(-1)!.inner.push(section);
  }
  for (const { from, isWritten, inner } of open)
    if (isWritten) {
      troubles.push({ kind: 'repeat-without-end', bar: from });
      top.push(...inner);
    }
  return { sections: top.toSorted((a, b) => a.from - b.from), troubles };
};

const startOfUnwritten = (sections: readonly Section[]): number => (sections.at(-1)?.to ?? -1) + 1;

const range = ({ from, to }: Ending): readonly number[] =>
  Array.from({ length: to - from + 1 }, (_, index) => from + index);
