import { writeFile } from 'node:fs/promises';
import {
  DRILL_KINDS,
  drillAbout,
  drillCare,
  drillName,
  drillProblemText,
  drillSource,
  drillTitle,
  EMPTY_FINGERING,
  findingText,
  marksOf,
  parameterName,
  planJson,
  planPiece,
  problemText,
  readDrill,
  readMusicXml,
  setupFor,
  valuesText,
  wantedMarks,
  writeMusicXml,
  type Wording,
} from '@oculon/core';
import { planTable } from './plan-table.ts';
import {
  complain,
  fileTrouble,
  readArguments,
  readLanguage,
  readSetup,
  SETUP_OPTIONS,
} from './setup-options.ts';
import { UsageError } from './usage.ts';

const OPTIONS = { ...SETUP_OPTIONS, json: { type: 'boolean' }, out: { type: 'string' } } as const;

const drillsJson = (wording: Wording) => ({
  schema: 'oculon.drills/1' as const,
  drills: DRILL_KINDS.map(({ name, group, care, parameters }) => ({
    kind: name,
    name: drillName(wording, name),
    about: drillAbout(wording, name),
    group,
    care,
    parameters: Object.entries(parameters).map(([parameter, what]) => ({ name: parameter, ...what })),
  })),
});

const drillsTable = (wording: Wording): string =>
  DRILL_KINDS.map(({ name, parameters }) =>
    [
      `${name}: ${drillName(wording, name)}. ${drillAbout(wording, name)}`,
      ...Object.entries(parameters).map(
        ([parameter, what]) =>
          `  ${parameter.padEnd(10)} ${parameterName(wording, parameter)}: ${valuesText(what)} (${String(what.kind === 'sequence' ? what.initial.join('+') : what.initial)})`,
      ),
    ].join('\n'),
  ).join('\n\n');

/** `NAME=VALUE` as they were typed, each name once. */
const readTyped = (texts: readonly string[]): Readonly<Record<string, string>> => {
  const typed: Record<string, string> = {};
  for (const text of texts) {
    const [, name, value] = /^([a-z-]+)=(.*)$/.exec(text) ?? [];
    if (name === undefined || value === undefined)
      throw new UsageError(`what is set is written NAME=VALUE, not “${text}”`);
    if (name in typed) throw new UsageError(`“${name}” is set twice`);
    typed[name] = value;
  }
  return typed;
};

/** `oculon drill KIND NAME=VALUE …`: makes a drill and plans both hands of it; `oculon drill list` names what there is. */
export const drill = async (args: readonly string[]): Promise<0 | 1> => {
  const { values, positionals } = readArguments(args, OPTIONS);
  const wording = readLanguage(values.lang);
  const [kind, ...typed] = positionals;
  if (kind === undefined) throw new UsageError('name the drill, or “list”');
  if (kind === 'list') {
    if (typed.length > 0) throw new UsageError(`“list” stands alone; “${typed.join(' ')}” is too much`);
    process.stdout.write(
      values.json ? `${JSON.stringify(drillsJson(wording), null, 1)}\n` : `${drillsTable(wording)}\n`,
    );
    return 0;
  }
  const made = readDrill(kind, readTyped(typed));
  if (!made.ok) throw new UsageError(drillProblemText(wording, made.error));
  const title = drillTitle(wording, made.value);
  const source = drillSource(made.value, title);
  const read = readMusicXml(source);
  if (!read.ok) throw new Error(problemText(wording, read.error));
  const { score, marks } = read.value;
  const plan = planPiece(score, EMPTY_FINGERING, setupFor(score, readSetup(values)));
  if (values.out !== undefined) {
    const written = writeMusicXml(source, marksOf(plan), { signs: wantedMarks(plan, marks) });
    if (!written.ok) throw new Error(problemText(wording, written.error));
    try {
      await writeFile(values.out, written.value);
    } catch (error) {
      return complain(fileTrouble(values.out, error));
    }
  }
  const json = planJson(plan, { parse: 0, left: 0, right: 0 }, (finding) => findingText(wording, finding));
  if (values.json)
    process.stdout.write(
      `${JSON.stringify({ schema: 'oculon.drill/1', kind: made.value.kind, title, parameters: made.value.values, care: drillCare(wording, made.value.kind), plan: json }, null, 1)}\n`,
    );
  else process.stdout.write(`${planTable(wording, json)}${drillCare(wording, made.value.kind).join('\n')}\n`);
  return 0;
};
