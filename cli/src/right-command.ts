import { parseArgs } from 'node:util';
import { EMPTY_FINGERING, planPiece, rightJson, setupFor, type RightJson } from '@oculon/core';
import { openPiece } from './open-piece.ts';
import { oneFile } from './plan-command.ts';
import { complain, readSetup, SETUP_OPTIONS } from './setup-options.ts';
import { UsageError } from './usage.ts';

const readArguments = (args: readonly string[]) => {
  try {
    const options = { ...SETUP_OPTIONS, json: { type: 'boolean' } } as const;
    return parseArgs({ args: [...args], options, allowPositionals: true });
  } catch (error) {
    throw new UsageError((error as Error).message);
  }
};

const crossings = (counts: RightJson['crossings']): string =>
  `${counts['toward-treble']} toward the treble, ${counts['toward-bass']} toward the bass`;

const table = (right: RightJson): string => {
  const worth = right.bars.filter(
    (bar) => bar.repeats > 0 || bar.crossings['toward-treble'] + bar.crossings['toward-bass'] > 0,
  );
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
        `  frame from bar ${bar}: ${strings.map(({ finger, string }) => `${finger} on ${string}`).join(', ')}`,
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
export const right = async (args: readonly string[]): Promise<0 | 1> => {
  const { values, positionals } = readArguments(args);
  const wanted = readSetup(values);
  const opened = await openPiece(oneFile(positionals), values.part);
  if (!opened.ok) return complain(opened.problem);
  const { score } = opened.imported;
  const json = rightJson(planPiece(score, EMPTY_FINGERING, setupFor(score, wanted)));
  process.stdout.write(values.json ? `${JSON.stringify(json, null, 1)}\n` : table(json));
  return 0;
};
