import { readStringSign } from '../../instrument/string-sign.ts';
import { STANDARD_TUNING } from '../../instrument/guitar.ts';
import { midi, type Midi } from '../../music/pitch.ts';

/** Semitones above C of note names: letters, and the syllables of the Romance languages. `H` is the German B. */
const NAMES: Readonly<Record<string, number>> = {
  c: 0, d: 2, e: 4, f: 5, g: 7, a: 9, b: 11, h: 11,
  do: 0, ut: 0, re: 2, ré: 2, mi: 4, fa: 5, sol: 7, la: 9, si: 11,
}; // prettier-ignore

/** Words for the strings that are ever retuned alone, ⑥ first. */
const ORDINALS: Readonly<Record<string, number>> = {
  sixth: 6, sexta: 6, sesta: 6, sixième: 6, sechste: 6,
  fifth: 5, quinta: 5, cinquième: 5, fünfte: 5,
  fourth: 4, cuarta: 4, quarta: 4, quatrième: 4, vierte: 4,
  third: 3, tercera: 3, terceira: 3, terza: 3, troisième: 3, dritte: 3,
  second: 2, segunda: 2, seconda: 2, deuxième: 2, zweite: 2,
  first: 1, primera: 1, primeira: 1, prima: 1, première: 1, erste: 1,
}; // prettier-ignore

const NOTE = String.raw`(do|ut|r[eé]|mi|fa|sol|la|si|[a-h])\s*(#|♯|b(?![a-z])|♭|sharp|flat|sostenido|bemol|diesis|bemolle|dièse|bémol|is\b)?`;
const JOINED = String.raw`\s*(?:=|:|→|\b(?:tuned\s+to|down\s+to|to|in|en|a|à|em|auf|nach|is)\b)\s*`;
const NOUN = String.raw`(?:\s*(?:string|cuerda|corda|corde|saite))?`;
const SUFFIX = String.raw`(?:\s*(?:st|nd|rd|th|ª|º|\.ª|a|e|è?me|ème|te|\.))`;

/** ⑥ = D, (6) = D, 6ª en Re, 6th string to D, sexta en Re. */
const PATTERNS: readonly RegExp[] = [
  new RegExp(`([①②③④⑤⑥])${NOUN}${JOINED}${NOTE}(?![a-zé])`, 'giu'),
  new RegExp(`\\(?\\b([1-6])\\)?${SUFFIX}?${NOUN}\\s*[=:→]\\s*${NOTE}(?![a-zé])`, 'giu'),
  new RegExp(`\\b([1-6])${SUFFIX}${NOUN}${JOINED}${NOTE}(?![a-zé])`, 'giu'),
  new RegExp(`\\b([1-6])\\s*(?:string|cuerda|corda|corde|saite)${JOINED}${NOTE}(?![a-zé])`, 'giu'),
  new RegExp(`\\b(${Object.keys(ORDINALS).join('|')})${NOUN}${JOINED}${NOTE}(?![a-zé])`, 'giu'),
];

/** Farther than this nobody tunes a string of a classical guitar, in semitones. */
const FARTHEST = 5;

const accidental = (sign: string | undefined): number =>
  sign === undefined ? 0 : /^(#|♯|sharp|sostenido|diesis|dièse|is)$/i.test(sign) ? 1 : -1;

/** The pitch of a note name in the octave nearest to what the string has in standard tuning. */
const onString = (string: number, name: string, sign: string | undefined): Midi | undefined => {
  const standard = STANDARD_TUNING[string - 1]!;
  const pitchClass = NAMES[name.toLowerCase()]! + accidental(sign);
  const apart = ((((pitchClass - standard) % 12) + 18) % 12) - 6;
  return Math.abs(apart) <= FARTHEST ? midi(standard + apart) : undefined;
};

/** Six letters from ⑥ to ①: DADGBE, D A D F# A D. */
const sequence = (text: string): ReadonlyMap<number, Midi> | undefined => {
  const found = /^(?:[\p{L}]{6,}\s*:?\s+)?((?:[A-G][#♯b♭]?[\s,–-]*){5}[A-Ge][#♯b♭]?)\.?$/u.exec(text.trim());
  const names = found?.[1]!.match(/[A-Ge][#♯b♭]?/g);
  if (names?.length !== 6) return undefined;
  const tuning = new Map<number, Midi>();
  names.forEach((name, index) => {
    const pitch = onString(6 - index, name[0]!, name[1]);
    if (pitch !== undefined) tuning.set(6 - index, pitch);
  });
  return tuning.size === 6 ? tuning : undefined;
};

/** Strings (1 to 6) and their open sounds as words above the music give them; empty when the words speak of something else. */
export const tuningInWords = (text: string): ReadonlyMap<number, Midi> => {
  const whole = sequence(text);
  if (whole) return whole;
  const tuning = new Map<number, Midi>();
  if (/\bdrop(ped)?[\s-]*d\b/i.test(text)) {
    tuning.set(6, midi(38));
    if (/\bdouble\b/i.test(text)) tuning.set(1, midi(62));
  }
  for (const pattern of PATTERNS)
    for (const [, sign, name, sharp] of text.matchAll(pattern)) {
      const string = readStringSign(sign!) ?? ORDINALS[sign!.toLowerCase()] ?? Number(sign);
      const pitch = onString(string, name!, sharp);
      if (pitch !== undefined && !tuning.has(string)) tuning.set(string, pitch);
    }
  return tuning;
};

const ROMAN_FRETS = ['I', 'II', 'III', 'IV', 'V', 'VI', 'VII', 'VIII', 'IX', 'X'];

/** The fret of a capo as words above the music give it: Capo 2, capotasto III, cejilla 5; undefined where they give none. */
export const capoInWords = (text: string): number | undefined => {
  const found =
    /(?<!\b[Dd]a\s{0,2})(?<!\b[Dd]\.\s{0,2})\b(?:[Cc]apo(?:tasto|daster)?|CAPO|[Kk]apodaster|[Cc]ejilla)\b[^\dIVX]{0,12}(\d{1,2}|[IVX]{1,4})\b/u.exec(
      text,
    )?.[1];
  if (found === undefined) return undefined;
  const fret = /^\d/.test(found) ? Number(found) : ROMAN_FRETS.indexOf(found) + 1;
  return fret >= 1 && fret <= 10 ? fret : undefined;
};
