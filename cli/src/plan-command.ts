import { readFile, writeFile } from 'node:fs/promises';
import { parseArgs } from 'node:util';
import {
  DEFAULT_SETUP,
  EMPTY_FINGERING,
  HAND_SIZES,
  handOf,
  LEFT_SCHOOLS,
  marksOf,
  millimetres,
  planJson,
  planPiece,
  readMusicXml,
  readSourceFile,
  RIGHT_SCHOOLS,
  setupFor,
  writeMusicXml,
  type BarRange,
  type HandSize,
  type PlanSetup,
} from '@oculon/core';
import { planTable } from './plan-table.ts';
import { UsageError } from './usage.ts';

const OPTIONS = {
  json: { type: 'boolean' },
  out: { type: 'string' },
  tempo: { type: 'string' },
  bars: { type: 'string' },
  left: { type: 'string' },
  right: { type: 'string' },
  hand: { type: 'string' },
  'scale-length': { type: 'string' },
  part: { type: 'string' },
} as const;

const oneOf = <const T extends string>(
  name: string,
  value: string | undefined,
  known: readonly T[],
): T | undefined => {
  if (value === undefined) return undefined;
  const found = known.find((each) => each === value);
  if (found === undefined) throw new UsageError(`--${name} is ${known.join(', ')}, not “${value}”`);
  return found;
};

const numberWithin = (
  name: string,
  value: string | undefined,
  low: number,
  high: number,
): number | undefined => {
  if (value === undefined) return undefined;
  const number = Number(value);
  if (!(number >= low && number <= high))
    throw new UsageError(`--${name} is a number from ${low} to ${high}, not “${value}”`);
  return number;
};

const readRange = (value: string | undefined): BarRange | undefined => {
  if (value === undefined) return undefined;
  const found = /^(\d+)(?:-(\d+))?$/.exec(value);
  const range = found && { from: Number(found[1]), to: Number(found[2] ?? found[1]) };
  if (!range || range.from < 1 || range.to < range.from)
    throw new UsageError(`--bars is A-B with A no larger than B, not “${value}”`);
  return range;
};

const readArguments = (args: readonly string[]) => {
  try {
    return parseArgs({ args: [...args], options: OPTIONS, allowPositionals: true });
  } catch (error) {
    throw new UsageError((error as Error).message);
  }
};

/** Tuning and capo come from the piece, the rest from the options. */
const readSetup = (values: ReturnType<typeof readArguments>['values']): PlanSetup => {
  const scale = numberWithin('scale-length', values['scale-length'], 400, 700);
  const tempo = numberWithin('tempo', values.tempo, 10, 400);
  const hand = oneOf('hand', values.hand, Object.keys(HAND_SIZES) as HandSize[]);
  return {
    guitar: { ...DEFAULT_SETUP.guitar, ...(scale !== undefined && { scaleLength: millimetres(scale) }) },
    hand: hand ? handOf(hand) : DEFAULT_SETUP.hand,
    left: oneOf('left', values.left, LEFT_SCHOOLS) ?? DEFAULT_SETUP.left,
    right: oneOf('right', values.right, RIGHT_SCHOOLS) ?? DEFAULT_SETUP.right,
    ...(tempo !== undefined && { tempo }),
  };
};

const complain = (message: string): 1 => {
  process.stderr.write(`oculon: ${message}\n`);
  return 1;
};

const fileTrouble = (path: string, error: unknown): string => {
  const code = (error as { code?: string }).code;
  if (code === 'ENOENT') return `${path}: there is no such file or folder.`;
  if (code === 'EACCES' || code === 'EPERM') return `${path}: access is not allowed.`;
  if (code === 'EISDIR') return `${path} is a folder; name a file.`;
  return `${path}: ${(error as Error).message}`;
};

/** `oculon plan FILE`: reads a piece, plans both hands, prints a table or JSON, writes MusicXML on request. */
export const plan = async (args: readonly string[]): Promise<0 | 1> => {
  const { values, positionals } = readArguments(args);
  const [file, ...more] = positionals;
  if (file === undefined) throw new UsageError('name the file to plan');
  if (more.length > 0) throw new UsageError(`one file at a time; “${more.join(' ')}” is too much`);
  const range = readRange(values.bars);
  const wanted = readSetup(values);

  let bytes: Uint8Array;
  try {
    bytes = await readFile(file);
  } catch (error) {
    return complain(fileTrouble(file, error));
  }
  const started = performance.now();
  const source = readSourceFile(bytes);
  if (!source.ok) return complain(`${file}: ${source.error.message}`);
  const readOptions = values.part === undefined ? {} : { part: values.part };
  const imported = readMusicXml(source.value, readOptions);
  if (!imported.ok) return complain(`${file}: ${imported.error.message}`);
  const parse = performance.now() - started;
  const { score, repairs } = imported.value;
  if (range && range.from > score.bars.length)
    throw new UsageError(`--bars begins at ${range.from}, but the piece has ${score.bars.length} bars`);
  for (const repair of repairs) process.stderr.write(`oculon: ${file}: ${repair.message}\n`);

  let timing = { left: 0, right: 0 };
  const result = planPiece(score, EMPTY_FINGERING, setupFor(score, wanted), {
    now: () => performance.now(),
    onTiming: (measured) => {
      timing = measured;
    },
  });
  if (values.out !== undefined) {
    const written = writeMusicXml(source.value, marksOf(result), readOptions);
    if (!written.ok) return complain(`${file}: ${written.error.message}`);
    try {
      await writeFile(values.out, written.value);
    } catch (error) {
      return complain(fileTrouble(values.out, error));
    }
  }
  const json = planJson(result, { parse, ...timing }, range);
  process.stdout.write(values.json ? `${JSON.stringify(json, null, 1)}\n` : planTable(json));
  return 0;
};
