import {
  calendarOf,
  dayByClock,
  dayText,
  EMPTY_FINGERING,
  planPiece,
  practiceJson,
  practised,
  practiceTable,
  readDay,
  setupFor,
  spreadWeekdays,
  type Day,
  type PractisedPiece,
} from '@oculon/core';
import { basename } from 'node:path';
import { openPiece } from './open-piece.ts';
import { complain, readArguments, readLanguage, readSetup, SETUP_OPTIONS } from './setup-options.ts';
import { UsageError } from './usage.ts';

const OPTIONS = {
  ...SETUP_OPTIONS,
  json: { type: 'boolean' },
  minutes: { type: 'string' },
  days: { type: 'string' },
  from: { type: 'string' },
  until: { type: 'string' },
} as const;

/** Longest time that is planned, in days. */
const LONGEST = 366;

const wholeWithin = (
  name: string,
  value: string | undefined,
  usual: number,
  low: number,
  high: number,
): number => {
  if (value === undefined) return usual;
  const number = /^\d{1,4}$/.test(value) ? Number(value) : NaN;
  if (!(number >= low && number <= high))
    throw new UsageError(`--${name} is a whole number from ${low} to ${high}, not “${value}”`);
  return number;
};

const readDate = (name: string, value: string): Day => {
  const read = readDay(value);
  if (read === undefined) throw new UsageError(`--${name} is a date such as 2027-01-31, not “${value}”`);
  return read;
};

/** `oculon practice FILE…`: the hard spots of pieces, and a calendar of sessions until a day on which they are to be ready. */
export const practice = async (args: readonly string[]): Promise<0 | 1> => {
  const { values, positionals } = readArguments(args, OPTIONS);
  if (positionals.length === 0) throw new UsageError('name the files');
  const wording = readLanguage(values.lang);
  const minutes = wholeWithin('minutes', values.minutes, 30, 5, 240);
  const weekdays = spreadWeekdays(wholeWithin('days', values.days, 5, 1, 7));
  const from = values.from === undefined ? dayByClock(new Date()) : readDate('from', values.from);
  if (values.until === undefined) throw new UsageError('practice needs --until DATE');
  const until = readDate('until', values.until);
  if (until < from || until - from >= LONGEST)
    throw new UsageError(`--until lies within a year after ${dayText(from)}, not on ${dayText(until)}`);
  const wanted = readSetup(values);
  const pieces: PractisedPiece[] = [];
  for (const file of positionals) {
    const opened = await openPiece(file, values.part, wording);
    if (!opened.ok) return complain(opened.problem);
    const { score } = opened.imported;
    const same = pieces.filter(({ name }) => name.startsWith(basename(file))).length;
    const name = same === 0 ? basename(file) : `${basename(file)} ${same + 1}`;
    pieces.push(practised(planPiece(score, EMPTY_FINGERING, setupFor(score, wanted)), name));
  }
  const calendar = calendarOf({
    from,
    minutes,
    weekdays,
    days: Math.min(LONGEST, until - from + 1),
    goals: pieces.map(({ name }) => ({ piece: name, until })),
    spots: pieces.flatMap(({ name, spots }) =>
      spots.map(({ spot, ladder }) => ({ piece: name, spot: spot.id, effort: spot.effort, ladder })),
    ),
  });
  const json = practiceJson(from, minutes, weekdays, pieces, calendar);
  process.stdout.write(
    values.json ? `${JSON.stringify(json, null, 1)}\n` : `${practiceTable(wording, json)}\n`,
  );
  return 0;
};
