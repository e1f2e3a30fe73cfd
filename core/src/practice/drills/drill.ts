import { failure, success, type Result } from '../../music/result.ts';
import { buildScore } from '../../score/draft/build-score.ts';
import { writeNewMusicXml } from '../../formats/musicxml/write-new.ts';
import { DRILL_KINDS, type DrillName } from './catalogue.ts';
import type { DrillKind } from './drill-kind.ts';
import { readValues, type DrillProblem, type ParameterValue } from './parameter.ts';

/** A drill as somebody wants it: its kind, and what every parameter is set to. */
export interface Drill {
  readonly kind: DrillName;
  readonly values: Readonly<Record<string, ParameterValue>>;
}

export const drillKindNamed = (name: string): (DrillKind & { readonly name: DrillName }) | undefined =>
  DRILL_KINDS.find((kind) => kind.name === name);

/** A drill from what was typed: parameters that are not named stay as they are at first. */
export const readDrill = (
  name: string,
  typed: Readonly<Record<string, string>>,
): Result<Drill, DrillProblem> => {
  const kind = drillKindNamed(name);
  if (!kind) return failure({ code: 'drill-unknown', values: { asked: name } });
  const values = readValues(kind.parameters, typed);
  return values.ok ? success({ kind: kind.name, values: values.value }) : values;
};

/**
 * The drill as a MusicXML document: a piece like any other, to be planned, shown, heard, printed and kept. Strings and
 * fingers that make it this drill are written at its notes. `title` names it to people.
 */
export const drillSource = ({ kind, values }: Drill, title: string): string => {
  const { bars } = drillKindNamed(kind)!.make(values as never);
  return writeNewMusicXml(buildScore({ title, bars }));
};
