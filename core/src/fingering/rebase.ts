import { applyEdits, type Edit } from './edits.ts';
import type { Fingering } from './fingering.ts';
import {
  editsTo,
  filledSlots,
  sameValue,
  slotKey,
  slotsOf,
  valueIn,
  type Slot,
  type SlotValue,
} from './slots.ts';

/** One thing on which two sides decided, differently: the teacher is asked. */
export interface Conflict {
  readonly slot: Slot;
  readonly theirs: SlotValue;
  readonly mine: SlotValue;
}

/** What became of unsent edits after others were saved in between. */
export interface Rebase {
  /** My edits, restated upon the new state. */
  readonly edits: readonly Edit[];
  readonly conflicts: readonly Conflict[];
}

/** What edits have come to: the slots in which they leave something else than they found. */
const netChanges = (
  base: Fingering,
  edits: readonly Edit[],
): ReadonlyMap<string, readonly [Slot, SlotValue]> => {
  const after = applyEdits(base, edits);
  const changes = new Map<string, readonly [Slot, SlotValue]>();
  for (const slot of edits.flatMap(slotsOf)) {
    const value = valueIn(after, slot);
    if (!sameValue(valueIn(base, slot), value)) changes.set(slotKey(slot), [slot, value]);
  }
  return changes;
};

/** Edits that set the wanted values where they are not there yet, and the values on which others decided differently. */
const restated = (
  base: Fingering,
  merged: Fingering,
  wanted: readonly (readonly [Slot, SlotValue])[],
): Rebase => {
  const changes = wanted.filter(([slot, mine]) => !sameValue(valueIn(merged, slot), mine));
  return {
    edits: editsTo(merged, changes),
    conflicts: changes.flatMap(([slot, mine]) => {
      const theirs = valueIn(merged, slot);
      return sameValue(theirs, valueIn(base, slot)) ? [] : [{ slot, theirs, mine }];
    }),
  };
};

/**
 * Restates `mine` upon `base` after `theirs` was applied to it, slot by slot: a pluck here and a string there on one note
 * both stand. What I set and took back again says nothing. Where both sides came to different values, mine is among the
 * edits and the slot is reported.
 */
export const rebaseEdits = (base: Fingering, theirs: readonly Edit[], mine: readonly Edit[]): Rebase =>
  restated(base, applyEdits(base, theirs), [...netChanges(base, mine).values()]);

/**
 * Restates what was known here upon a truth that has lost part of it, such as one that was restored from an old copy:
 * everything in which `known` differs is an edit again. Reported is where the truth says something else, not where it
 * says nothing.
 */
export const restateUpon = (truth: Fingering, known: Fingering): Rebase => {
  const wanted = filledSlots(known).map((slot) => [slot, valueIn(known, slot)] as const);
  const changes = wanted.filter(([slot, mine]) => !sameValue(valueIn(truth, slot), mine));
  return {
    edits: editsTo(truth, changes),
    conflicts: changes.flatMap(([slot, mine]) => {
      const theirs = valueIn(truth, slot);
      return theirs === undefined ? [] : [{ slot, theirs, mine }];
    }),
  };
};

/** The edits without those on disputed slots: the other side's decisions stand. */
export const yielding = (merged: Fingering, { edits, conflicts }: Rebase): readonly Edit[] => {
  const disputed = new Set(conflicts.map(({ slot }) => slotKey(slot)));
  const after = applyEdits(merged, edits);
  const kept = edits.flatMap(slotsOf).filter((slot) => !disputed.has(slotKey(slot)));
  return editsTo(
    merged,
    kept.map((slot) => [slot, valueIn(after, slot)]),
  );
};
