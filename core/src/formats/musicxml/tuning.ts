import { STANDARD_TUNING, STRINGS } from '../../instrument/guitar.ts';
import { midi, midiOf, STEPS, type Midi, type Step } from '../../music/pitch.ts';
import { childText, childrenNamed, descend, type XmlElement } from '../xml/tree.ts';
import type { NumberGate } from './numbers.ts';
import type { MeasureSource } from './measures.ts';
import { capoInWords, tuningInWords } from './tuning-words.ts';

/** Bars at the start in which words about the tuning speak of the whole piece. */
const OPENING_BARS = 2;

/** What a file says of the open strings, by string 1 to 6; strings it says nothing of are missing. */
export interface DeclaredTuning {
  readonly strings: ReadonlyMap<number, Midi>;
  /** More than six strings are written. */
  readonly hasSeventh: boolean;
}

/** Everything that the bars say about the instrument of their staff. */
export const staffDetails = (measures: readonly MeasureSource[]): readonly XmlElement[] =>
  measures.flatMap((measure) =>
    measure.children
      .filter((child) => child.name === 'attributes')
      .flatMap((each) => childrenNamed(each, 'staff-details')),
  );

const tuningPitch = (element: XmlElement, gate: NumberGate): Midi | undefined => {
  const step = STEPS.find((each) => each === childText(element, 'tuning-step'));
  const octave = gate.child(element, 'tuning-octave');
  return step === undefined || octave === undefined
    ? undefined
    : midiOf({ step: step as Step, alter: gate.child(element, 'tuning-alter') ?? 0, octave });
};

/** How far from standard some strings are, each at its best octave left as it is written. */
const strangeness = (strings: ReadonlyMap<number, number>): number =>
  [...strings].reduce((sum, [string, pitch]) => sum + Math.abs(pitch - STANDARD_TUNING[string - 1]!), 0);

/** Tunings written an octave high, or from the treble side, are turned as they are meant. */
const asMeant = (lines: ReadonlyMap<number, Midi>, count: number): ReadonlyMap<number, Midi> => {
  const readings = [false, true].flatMap((fromTreble) =>
    [0, -12, 12].map(
      (octave) =>
        new Map(
          [...lines]
            .map(([line, pitch]) => [fromTreble ? line : count + 1 - line, midi(pitch + octave)] as const)
            .filter(([string]) => string >= 1 && string <= 6),
        ),
    ),
  );
  return readings.reduce((best, each) => (strangeness(each) < strangeness(best) ? each : best));
};

const fromStaff = (details: readonly XmlElement[], gate: NumberGate): DeclaredTuning => {
  const lines = new Map<number, Midi>();
  let count = 6;
  for (const each of details) {
    const tunings = childrenNamed(each, 'staff-tuning');
    if (tunings.length > 0) count = Math.max(count, gate.child(each, 'staff-lines') ?? 0);
    for (const tuning of tunings) {
      const line = gate.text(tuning.attributes.line ?? '', 'line', tuning.line);
      const pitch = tuningPitch(tuning, gate);
      // What is said first holds: the same is often said again for the staff of tablature.
      if (line !== undefined && pitch !== undefined && !lines.has(line)) lines.set(line, pitch);
    }
  }
  count = Math.max(count, ...lines.keys());
  return { strings: lines.size === 0 ? new Map() : asMeant(lines, count), hasSeventh: count > 6 };
};

const fromScordatura = (measures: readonly MeasureSource[], gate: NumberGate): ReadonlyMap<number, Midi> => {
  const accords = measures.flatMap(({ children }) =>
    children
      .filter(({ name }) => name === 'direction')
      .flatMap((direction) => childrenNamed(direction, 'direction-type'))
      .flatMap((type) => childrenNamed(type, 'scordatura'))
      .flatMap((each) => childrenNamed(each, 'accord')),
  );
  const strings = new Map<number, Midi>();
  for (const accord of accords) {
    const string = STRINGS.find((each) => String(each) === accord.attributes.string?.trim());
    const pitch = tuningPitch(accord, gate);
    if (string !== undefined && pitch !== undefined && !strings.has(string)) strings.set(string, pitch);
  }
  const octaves = [0, -12, 12].map(
    (octave) => new Map([...strings].map(([string, pitch]) => [string, midi(pitch + octave)] as const)),
  );
  return octaves.reduce((best, each) => (strangeness(each) < strangeness(best) ? each : best));
};

/** Words that speak of the instrument for the whole piece: above its first bars, and on the page. */
const openingWords = (root: XmlElement, measures: readonly MeasureSource[]): readonly string[] => {
  const above = measures.slice(0, OPENING_BARS).flatMap(({ children }) =>
    children
      .filter(({ name }) => name === 'direction')
      .flatMap((direction) => childrenNamed(direction, 'direction-type'))
      .flatMap((type) => childrenNamed(type, 'words')),
  );
  const credits = childrenNamed(root, 'credit').flatMap((credit) => childrenNamed(credit, 'credit-words'));
  const notes = descend(root, 'identification', 'miscellaneous')?.children ?? [];
  return [...above, ...credits, ...notes].map(({ text }) => text);
};

/** Fret of the capo, 0 for none, and whether only words tell it: then the notes are those that are fingered. */
export interface DeclaredCapo {
  readonly fret: number;
  readonly isInWords: boolean;
}

export const declaredCapo = (
  root: XmlElement,
  measures: readonly MeasureSource[],
  gate: NumberGate,
): DeclaredCapo => {
  const written = staffDetails(measures)
    .map((each) => gate.child(each, 'capo'))
    .find((each) => each !== undefined);
  if (written !== undefined) return { fret: written, isInWords: false };
  const told = openingWords(root, measures)
    .map(capoInWords)
    .find((each) => each !== undefined);
  return { fret: told ?? 0, isInWords: told !== undefined };
};

/** Open strings as the file gives them: words and scordatura signs before what describes the staff. */
export const declaredTuning = (
  root: XmlElement,
  measures: readonly MeasureSource[],
  gate: NumberGate,
): DeclaredTuning => {
  const staff = fromStaff(staffDetails(measures), gate);
  const words = openingWords(root, measures).map(tuningInWords).toReversed();
  const strings = new Map([
    ...staff.strings,
    ...fromScordatura(measures, gate),
    ...words.flatMap((each) => [...each]),
  ]);
  return { ...staff, strings };
};

/** All six open strings, standard where nothing is said. */
export const wholeTuning = (strings: ReadonlyMap<number, Midi>): readonly Midi[] =>
  STANDARD_TUNING.map((standard, index) => strings.get(index + 1) ?? standard);

/** A string and fret written at a note, and what the note sounds by the reading that is tried. */
export interface WrittenPlace {
  readonly string: number;
  readonly fret: number;
  readonly midi: number;
}

/** Shares of a string's written frets that must agree before they overrule what is said of its tuning. */
const AGREEING = 0.8;
/** Retunings so common that one note is enough to tell them: ⑥ and ⑤ a tone down, ③ a semitone. Common practice, no published source. */
const COMMON_RETUNING: Readonly<Record<number, number>> = { 6: -2, 5: -2, 3: -1 };
const FARTHEST = 5;

/**
 * The tuning as the written strings and frets tell it: where nearly all frets of a string differ from the pitches by the
 * same step, and at least two different ones do, the string is tuned by that step.
 */
export const correctedTuning = (
  tuning: readonly Midi[],
  capo: number,
  places: readonly WrittenPlace[],
): readonly Midi[] =>
  tuning.map((open, index) => {
    const own = places.filter(({ string }) => string === index + 1);
    const votes = new Map<number, Set<number>>();
    const counts = new Map<number, number>();
    for (const { fret, midi: pitch } of own) {
      const step = pitch - fret - capo - open;
      votes.set(step, (votes.get(step) ?? new Set()).add(fret));
      counts.set(step, (counts.get(step) ?? 0) + 1);
    }
    const [step, count] = [...counts].sort((a, b) => b[1] - a[1])[0] ?? [0, 0];
    const isCommon = open === STANDARD_TUNING[index] && COMMON_RETUNING[index + 1] === step;
    const isTold = step !== 0 && Math.abs(step) <= FARTHEST && count >= AGREEING * own.length;
    return isTold && (votes.get(step)!.size > 1 || isCommon) ? midi(open + step) : open;
  });
