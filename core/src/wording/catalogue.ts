import type { ENGLISH } from './english.ts';

export type MessageKey = keyof typeof ENGLISH;
/** Messages in the format of ICU MessageFormat (Unicode, `messageformat.pdf` of ICU 4.x on), by key. */
export type Catalogue = Readonly<Record<MessageKey, string>>;
