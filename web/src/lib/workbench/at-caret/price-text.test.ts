import { describe, expect, it } from 'vitest';
import { leftTermWords as termWords } from '../../words.ts';
import { priceText } from './price-text.ts';

describe('what a choice brings about, in words', () => {
  it('names the largest differences first, three at most', () => {
    expect(termWords({ shift: 3.2, stretch: -1.1, hop: 0.4, barre: 0.2 })).toBe(
      'more shifting, easier hand, fingers hop',
    );
  });
  it('keeps small differences to itself', () => {
    expect(termWords({ shift: 0.05 })).toBe('much the same for the hand');
  });
  it('calls the cheapest the best', () => {
    expect([priceText(0), priceText(0.84)]).toEqual(['best', '+0.8']);
  });
});
