import { romanNumeral, type PassageRule } from '@oculon/core';
import { RIGHT_SCHOOL_NAMES } from './words.ts';

export const PLANTING_WORDS = {
  full: 'fingers set at once',
  sequential: 'fingers set one by one',
  suited: 'fingers set as suits',
  none: 'no planting',
} as const;

const what = (rule: PassageRule, label: (bar: number) => string): string => {
  switch (rule.kind) {
    case 'position':
      return `position ${romanNumeral(rule.position)}`;
    case 'stopped':
      return 'no open strings';
    case 'ringing':
      return rule.rings ? 'rings' : 'as written';
    case 'barre':
      return `barre ${romanNumeral(rule.fret)}`;
    case 'no-barre':
      return 'no barre';
    case 'same':
      return `as bars from ${label(rule.as)} on`;
    case 'school':
      return [
        RIGHT_SCHOOL_NAMES[rule.school],
        ...(rule.doubleThumb === false ? ['no double thumb'] : []),
        ...(rule.keepOrder === false ? ['each cell by itself'] : []),
      ].join(', ');
    case 'pattern':
      return [...rule.pattern].join(' ');
    case 'planting':
      return PLANTING_WORDS[rule.how];
    case 'stroke':
      return `${rule.stroke} stroke${rule.voice === 'all' ? '' : `, ${rule.voice}`}`;
  }
};

/** A rule in words: `Bars 3–5: position V`. `label` prints a bar (counted from 0) as it is numbered on the page. */
export const ruleWords = (rule: PassageRule, label: (bar: number) => string): string => {
  const where =
    rule.from === rule.to ? `Bar ${label(rule.from)}` : `Bars ${label(rule.from)}–${label(rule.to)}`;
  return `${where}: ${what(rule, label)}`;
};
