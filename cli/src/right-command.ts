import { rightJson, type RightJson } from '@oculon/core';
import { reportOn } from './planned-piece.ts';

const crossings = (counts: RightJson['crossings']): string =>
  `${counts['toward-treble']} toward the treble, ${counts['toward-bass']} toward the bass`;

const table = (right: RightJson): string => {
  const worth = right.bars.filter(
    (bar) => bar.repeats > 0 || bar.crossings['toward-treble'] + bar.crossings['toward-bass'] > 0,
  );
  const printed = new Map(right.bars.map(({ bar, number }) => [bar, number]));
  const load = Object.entries(right.load)
    .map(([finger, strokes]) => `${finger} ${strokes}`)
    .join('  ');
  return [
    `${right.piece.title}: the right hand at ${right.piece.tempo} quarters a minute`,
    '',
    `strokes               ${right.strokes}   (${load})`,
    `awkward crossings     ${crossings(right.crossings)}`,
    `fingers twice running ${right.repeats}, of them breaks of alternation ${right.alternationBreaks}`,
    `changes of string     ${right.pivots}`,
    `quickest return       ${right.fastestReturn === null ? '–' : `${right.fastestReturn} ms`}`,
    `in patterns           ${Math.round(right.patternCoverage * 100)} %`,
    ...right.patterns.map(({ order, times, kind }) => `  ${order}  ${times} times (${kind})`),
    ...right.frames.map(
      ({ bar, strings }) =>
        `  frame from bar ${printed.get(bar) ?? `#${bar}`}: ${strings.map(({ finger, string }) => `${finger} on ${string}`).join(', ')}`,
    ),
    ...(worth.length > 0 ? ['', 'bar   crossings  repeats  quickest ms'] : []),
    ...worth.map((bar) => {
      const crossed = bar.crossings['toward-treble'] + bar.crossings['toward-bass'];
      const cells = [
        String(crossed).padStart(9),
        String(bar.repeats).padStart(7),
        String(bar.fastestRepeat ?? '–').padStart(11),
      ];
      return `${bar.number.padEnd(5)} ${cells.join('  ')}`;
    }),
    '',
  ].join('\n');
};

/** `oculon right FILE`: the right hand of a piece in figures, as a table or as `oculon.right/1`. */
export const right = (args: readonly string[]): Promise<0 | 1> => reportOn(args, rightJson, table);
