import { harmonicPlacesOf, openPitch, placesOf, STRINGS, type Guitar } from '../../instrument/guitar.ts';
import type { HarmonicKind, SourceFingering } from '../../score/score.ts';
import type { Repair } from '../import-problem.ts';
import { childNamed, childrenNamed, type XmlElement } from '../xml/tree.ts';

const PLUCK_LETTERS = /^[pimac]$/i;
const PLAIN_FINGER = /^[0-4]$/;
/** A finger that is exchanged on the note: `1-3`. */
const EXCHANGED = /^([1-4])\s*[-–]\s*[1-4]$/;

const fingeringsIn = (technical: readonly XmlElement[]): readonly XmlElement[] =>
  technical.flatMap((each) => childrenNamed(each, 'fingering')).filter(({ text }) => text.trim() !== '');

const isAside = ({ attributes }: XmlElement): boolean =>
  attributes.substitution === 'yes' || attributes.alternate === 'yes';

/** The `fingering` elements of a note by what they are to the planner. */
export interface FingeringElements {
  /** The one plain finger; several of them on one note speak of a whole chord, and none is meant for the note alone. */
  readonly finger: XmlElement | undefined;
  readonly plucks: readonly XmlElement[];
  /** Substitutions, alternatives, several fingers at once, thumbs: kept as they stand. */
  readonly others: readonly XmlElement[];
}

export const fingeringElements = (technical: readonly XmlElement[]): FingeringElements => {
  const all = fingeringsIn(technical);
  const plucks = all.filter(({ text }) => PLUCK_LETTERS.test(text.trim()));
  const plain = all.filter((each) => PLAIN_FINGER.test(each.text.trim()) && !isAside(each));
  const isOne = new Set(plain.map(({ text }) => text.trim())).size === 1;
  const finger = isOne ? plain[0] : undefined;
  return {
    finger,
    plucks,
    others: all.filter((each) => !plucks.includes(each) && !(isOne && plain.includes(each))),
  };
};

const otherText = ({ text, attributes }: XmlElement): string =>
  attributes.substitution === 'yes'
    ? `–${text.trim()}`
    : attributes.alternate === 'yes'
      ? `(${text.trim()})`
      : text.trim();

/** `fingering`, `string`, `fret` and `pluck` of a note; a letter written as a fingering is a pluck, `open-string` a 0. */
export const readFingering = (technical: readonly XmlElement[]): SourceFingering => {
  const texts = (name: string) =>
    technical.flatMap((each) => childrenNamed(each, name).map((child) => child.text.trim()));
  const { finger, plucks, others } = fingeringElements(technical);
  const exchanged = others.map(({ text }) => EXCHANGED.exec(text.trim())?.[1]).find(Boolean);
  const isOpen = technical.some((each) => childNamed(each, 'open-string') !== undefined);
  const digit = finger?.text.trim() ?? exchanged ?? (isOpen ? '0' : undefined);
  const pluck = texts('pluck').find((text) => PLUCK_LETTERS.test(text)) ?? plucks[0]?.text.trim();
  const string = texts('string').find((text) => /^\d{1,2}$/.test(text));
  const fret = texts('fret').find((text) => /^\d{1,2}$/.test(text));
  return {
    ...(digit !== undefined && { finger: Number(digit) }),
    ...(string !== undefined && { string: Number(string) }),
    ...(fret !== undefined && { fret: Number(fret) }),
    ...(pluck !== undefined && { pluck: pluck.toLowerCase() }),
    ...(others.length > 0 && { other: others.map(otherText) }),
  };
};

/** Where a note stands in the file: printed bar, voice, quarters from the start of the bar. */
export interface RepairPlace {
  readonly bar: string;
  readonly voice: string;
  readonly beat: string;
}

/** `string` and `fret` that agree with the pitch; what disagrees is left out and listed. Only a harmonic keeps its fret. */
export const checkedFingering = (
  source: SourceFingering,
  pitch: number,
  harmonic: HarmonicKind | undefined,
  guitar: Guitar,
  where: RepairPlace,
  repairs: Repair[],
): SourceFingering => {
  const { string, fret, ...rest } = source;
  if (string === undefined) return rest;
  const known = STRINGS.find((each) => each === string);
  if (known === undefined) {
    repairs.push({ code: 'unknown-string', values: { ...where, string } });
    return rest;
  }
  if (harmonic) {
    const places = harmonic === 'natural' ? harmonicPlacesOf(guitar, pitch) : placesOf(guitar, pitch - 12);
    const isThere = places.some((place) => place.string === known && place.fret === fret);
    return { ...rest, string, ...(fret !== undefined && isThere && { fret }) };
  }
  if (!placesOf(guitar, pitch).some((place) => place.string === known)) {
    repairs.push({
      code: 'unreachable-string',
      values: { ...where, string, open: openPitch(guitar, known) },
    });
    return rest;
  }
  if (fret !== undefined && fret !== pitch - openPitch(guitar, known))
    repairs.push({ code: 'wrong-fret', values: { ...where, string, fret } });
  return { ...rest, string };
};
