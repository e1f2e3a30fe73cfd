import type { Language } from '@oculon/core';

/** What a lesson sheet itself says beside the walk-through. */
export const LESSON_WORDS: Readonly<Record<Language, Readonly<Record<string, string>>>> = {
  en: {
    lessonSheet: 'Lesson sheet',
    student: 'For',
    teacher: 'Teacher',
    bar: 'Bar',
    scan: 'Opens this sheet on a phone',
    shapes: 'Shapes',
    walkThrough: 'Bar by bar',
    care: 'Stretches and barres: general advice. Stop when it hurts; if it stays, see a doctor or hand therapist.',
  },
  es: {
    lessonSheet: 'Hoja de clase',
    student: 'Para',
    teacher: 'Profesor/a',
    bar: 'Compás',
    scan: 'Abre esta hoja en un teléfono',
    shapes: 'Formas',
    walkThrough: 'Compás por compás',
    care: 'Extensiones y cejillas: consejo general. Parar si duele; si no se pasa, consultar a un médico o fisioterapeuta de la mano.',
  },
};
