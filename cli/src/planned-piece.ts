import { EMPTY_FINGERING, planPiece, setupFor, type Plan, type Wording } from '@oculon/core';
import { openPiece } from './open-piece.ts';
import { complain, oneFile, readArguments, readLanguage, readSetup, SETUP_OPTIONS } from './setup-options.ts';

const OPTIONS = { ...SETUP_OPTIONS, json: { type: 'boolean' } } as const;

/**
 * For commands that plan one file and report on it: reads and plans it, then prints the report as JSON or as a table.
 */
export const reportOn = async <Report>(
  args: readonly string[],
  report: (plan: Plan, wording: Wording) => Report,
  table: (wording: Wording, report: Report) => string,
): Promise<0 | 1> => {
  const { values, positionals } = readArguments(args, OPTIONS);
  const wanted = readSetup(values);
  const wording = readLanguage(values.lang);
  const opened = await openPiece(oneFile(positionals), values.part, wording);
  if (!opened.ok) return complain(opened.problem);
  const { score } = opened.imported;
  const made = report(planPiece(score, EMPTY_FINGERING, setupFor(score, wanted)), wording);
  process.stdout.write(values.json ? `${JSON.stringify(made, null, 1)}\n` : table(wording, made));
  return 0;
};
