import { writeFile } from 'node:fs/promises';
import { EMPTY_FINGERING, planPiece, setupFor, soundJson, soundOf, writeMidi } from '@oculon/core';
import { openPiece } from './open-piece.ts';
import {
  complain,
  fileTrouble,
  oneFile,
  readArguments,
  readLanguage,
  readSetup,
  SETUP_OPTIONS,
} from './setup-options.ts';
import { UsageError } from './usage.ts';

const OPTIONS = {
  ...SETUP_OPTIONS,
  json: { type: 'boolean' },
  midi: { type: 'string' },
  'as-written': { type: 'boolean' },
  once: { type: 'boolean' },
} as const;

/** `oculon sound FILE`: what is heard of a piece, as a MIDI file or as `oculon.sound/1`. */
export const sound = async (args: readonly string[]): Promise<0 | 1> => {
  const { values, positionals } = readArguments(args, OPTIONS);
  const file = oneFile(positionals);
  if (!values.json && values.midi === undefined) throw new UsageError('sound needs --midi OUT.mid or --json');
  const wanted = readSetup(values);
  const wording = readLanguage(values.lang);
  const opened = await openPiece(file, values.part, wording);
  if (!opened.ok) return complain(opened.problem);
  const { score } = opened.imported;
  const plan = planPiece(score, EMPTY_FINGERING, setupFor(score, wanted));
  const options = { asWritten: values['as-written'] ?? false, once: values.once ?? false };
  if (values.midi !== undefined) {
    try {
      await writeFile(values.midi, writeMidi(plan, options));
    } catch (error) {
      return complain(fileTrouble(values.midi, error));
    }
  }
  if (values.json)
    process.stdout.write(`${JSON.stringify(soundJson(plan, soundOf(plan, options), options), null, 1)}\n`);
  return 0;
};
