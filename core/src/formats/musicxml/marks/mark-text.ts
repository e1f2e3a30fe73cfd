import { readStringSign, stringSign } from '../../../instrument/string-sign.ts';
import type { Mark, MarkOf } from '../../../fingering/marks.ts';
import type { StringNumber } from '../../../instrument/guitar.ts';

const ROMAN = [
  'I',
  'II',
  'III',
  'IV',
  'V',
  'VI',
  'VII',
  'VIII',
  'IX',
  'X',
  'XI',
  'XII',
  'XIII',
  'XIV',
  'XV',
  'XVI',
  'XVII',
  'XVIII',
  'XIX',
] as const;
/** A position or fret as it is written above the staff. */
export const romanNumeral = (value: number): string => ROMAN[value - 1] ?? String(value);
const fromRoman = (text: string): number | undefined => {
  const at = ROMAN.findIndex((each) => each === text.toUpperCase());
  return at < 0 ? undefined : at + 1;
};

/** A barre in the trade's signs: `C V`, `½C II`, `C III (hinge)`, `½C VII (4)`. Handbook §1. */
export const barreWords = ({
  extent,
  finger,
  fret,
}: Pick<MarkOf<'barre'>, 'extent' | 'finger' | 'fret'>): string =>
  `${extent === 'partial' ? '½' : ''}C ${romanNumeral(fret)}${extent === 'hinge' ? ' (hinge)' : ''}${finger === 1 ? '' : ` (${finger})`}`;

const BARRE = /^(½|⅓|⅔|1\/2 ?)?[CB]\.? ?([IVX]+)( \(hinge\))?(?: \(([2-4])\))?$/i;
const POSITION = /^(?:pos\.? ?)?([IVX]+)\.?$/i;

export type BracketMark = Omit<MarkOf<'barre'>, 'from' | 'to'> | Omit<MarkOf<'position'>, 'from' | 'to'>;

/** What the words beside a bracket say, when they say a barre or a position. */
export const readBracketWords = (text: string): BracketMark | undefined => {
  const barre = BARRE.exec(text.trim());
  const fret = barre && fromRoman(barre[2]!);
  if (barre && fret !== undefined)
    return {
      kind: 'barre',
      fret: fret!,
      extent: barre[3] ? 'hinge' : barre[1] ? 'partial' : 'full',
      finger: (barre[4] ? Number(barre[4]) : 1) as 1 | 2 | 3 | 4,
    };
  const position = POSITION.exec(text.trim());
  const at = position && fromRoman(position[1]!);
  return at ? { kind: 'position', position: at } : undefined;
};

export const bracketWords = (mark: MarkOf<'barre'> | MarkOf<'position'>): string =>
  mark.kind === 'barre' ? barreWords(mark) : romanNumeral(mark.position);

export const dampWords = (string: StringNumber): string => stringSign(string);
export const readDampWords = (text: string): StringNumber | undefined =>
  readStringSign(text) as StringNumber | undefined;

/** Signs for which MusicXML has no element: `other-technical` at the note, in these words. */
export const technicalWords = (mark: Mark): string | undefined =>
  mark.kind === 'plant'
    ? `plant ${mark.fingers}`
    : mark.kind === 'stroke'
      ? `${mark.stroke} stroke`
      : undefined;

export const readTechnicalWords = (
  text: string,
): Omit<MarkOf<'plant'>, 'from'> | Omit<MarkOf<'stroke'>, 'from'> | undefined => {
  const plant = /^plant (p?i?m?a?)$/.exec(text.trim());
  if (plant?.[1]) return { kind: 'plant', fingers: plant[1] };
  const stroke = /^(rest|free) stroke$/.exec(text.trim());
  return stroke ? { kind: 'stroke', stroke: stroke[1] as 'rest' | 'free' } : undefined;
};
