import type { Density } from '@oculon/core';

/** Languages and ways to name notes, as they are offered. */
export const LANGUAGE_NAMES = [
  ['en', 'English'],
  ['es', 'Español'],
] as const;
export const NOTE_NAMES = [
  ['letters', 'C D E'],
  ['solfege', 'Do Re Mi'],
] as const;
/** How many marks stand on a page. */
export const DENSITY_NAMES: Readonly<Record<Density, string>> = {
  essential: 'Essential marks',
  working: 'Working marks',
  everything: 'Every mark',
};

/** From Monday on, as ISO 8601 counts. */
export const WEEKDAY_NAMES = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;
