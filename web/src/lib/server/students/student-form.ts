import { FINGER_PAIRS } from '@oculon/core';
import { textIn } from '../forms.ts';
import { studentFields } from './students.ts';

/** A student as a form sends one; empty measures are none. */
export const readStudentForm = (fields: URLSearchParams) => {
  const spans = FINGER_PAIRS.flatMap((pair) => {
    const text = textIn(fields, `span-${pair}`).trim();
    return text === '' ? [] : [[pair, text] as const];
  });
  return studentFields.safeParse({
    name: textIn(fields, 'name'),
    level: textIn(fields, 'level'),
    language: textIn(fields, 'language'),
    noteNames: textIn(fields, 'noteNames'),
    hand: textIn(fields, 'hand'),
    spans: Object.fromEntries(spans),
    instrumentId: textIn(fields, 'instrumentId') || null,
    minutesADay: textIn(fields, 'minutesADay'),
    days: fields.getAll('days'),
    notes: textIn(fields, 'notes'),
  });
};
