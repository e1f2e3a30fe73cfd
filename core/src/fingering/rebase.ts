import { applyEdits, type Edit } from './edits.ts';
import type { Fingering } from './fingering.ts';
import {
  editsTo,
  filledSlots,
  slotKey,
  slotsOf,
  valueAfter,
  valueBefore,
  valueIn,
  type Slot,
  type SlotValue,
} from './slots.ts';
import { sameValue } from './same-value.ts';

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

/** What edits have come to in one slot: what they found there first, and what they left last. */
interface NetChange {
  readonly slot: Slot;
  readonly found: SlotValue;
  readonly left: SlotValue;
}

/** The slots in which edits leave something else than they found. */
const netChanges = (edits: readonly Edit[]): readonly NetChange[] => {
  const changes = new Map<string, NetChange>();
  for (const edit of edits)
    for (const slot of slotsOf(edit)) {
      const found = changes.get(slotKey(slot))?.found;
      const isKnown = changes.has(slotKey(slot));
      changes.set(slotKey(slot), {
        slot,
        found: isKnown ? found : valueBefore(edit, slot),
        left: valueAfter(edit, slot),
      });
    }
  return [...changes.values()].filter(({ found, left }) => !sameValue(found, left));
};

/**
 * Restates `mine` upon `now`, whatever others did meanwhile, slot by slot: a pluck here and a string there on one note
 * both stand. What I set and took back again says nothing. Where the slot is no longer as I found it and not as I left
 * it, mine is among the edits and the slot is reported.
 */
export const rebaseEdits = (now: Fingering, mine: readonly Edit[]): Rebase => {
  const changes = netChanges(mine).filter(({ slot, left }) => !sameValue(valueIn(now, slot), left));
  return {
    edits: editsTo(
      now,
      changes.map(({ slot, left }) => [slot, left]),
    ),
    conflicts: changes.flatMap(({ slot, found, left }) => {
      const theirs = valueIn(now, slot);
      return sameValue(theirs, found) ? [] : [{ slot, theirs, mine: left }];
    }),
  };
};

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

/** The edits that lead from one state to another: what stands in either and differs is changed, nothing else. */
export const editsBetween = (now: Fingering, wanted: Fingering): readonly Edit[] => {
  const slots = new Map([...filledSlots(now), ...filledSlots(wanted)].map((slot) => [slotKey(slot), slot]));
  return editsTo(
    now,
    [...slots.values()]
      .filter((slot) => !sameValue(valueIn(now, slot), valueIn(wanted, slot)))
      .map((slot) => [slot, valueIn(wanted, slot)]),
  );
};

/** The edits without those on disputed slots: the other side's decisions stand. */
export const yielding = (now: Fingering, { edits, conflicts }: Rebase): readonly Edit[] => {
  const disputed = new Set(conflicts.map(({ slot }) => slotKey(slot)));
  const after = applyEdits(now, edits);
  const kept = edits.flatMap(slotsOf).filter((slot) => !disputed.has(slotKey(slot)));
  return editsTo(
    now,
    kept.map((slot) => [slot, valueIn(after, slot)]),
  );
};
