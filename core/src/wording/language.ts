export const LANGUAGES = ['en', 'es'] as const;
/** Languages in which everything can be said. */
export type Language = (typeof LANGUAGES)[number];

export const NOTE_NAMES = ['letters', 'solfege'] as const;
/** How notes are called: C D E, or Do Re Mi. */
export type NoteNames = (typeof NOTE_NAMES)[number];
