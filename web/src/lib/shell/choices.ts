/** Languages and ways to name notes, as they are offered. */
export const LANGUAGE_NAMES = [
  ['en', 'English'],
  ['es', 'Español'],
] as const;
export const NOTE_NAMES = [
  ['letters', 'C D E'],
  ['solfege', 'Do Re Mi'],
] as const;
