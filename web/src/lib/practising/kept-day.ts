import { dayText, type Day } from '@oculon/core';
import * as z from 'zod/mini';

/** How a student has changed their day; kept in the browser, and for that day alone. */
const daySchema = z.object({
  day: z.string(),
  passed: z.array(z.string()),
  isGentle: z.boolean(),
});
export type KeptDay = Readonly<Pick<z.infer<typeof daySchema>, 'isGentle'>> & {
  readonly passed: readonly string[];
};
const UNTOUCHED: KeptDay = { passed: [], isGentle: false };

const key = (): string => `oculon-day ${location.pathname}`;

export const keptDay = (today: Day): KeptDay => {
  try {
    const kept = daySchema.safeParse(JSON.parse(localStorage.getItem(key()) ?? 'null'));
    return kept.success && kept.data.day === dayText(today) ? kept.data : UNTOUCHED;
  } catch {
    return UNTOUCHED;
  }
};

export const keepDay = (today: Day, kept: KeptDay): void => {
  try {
    localStorage.setItem(key(), JSON.stringify({ ...kept, day: dayText(today) }));
  } catch {
    // A browser that keeps nothing begins the day anew when the page is opened again.
  }
};
