import type { Catalogue } from './catalogue.ts';
import { ENGLISH } from './english.ts';
import type { Language, NoteNames } from './language.ts';
import { SPANISH } from './spanish.ts';
import { wordingFrom, type Wording } from './wording.ts';

export const CATALOGUES: Readonly<Record<Language, Catalogue>> = { en: ENGLISH, es: SPANISH };

/** The wording of a language; notes are called as is usual in it unless it is said otherwise. */
export const wordingIn = (
  language: Language,
  noteNames: NoteNames = language === 'es' ? 'solfege' : 'letters',
): Wording => wordingFrom(CATALOGUES[language], language, noteNames);
