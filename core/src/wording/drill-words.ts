import { romanNumeral } from '../formats/musicxml/marks/mark-text.ts';
import { stringSign } from '../instrument/string-sign.ts';
import type { DrillName } from '../practice/drills/catalogue.ts';
import { drillKindNamed, type Drill } from '../practice/drills/drill.ts';
import type { DrillGroup } from '../practice/drills/drill-kind.ts';
import {
  CHORD_FIFTHS,
  keyOn,
  pitchClassOf,
  SCALES,
  type ChordName,
  type Key,
  type ScaleName,
  type Tonic,
} from '../practice/drills/keys.ts';
import type { DrillProblem, ParameterValue } from '../practice/drills/parameter.ts';
import type { ProgressionName } from '../practice/drills/progressions.ts';
import type { MessageKey } from './catalogue.ts';
import { ENGLISH } from './english.ts';
import type { MessageValues, Wording } from './wording.ts';

export const drillName = ({ say }: Wording, kind: DrillName): string => say(`drill.name.${kind}`);
export const drillAbout = ({ say }: Wording, kind: DrillName): string => say(`drill.about.${kind}`);
export const drillGroupName = ({ say }: Wording, group: DrillGroup): string => say(`drill.group.${group}`);
export const drillProblemText = ({ say }: Wording, { code, values }: DrillProblem): string =>
  say(`drill.problem.${code}`, values);
/** What is to be minded when a drill is practised, each thing once. */
export const drillCare = ({ say }: Wording, kind: DrillName): readonly string[] =>
  drillKindNamed(kind)!.care.map((care) => say(`drill.care.${care}`));

export const parameterName = ({ say }: Wording, name: string): string =>
  say(`drill.parameter.${name}` as MessageKey);

const isNamed = (key: string): key is MessageKey => key in ENGLISH;
const noteOf = ({ note }: Wording, { step, alter }: Pick<Key, 'step' | 'alter'>): string =>
  note({ step, alter, octave: 4 });

/** Parameters that are positions, and those that are strings. */
const POSITIONS: ReadonlySet<string> = new Set(['position', 'next-position']);
const STRINGS: ReadonlySet<string> = new Set(['string', 'shift-string']);

/** A value as it is shown to choose from: `E♭`, `position V`, `3–4`. */
export const valueName = (wording: Wording, name: string, value: ParameterValue): string => {
  if (typeof value === 'object') return value.map((each) => valueName(wording, name, each)).join(' ');
  if (typeof value === 'number') return POSITIONS.has(name) ? romanNumeral(value) : String(value);
  if (name === 'tonic' || name === 'root') return noteOf(wording, keyOn(pitchClassOf(value as Tonic), 0));
  if (STRINGS.has(name)) return stringSign(Number(value));
  if (name === 'pairs') return `${value[0]}–${value[1]}`;
  if (name === 'chords' && value !== 'open-strings') return chordNames(value);
  if (name === 'line' && value !== 'line' && value !== 'zigzag')
    return value.toUpperCase().replaceAll('-', ' ');
  const key = `drill.choice.${value}`;
  if (isNamed(key)) return wording.say(key);
  // Fingers in turn.
  return /^[pima]+$/.test(value) ? [...value].join(' ') : value;
};

/** Chords of a progression as they are called on a lead sheet. */
const PROGRESSION_TEXTS: Readonly<Partial<Record<ProgressionName, string>>> = {
  'a-minor': 'Am Dm E7 Am',
  'c-major': 'C Am Dm G',
  'e-minor': 'Em Am D G',
  'd-major': 'D G A7 D',
  'e-major': 'E A7 E7 E',
};
const chordNames = (value: string): string => PROGRESSION_TEXTS[value as ProgressionName] ?? value;

/** Begins with a capital, unless it begins with the letter of a finger. */
const capital = (text: string): string =>
  /^[pima] /.test(text) ? text : `${text.slice(0, 1).toLocaleUpperCase()}${text.slice(1)}`;

/** The title of a drill: `A harmonic minor in position V`. */
export const drillTitle = (wording: Wording, { kind, values }: Drill): string => {
  const said: Record<string, string | number> = {};
  for (const [name, value] of Object.entries(values))
    said[name.replaceAll(/-(\w)/g, (_, letter: string) => letter.toUpperCase())] =
      typeof value === 'number' && !POSITIONS.has(name) ? value : valueName(wording, name, value);
  const { tonic, scale, root, chord } = values as Readonly<Record<string, string>>;
  // Spelled as on the page: C♯ minor rather than D♭ minor.
  if (tonic && scale)
    said.tonic = noteOf(wording, keyOn(pitchClassOf(tonic as Tonic), SCALES[scale as ScaleName].fifths));
  if (root && chord)
    said.root = noteOf(wording, keyOn(pitchClassOf(root as Tonic), CHORD_FIFTHS[chord as ChordName]));
  return capital(wording.say(`drill.title.${kind}`, said satisfies MessageValues));
};
