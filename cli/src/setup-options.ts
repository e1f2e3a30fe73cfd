import { parseArgs, type ParseArgsConfig } from 'node:util';
import {
  DEFAULT_SETUP,
  HAND_SIZES,
  handOf,
  LANGUAGES,
  LEFT_SCHOOLS,
  millimetres,
  patternSchema,
  RIGHT_SCHOOLS,
  wordingIn,
  type BarRange,
  type HandSize,
  type PlanSetup,
  type Wording,
} from '@oculon/core';
import { UsageError } from './usage.ts';

export const SETUP_OPTIONS = {
  tempo: { type: 'string' },
  left: { type: 'string' },
  right: { type: 'string' },
  hand: { type: 'string' },
  'scale-length': { type: 'string' },
  tremolo: { type: 'string' },
  part: { type: 'string' },
  lang: { type: 'string' },
} as const;

/** The options and files of a command; an option that it does not have is a wrong command. */
export const readArguments = <const Options extends NonNullable<ParseArgsConfig['options']>>(
  args: readonly string[],
  options: Options,
) => {
  try {
    return parseArgs({ args: [...args], options, allowPositionals: true });
  } catch (error) {
    throw new UsageError((error as Error).message);
  }
};

export const oneOf = <const T extends string>(
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

export const readRange = (value: string | undefined): BarRange | undefined => {
  if (value === undefined) return undefined;
  const found = /^(\d+)(?:-(\d+))?$/.exec(value);
  const range = found && { from: Number(found[1]), to: Number(found[2] ?? found[1]) };
  if (!range || range.from < 1 || range.to < range.from)
    throw new UsageError(`--bars is A-B with A no larger than B, not “${value}”`);
  return range;
};

type SetupValues = { readonly [K in keyof typeof SETUP_OPTIONS]?: string | undefined };

const readTremolo = (value: string | undefined): Pick<PlanSetup, 'tremolo'> => {
  if (value === undefined) return {};
  const tremolo = patternSchema.safeParse(value);
  if (!tremolo.success)
    throw new UsageError(`--tremolo is an order of the letters p, i, m and a, not “${value}”`);
  return { tremolo: tremolo.data };
};

/** Tuning and capo come from the piece, the rest from the options. */
export const readSetup = (values: SetupValues): PlanSetup => {
  const scale = numberWithin('scale-length', values['scale-length'], 400, 700);
  const tempo = numberWithin('tempo', values.tempo, 10, 400);
  const hand = oneOf('hand', values.hand, Object.keys(HAND_SIZES) as HandSize[]);
  return {
    guitar: { ...DEFAULT_SETUP.guitar, ...(scale !== undefined && { scaleLength: millimetres(scale) }) },
    hand: hand ? handOf(hand) : DEFAULT_SETUP.hand,
    left: oneOf('left', values.left, LEFT_SCHOOLS) ?? DEFAULT_SETUP.left,
    right: oneOf('right', values.right, RIGHT_SCHOOLS) ?? DEFAULT_SETUP.right,
    ...readTremolo(values.tremolo),
    ...(tempo !== undefined && { tempo }),
  };
};

/** The language of what is said: English unless another is asked for. */
export const readLanguage = (value: string | undefined): Wording =>
  wordingIn(oneOf('lang', value, LANGUAGES) ?? 'en');

export const complain = (message: string): 1 => {
  process.stderr.write(`oculon: ${message}\n`);
  return 1;
};

export const fileTrouble = (path: string, error: unknown): string => {
  const code = (error as { code?: string }).code;
  if (code === 'ENOENT') return `${path}: there is no such file or folder.`;
  if (code === 'EACCES' || code === 'EPERM') return `${path}: access is not allowed.`;
  if (code === 'EISDIR') return `${path} is a folder; name a file.`;
  return `${path}: ${(error as Error).message}`;
};

/** The one file a command works on. */
export const oneFile = ([file, ...more]: readonly string[]): string => {
  if (file === undefined) throw new UsageError('name the file');
  if (more.length > 0) throw new UsageError(`one file at a time; “${more.join(' ')}” is too much`);
  return file;
};
