import { failure, success, type Result } from '../../music/result.ts';

/** One of some named values. */
export interface ChoiceParameter<Value extends string = string> {
  readonly kind: 'choice';
  readonly values: readonly Value[];
  readonly initial: Value;
}
/** A whole number from `least` to `most`. */
export interface NumberParameter {
  readonly kind: 'number';
  readonly least: number;
  readonly most: number;
  readonly initial: number;
}
/** Some of some named values in an order of one's own, each once. */
export interface SequenceParameter<Value extends string = string> {
  readonly kind: 'sequence';
  readonly values: readonly Value[];
  readonly initial: readonly Value[];
}
export type Parameter = ChoiceParameter | NumberParameter | SequenceParameter;
export type Parameters = Readonly<Record<string, Parameter>>;

/** What the parameters of a drill are set to. */
export type ValuesOf<P extends Parameters> = {
  readonly [Name in keyof P]: P[Name] extends ChoiceParameter<infer Value>
    ? Value
    : P[Name] extends NumberParameter
      ? number
      : P[Name] extends SequenceParameter<infer Value>
        ? readonly Value[]
        : never;
};
export type ParameterValue = string | number | readonly string[];

export const choice = <const Value extends string>(
  values: readonly Value[],
  initial: NoInfer<Value>,
): ChoiceParameter<Value> => ({ kind: 'choice', values, initial });
export const wholeNumber = (least: number, most: number, initial: number): NumberParameter => ({
  kind: 'number',
  least,
  most,
  initial,
});
export const sequence = <const Value extends string>(
  values: readonly Value[],
  initial: readonly NoInfer<Value>[] = values,
): SequenceParameter<Value> => ({ kind: 'sequence', values, initial });

/** Why a drill cannot be made as it was asked for. */
export type DrillProblem =
  | { readonly code: 'drill-unknown'; readonly values: { readonly asked: string } }
  | {
      readonly code: 'drill-parameter-unknown';
      readonly values: { readonly asked: string; readonly known: string };
    }
  | {
      readonly code: 'drill-value-unknown';
      readonly values: { readonly name: string; readonly asked: string; readonly known: string };
    };

/** What may be set, as a person types it: `C, D, E` or `1 to 12`. */
export const valuesText = (parameter: Parameter): string =>
  parameter.kind === 'number'
    ? `${parameter.least}–${parameter.most}`
    : parameter.kind === 'sequence'
      ? parameter.values.join('+')
      : parameter.values.join(', ');

/** A value as it was typed; undefined when the parameter has none such. Sequences are joined by `+`. */
const read = (parameter: Parameter, typed: string): ParameterValue | undefined => {
  switch (parameter.kind) {
    case 'choice':
      return parameter.values.find((value) => value === typed);
    case 'number': {
      const value = /^-?\d{1,4}$/.test(typed) ? Number(typed) : NaN;
      return value >= parameter.least && value <= parameter.most ? value : undefined;
    }
    case 'sequence': {
      const parts = typed.split('+');
      const isGood =
        parts.every((part) => parameter.values.includes(part)) && new Set(parts).size === parts.length;
      return isGood ? parts : undefined;
    }
  }
};

/** Parameters with what was typed for some of them, the others as they are at first. */
export const readValues = <P extends Parameters>(
  parameters: P,
  typed: Readonly<Record<string, string>>,
): Result<ValuesOf<P>, DrillProblem> => {
  const values: Record<string, ParameterValue> = {};
  for (const [name, parameter] of Object.entries(parameters)) values[name] = parameter.initial;
  for (const [name, text] of Object.entries(typed)) {
    const parameter = parameters[name];
    if (parameter === undefined)
      return failure({
        code: 'drill-parameter-unknown',
        values: { asked: name, known: Object.keys(parameters).join(', ') },
      });
    const value = read(parameter, text);
    if (value === undefined)
      return failure({
        code: 'drill-value-unknown',
        values: { name, asked: text, known: valuesText(parameter) },
      });
    values[name] = value;
  }
  return success(values as ValuesOf<P>);
};

/** Values as a person would type them. */
export const typedValues = (values: Readonly<Record<string, ParameterValue>>): Record<string, string> =>
  Object.fromEntries(
    Object.entries(values).map(([name, value]) => [
      name,
      typeof value === 'object' ? value.join('+') : String(value),
    ]),
  );
