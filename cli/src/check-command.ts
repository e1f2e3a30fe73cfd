import { parseArgs } from 'node:util';
import { checkJson, EMPTY_FINGERING, planPiece, setupFor, type CheckJson } from '@oculon/core';
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

const list = ({ piece, fixed, findings }: CheckJson): string =>
  [
    `${piece.title}: ${fixed} of ${piece.notes} notes are fingered in the file`,
    ...(findings.length === 0 ? ['Nothing to remark.'] : []),
    ...findings.map(({ severity, message }) => `${severity.padEnd(8)} ${message}`),
    '',
  ].join('\n');

/** `oculon check FILE`: what a player will stumble over in the fingering of a file; what it leaves open is proposed. */
export const check = async (args: readonly string[]): Promise<0 | 1> => {
  const { values, positionals } = readArguments(args);
  const wanted = readSetup(values);
  const opened = await openPiece(oneFile(positionals), values.part);
  if (!opened.ok) return complain(opened.problem);
  const { score } = opened.imported;
  const json = checkJson(planPiece(score, EMPTY_FINGERING, setupFor(score, wanted)));
  process.stdout.write(values.json ? `${JSON.stringify(json, null, 1)}\n` : list(json));
  return 0;
};
