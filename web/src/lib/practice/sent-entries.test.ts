import { describe, expect, it } from 'vitest';
import { isAhead } from './sent-entries.ts';

describe('the day of an entry', () => {
  it('may be one ahead of the server’s, and no more', () => {
    const now = Date.UTC(2026, 10, 26, 12);
    expect(['2020-01-01', '2026-11-26', '2026-11-27'].some((day) => isAhead({ day }, now))).toBe(false);
    expect(['2026-11-28', '2126-11-26'].every((day) => isAhead({ day }, now))).toBe(true);
  });
});
