import type { LeftTerm, Remedy, RightSchool } from '@oculon/core';

export const RIGHT_SCHOOL_NAMES: Readonly<Record<RightSchool, string>> = {
  free: 'free choice',
  'strict-im': 'strict i–m',
  'strict-mi': 'strict m–i',
  'three-finger': 'three fingers a–m–i',
  'thumb-index': 'p–i',
  'finger-per-string': 'a finger for each string',
};

export const REMEDY_WORDS: Readonly<Record<Remedy, string>> = {
  'leave-out': 'leave it out',
  'octave-up': 'an octave higher',
  'octave-down': 'an octave lower',
  short: 'let it go at the next note',
};

/** How a term is named when there is more or less of it. */
const MORE_AND_LESS: Readonly<Record<LeftTerm, readonly [more: string, less: string]>> = {
  placing: ['more fingers to place', 'fewer fingers to place'],
  'weak finger': ['more of the weak fingers', 'less of the weak fingers'],
  extension: ['fingers away from home', 'fingers closer to home'],
  stretch: ['wider hand', 'easier hand'],
  barre: ['more barre', 'less barre'],
  height: ['higher on the neck', 'lower on the neck'],
  'open string': ['open strings among stopped notes', 'fewer open strings among stopped notes'],
  'string change': ['the voice skips strings', 'the voice stays on its strings'],
  shift: ['more shifting', 'less shifting'],
  guide: ['more guide fingers', 'fewer guide fingers'],
  hop: ['fingers hop', 'fewer hops'],
  'finger change': ['fingers replace each other', 'fewer changes of finger'],
  'ringing lifted': ['notes stop ringing', 'more notes ring on'],
  slur: ['slurs come out worse', 'slurs come out better'],
  'held note cut': ['a held note is cut', 'no held note is cut'],
};

/** Differences worth naming, the largest first. */
const NAMED = 3;
const WORTH_NAMING = 0.15;

/** What becomes different, in words: `more shifting, easier hand`. */
export const termWords = (terms: Readonly<Partial<Record<LeftTerm, number>>>): string => {
  const words = (Object.entries(terms) as [LeftTerm, number][])
    .filter(([, amount]) => Math.abs(amount) >= WORTH_NAMING)
    .sort(([, a], [, b]) => Math.abs(b) - Math.abs(a))
    .slice(0, NAMED)
    .map(([term, amount]) => (amount > 0 ? MORE_AND_LESS[term][0] : MORE_AND_LESS[term][1]));
  return words.length > 0 ? words.join(', ') : 'much the same for the hand';
};

/** A price as it stands beside a choice. */
export const priceText = (price: number): string => (price < 0.05 ? 'best' : `+${price.toFixed(1)}`);
