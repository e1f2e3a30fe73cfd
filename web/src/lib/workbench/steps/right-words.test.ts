import type { PassageRule, RightWay } from '@oculon/core';
import { describe, expect, it } from 'vitest';
import { rightTermWords, ruleWords } from '../../words.ts';
import { differenceText, wayName } from './right-words.ts';

describe('the right hand in words', () => {
  it('names ways by what was asked', () => {
    const way = (asked: object) => ({ asked }) as RightWay;
    expect(wayName(way({ kind: 'pattern', pattern: 'pima' }))).toBe('p-i-m-a');
    expect(wayName(way({ kind: 'school', school: 'strict-mi' }))).toBe('strict m–i');
    expect(wayName(way({ kind: 'plan' }))).toBe('as planned');
  });
  it('tells a dearer way from a cheaper and an equal one', () => {
    expect([differenceText(0.84), differenceText(-1.2), differenceText(0.01)]).toEqual([
      '+0.8',
      '−1.2',
      'same',
    ]);
  });
  it('names the largest differences', () => {
    expect(rightTermWords({ crossing: 2, frame: -0.4, finger: 0.1 })).toBe(
      'more awkward crossings, the hand stays more',
    );
    expect(rightTermWords({})).toBe('much the same for the hand');
  });
  it('says every rule with its bars as they are numbered', () => {
    const say = (rule: PassageRule) => ruleWords(rule, (bar) => String(bar + 1));
    expect(say({ kind: 'planting', from: 0, to: 3, how: 'full' })).toBe('Bars 1–4: fingers set at once');
    expect(say({ kind: 'school', from: 0, to: 1, school: 'free', doubleThumb: false, keepOrder: true })).toBe(
      'Bars 1–2: free choice, no double thumb',
    );
    expect(say({ kind: 'barre', from: 2, to: 2, fret: 5 })).toBe('Bar 3: barre V');
    expect(say({ kind: 'same', from: 4, to: 7, as: 0 })).toBe('Bars 5–8: as bars from 1 on');
    expect(say({ kind: 'stroke', from: 0, to: 0, stroke: 'rest', voice: 'melody' })).toBe(
      'Bar 1: rest stroke, melody',
    );
  });
});
