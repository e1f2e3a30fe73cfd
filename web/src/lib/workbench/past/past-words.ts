import { slotsOf, valueAfter, type Edit, type Score } from '@oculon/core';
import { conflictWords } from '../../document/conflict-words.ts';

/** So many things are named of what was saved together. */
const NAMED = 3;

/** What edits decided, in words: `bar 3, D4: finger 4; and 2 more`. */
export const editWords = (score: Score, edits: readonly Edit[]): string => {
  const said = new Map<string, string>();
  for (const edit of edits)
    for (const slot of slotsOf(edit)) {
      const { what, mine } = conflictWords(score, { slot, mine: valueAfter(edit, slot), theirs: undefined });
      // What was decided last about a thing is what was decided about it.
      said.delete(what + slot.kind);
      said.set(what + slot.kind, `${what}: ${mine}`);
    }
  const all = [...said.values()];
  const named = all.slice(0, NAMED).join('; ');
  return all.length > NAMED ? `${named}; and ${all.length - NAMED} more` : named || 'nothing of weight';
};
