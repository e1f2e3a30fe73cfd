import { readDay, type Day } from '@oculon/core';

/** The day by the clock and the time zone of whoever looks. */
export const todayHere = (now = new Date()): Day => {
  const two = (number: number): string => String(number).padStart(2, '0');
  return readDay(`${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`)!;
};
