import { writeFile } from 'node:fs/promises';
import {
  EMPTY_FINGERING,
  findingText,
  marksOf,
  planJson,
  planPiece,
  problemText,
  setupFor,
  tablatureOf,
  wantedMarks,
  withTablatureStaff,
  writeMusicXml,
} from '@oculon/core';
import { openPiece } from './open-piece.ts';
import { planTable } from './plan-table.ts';
import {
  complain,
  fileTrouble,
  oneFile,
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
  out: { type: 'string' },
  tablature: { type: 'boolean' },
  bars: { type: 'string' },
} as const;

/** `oculon plan FILE`: reads a piece, plans both hands, prints a table or JSON, writes MusicXML on request. */
export const plan = async (args: readonly string[]): Promise<0 | 1> => {
  const { values, positionals } = readArguments(args, OPTIONS);
  const file = oneFile(positionals);
  const range = readRange(values.bars);
  const wanted = readSetup(values);
  const wording = readLanguage(values.lang);
  const opened = await openPiece(file, values.part, wording);
  if (!opened.ok) return complain(opened.problem);
  const { score } = opened.imported;
  if (range && range.from > score.bars.length)
    throw new UsageError(`--bars begins at ${range.from}, but the piece has ${score.bars.length} bars`);

  let timing = { left: 0, right: 0 };
  const result = planPiece(score, EMPTY_FINGERING, setupFor(score, wanted), {
    now: () => performance.now(),
    onTiming: (measured) => {
      timing = measured;
    },
  });
  if (values.out !== undefined) {
    const options = values.part === undefined ? {} : { part: values.part };
    const signs = wantedMarks(result, opened.imported.marks);
    const marked = writeMusicXml(opened.source, marksOf(result), { ...options, signs });
    const written =
      marked.ok && values.tablature
        ? withTablatureStaff(marked.value, tablatureOf(result), result.setup.guitar, options)
        : marked;
    if (!written.ok) return complain(`${file}: ${problemText(wording, written.error)}`);
    try {
      await writeFile(values.out, written.value);
    } catch (error) {
      return complain(fileTrouble(values.out, error));
    }
  }
  const json = planJson(
    result,
    { parse: opened.parse, ...timing },
    (finding) => findingText(wording, finding),
    range,
  );
  process.stdout.write(values.json ? `${JSON.stringify(json, null, 1)}\n` : planTable(wording, json));
  return 0;
};
