import type { LoggedEntry } from '../practice/course-content.ts';
import type { KeptEntry } from './entry-queue.ts';

/** The log as a student sees it: what the server told, and what the browser has on top of it. */
export const wholeLog = (
  told: readonly LoggedEntry[],
  kept: readonly KeptEntry[],
): readonly LoggedEntry[] => {
  const log = new Map(told.map((entry) => [entry.id, entry]));
  for (const { entry: sent, refused } of kept) {
    if (refused !== undefined) continue;
    const { corrects, withdrawn, ...entry } = sent;
    if (corrects === null) {
      // What the server told of it may be a later writing.
      if (!log.has(entry.id)) log.set(entry.id, { ...entry, byTeacher: false, isCorrected: false });
    } else if (withdrawn) log.delete(corrects);
    else if (log.has(corrects))
      log.set(corrects, { ...entry, id: corrects, byTeacher: false, isCorrected: true });
  }
  return [...log.values()].sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
};
