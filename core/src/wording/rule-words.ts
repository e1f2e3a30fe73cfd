import type { PassageRule } from '../fingering/rules.ts';
import { romanNumeral } from '../formats/musicxml/marks/mark-text.ts';
import { yesNo, type Wording } from './wording.ts';

const whatIsAsked = ({ say }: Wording, rule: PassageRule, label: (bar: number) => string): string => {
  switch (rule.kind) {
    case 'position':
      return say('rule.position', { position: romanNumeral(rule.position) });
    case 'stopped':
      return say('rule.stopped');
    case 'ringing':
      return say('rule.ringing', { rings: yesNo(rule.rings) });
    case 'barre':
      return say('rule.barre', { fret: romanNumeral(rule.fret) });
    case 'no-barre':
      return say('rule.no-barre');
    case 'same':
      return say('rule.same', { bar: label(rule.as) });
    case 'school':
      return [
        say(`right-school.${rule.school}`),
        ...(rule.doubleThumb === false ? [say('rule.no-double-thumb')] : []),
        ...(rule.keepOrder === false ? [say('rule.each-cell')] : []),
      ].join(', ');
    case 'pattern':
      return [...rule.pattern].join(' ');
    case 'planting':
      return say(`planting.${rule.how}`);
    case 'stroke':
      return say('rule.stroke', { stroke: rule.stroke, voice: rule.voice });
  }
};

/** A rule: `Bars 3–5: position V`. `label` prints a bar (counted from 0) as it is numbered on the page. */
export const ruleText = (wording: Wording, rule: PassageRule, label: (bar: number) => string): string =>
  wording.say('rule.bars', {
    several: yesNo(rule.from !== rule.to),
    from: label(rule.from),
    to: label(rule.to),
    what: whatIsAsked(wording, rule, label),
  });
