import {
  DENSITIES,
  EMPTY_FINGERING,
  marksJson,
  markText,
  planPiece,
  setupFor,
  type MarksJson,
  type Plan,
  type Wording,
} from '@oculon/core';
import { openPiece } from './open-piece.ts';
import {
  complain,
  oneFile,
  oneOf,
  readArguments,
  readLanguage,
  readSetup,
  SETUP_OPTIONS,
} from './setup-options.ts';

const OPTIONS = { ...SETUP_OPTIONS, json: { type: 'boolean' }, density: { type: 'string' } } as const;

const COLUMN_WIDTH = 7;
const row = (cells: readonly string[]): string =>
  cells
    .map((cell) => cell.padEnd(COLUMN_WIDTH))
    .join(' ')
    .trimEnd();

/** The marks as a table a person can read: notes without marks are left out. */
const marksTable = (wording: Wording, plan: Plan, { piece, notes, signs, reads }: MarksJson): string => {
  const { say } = wording;
  const count = (field: 'finger' | 'string' | 'pluck') => notes.filter((note) => note[field]).length;
  const rows = notes.flatMap(({ bar, number, beat, voice, pitch, finger, string, pluck }, index) => {
    if (!finger && !string && !pluck) return [];
    const planned = plan.notes[index]!;
    const shown = (is: boolean, value: string | number | undefined): string => (is ? String(value) : '');
    return [
      row([
        number || `#${bar}`,
        beat,
        voice,
        pitch,
        shown(finger, planned.finger),
        shown(string, planned.string),
        shown(pluck, planned.pluck),
      ]),
    ];
  });
  return [
    say('command.on-page', {
      title: piece.title || say('command.untitled'),
      digits: count('finger'),
      strings: count('string'),
      letters: count('pluck'),
      notes: piece.notes,
    }),
    say('command.page-reads', { reads: reads ? 'yes' : 'no' }),
    '',
    row(
      (['bar', 'beat', 'voice', 'note', 'finger', 'string', 'pluck'] as const).map((name) =>
        say(`command.column.${name}`),
      ),
    ),
    ...rows,
    ...(signs.length > 0 ? ['', say('command.signs')] : []),
    ...signs.map(({ bar, beat, untilBar, untilBeat, ...mark }) => {
      const sign = [say(`mark.${mark.kind}`), markText(wording, mark)].filter(Boolean).join(' ');
      return `  ${say('command.sign-span', { bar, beat, untilBar, untilBeat, sign })}`;
    }),
    '',
  ].join('\n');
};

/** `oculon marks FILE`: which marks stand on the page at a density, as a table or as `oculon.marks/1`. */
export const marks = async (args: readonly string[]): Promise<0 | 1> => {
  const { values, positionals } = readArguments(args, OPTIONS);
  const file = oneFile(positionals);
  const density = oneOf('density', values.density, DENSITIES) ?? 'essential';
  const wanted = readSetup(values);
  const wording = readLanguage(values.lang);
  const opened = await openPiece(file, values.part, wording);
  if (!opened.ok) return complain(opened.problem);
  const { score } = opened.imported;
  const plan = planPiece(score, EMPTY_FINGERING, setupFor(score, wanted));
  const json = marksJson(plan, density);
  process.stdout.write(values.json ? `${JSON.stringify(json, null, 1)}\n` : marksTable(wording, plan, json));
  return 0;
};
