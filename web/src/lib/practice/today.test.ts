import { describe, expect, it } from 'vitest';
import { dayText } from '@oculon/core';
import { isAhead } from './sent-entries.ts';
import { todayHere } from './today.ts';

describe('today', () => {
  it('is the day by the clock of whoever looks, late at night and early in the morning', () => {
    expect(dayText(todayHere(new Date(2026, 10, 26, 23, 59, 59)))).toBe('2026-11-26');
    expect(dayText(todayHere(new Date(2026, 10, 27, 0, 0, 1)))).toBe('2026-11-27');
    expect(dayText(todayHere(new Date(2028, 1, 29, 12)))).toBe('2028-02-29');
  });

  it('may be a day ahead of the server’s, and no more', () => {
    const now = Date.UTC(2026, 10, 26, 12);
    expect(['2020-01-01', '2026-11-26', '2026-11-27'].some((day) => isAhead({ day }, now))).toBe(false);
    expect(['2026-11-28', '2126-11-26'].every((day) => isAhead({ day }, now))).toBe(true);
  });
});
