import { shortened } from '../../fingering/human-text.ts';
import type { Repair } from '../import-problem.ts';
import { childNamed, type XmlElement } from '../xml/tree.ts';

interface NumberRule {
  readonly least: number;
  readonly most: number;
  /** Whether fractions are refused too. */
  readonly whole: boolean;
}

const whole = (least: number, most: number): NumberRule => ({ least, most, whole: true });

/**
 * What the numbers of a file may be, by the name of their element or attribute (MusicXML 4.0 gives the kinds; the ranges
 * are what music for a guitar can need, with room to spare).
 */
const NUMBER_RULES = {
  divisions: whole(1, 1_000_000),
  // How long that is in quarters is looked at where the divisions are known.
  duration: { least: 0, most: 1e12, whole: false },
  offset: { least: -1e12, most: 1e12, whole: false },
  // Quarter-tones have half a semitone.
  alter: { least: -3, most: 3, whole: false },
  octave: whole(0, 9),
  chromatic: whole(-36, 36),
  'octave-change': whole(-3, 3),
  'clef-octave-change': whole(-2, 2),
  fifths: whole(-7, 7),
  beats: whole(1, 999),
  'beat-type': whole(1, 128),
  capo: whole(0, 11),
  'staff-lines': whole(0, 12),
  'tuning-alter': whole(-2, 2),
  'tuning-octave': whole(0, 9),
  'actual-notes': whole(1, 128),
  'normal-notes': whole(1, 128),
  tempo: { least: 4, most: 2000, whole: false },
  'per-minute': { least: 4, most: 2000, whole: false },
  times: whole(2, 99),
  line: whole(1, 12),
} as const satisfies Record<string, NumberRule>;
export type FileNumber = keyof typeof NUMBER_RULES;

/** Decimal numbers as XML writes them; `Infinity`, `0x10` and `1e308` are none. */
const DECIMAL = /^[+-]?(\d+(\.\d*)?|\.\d+)$/;

const readNumber = (text: string, rule: NumberRule): number | undefined => {
  const value = DECIMAL.test(text) ? Number(text) : NaN;
  return value >= rule.least && value <= rule.most && (!rule.whole || Number.isInteger(value))
    ? value
    : undefined;
};

/** Told at most, so that a file full of nonsense does not bury what else is to be said. */
const MOST_TOLD = 20;
const LONGEST_SHOWN = 20;

/**
 * The one gate for numbers of a file: what leaves it is finite and in range, and whole where it must be. What does not
 * pass counts as missing and is listed with its place.
 */
export class NumberGate {
  /** The bar that is being read, as a reader can find it. */
  bar = '';
  private told = 0;
  private readonly repairs: Repair[];

  constructor(repairs: Repair[]) {
    this.repairs = repairs;
  }

  /** The number of a child element; undefined when it is missing or refused. */
  child(parent: XmlElement, name: FileNumber): number | undefined {
    const element = childNamed(parent, name);
    return element && this.text(element.text, name, element.line);
  }

  /** A number written as text, or undefined when it is refused; nothing at all is no number and no fault. */
  text(text: string, name: FileNumber, line: number): number | undefined {
    const trimmed = text.trim();
    if (trimmed === '') return undefined;
    const value = readNumber(trimmed, NUMBER_RULES[name]);
    if (value === undefined) this.refuse(trimmed, name, line);
    return value;
  }

  refuse(text: string, name: FileNumber, line: number): void {
    this.told += 1;
    if (this.told > MOST_TOLD) return;
    const shown = text.length > LONGEST_SHOWN ? `${shortened(text, LONGEST_SHOWN)}…` : text;
    this.repairs.push({
      code: 'number-out-of-range',
      values: { bar: this.bar, name, text: shown, line },
    });
  }
}
