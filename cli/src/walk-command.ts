import {
  DEPTHS,
  EMPTY_FINGERING,
  planPiece,
  setupFor,
  walkHeading,
  walkJson,
  walkThrough,
  type BarRange,
  type Plan,
  type WalkLine,
  type Wording,
} from '@oculon/core';
import { openPiece } from './open-piece.ts';
import {
  complain,
  oneFile,
  oneOf,
  readArguments,
  readLanguage,
  readRange,
  readSetup,
  SETUP_OPTIONS,
} from './setup-options.ts';
import { UsageError } from './usage.ts';

const OPTIONS = {
  ...SETUP_OPTIONS,
  json: { type: 'boolean' },
  depth: { type: 'string' },
  bars: { type: 'string' },
} as const;

const isWanted = ({ from, to }: WalkLine, range: BarRange | undefined): boolean =>
  !range || (to + 1 >= range.from && from + 1 <= range.to);

const walkText = (wording: Wording, plan: Plan, lines: readonly WalkLine[]): string =>
  [
    plan.score.title || wording.say('command.untitled'),
    ...lines.flatMap((line) => [
      '',
      walkHeading(wording, plan, line),
      ...line.sentences.map(({ text }) => `  ${text}`),
    ]),
    '',
  ].join('\n');

/** `oculon walk FILE`: walks a student through a piece in words, or as `oculon.walk/1`. */
export const walk = async (args: readonly string[]): Promise<0 | 1> => {
  const { values, positionals } = readArguments(args, OPTIONS);
  const file = oneFile(positionals);
  const depth = oneOf('depth', values.depth, DEPTHS) ?? 'bars';
  const range = readRange(values.bars);
  const wanted = readSetup(values);
  const wording = readLanguage(values.lang);
  const opened = await openPiece(file, values.part, wording);
  if (!opened.ok) return complain(opened.problem);
  const { score } = opened.imported;
  if (range && range.from > score.bars.length)
    throw new UsageError(`--bars begins at ${range.from}, but the piece has ${score.bars.length} bars`);
  const plan = planPiece(score, EMPTY_FINGERING, setupFor(score, wanted));
  const lines = walkThrough(wording, plan, depth);
  process.stdout.write(
    values.json
      ? `${JSON.stringify(walkJson(plan, depth, wording.language, lines, range), null, 1)}\n`
      : walkText(
          wording,
          plan,
          lines.filter((line) => isWanted(line, range)),
        ),
  );
  return 0;
};
