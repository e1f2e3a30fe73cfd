import type { Language } from '@oculon/core';

const EN = {
  lessonSheet: 'Lesson sheet',
  student: 'For',
  teacher: 'Teacher',
  bar: 'Bar',
  scan: 'Opens this sheet on a phone',
  shapes: 'Shapes',
  walkThrough: 'Bar by bar',
  care: 'Stretches and barres: general advice. Stop when it hurts; if it stays, see a doctor or hand therapist.',
} as const;
const ES: Readonly<Record<keyof typeof EN, string>> = {
  lessonSheet: 'Hoja de clase',
  student: 'Para',
  teacher: 'Profesor/a',
  bar: 'Compás',
  scan: 'Abre esta hoja en un teléfono',
  shapes: 'Formas',
  walkThrough: 'Compás por compás',
  care: 'Extensiones y cejillas: consejo general. Parar si duele; si no se pasa, consultar a un médico o fisioterapeuta de la mano.',
};

/** What a lesson sheet itself says beside the walk-through. */
export const LESSON_WORDS: Readonly<Record<Language, Readonly<Record<keyof typeof EN, string>>>> = {
  en: EN,
  es: ES,
};
