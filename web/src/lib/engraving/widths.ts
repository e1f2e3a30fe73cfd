import { accidentalsOf } from '@oculon/core';
import { BEFORE_LEDGER, isOnLedger } from './ledger.ts';
import type { Bar, Score } from './score-types.ts';

/** Room in px that a moment takes before the next one: the shortest printed length decides. */
const ROOM_FOR_QUARTER = 38;
const ROOM_PER_HALVING = 6;
/** A head, and a digit beside it with half a staff space of clear ground on both sides. */
const LEAST_ROOM = 32;
/** An accidental, and the clear ground before it. */
const ACCIDENTAL = 14;
const GRACE = 14;
/** Bar line and the space around it; signs of repetition. */
const BAR_EXTRA = 33;
const REPEAT_EXTRA = 20;
const NARROWEST_BAR = 90;

/**
 * Width in px that a bar wants on the page, digits beside the heads included, without clef and key. An estimate
 * from the moments of the bar: formatting every bar with the engraver just to measure it took 300 ms for 24
 * bars, and the systems are stretched to the page anyway.
 */
export const naturalWidth = (score: Score, bar: Bar): number => {
  const events = bar.voices.flatMap((voice) => voice.events.filter((event) => event.kind !== 'space'));
  const onsets = [
    ...new Set(events.filter((event) => !event.grace).map((event) => event.onset as number)),
  ].sort((a, b) => a - b);
  const end = bar.start + bar.length;
  const accidentals = accidentalsOf(score, bar);
  const room = onsets.reduce((sum, onset, index) => {
    const quarters = ((onsets[index + 1] ?? end) - onset) / score.ticksPerQuarter;
    const struck = events.filter((event) => event.onset === onset).flatMap((event) => event.notes);
    const hasAccidental = struck.some((note) => accidentals.has(note));
    const hasLedger = struck.some((note) => isOnLedger(score.notes[note]!));
    return (
      sum +
      Math.max(LEAST_ROOM, ROOM_FOR_QUARTER + ROOM_PER_HALVING * Math.log2(Math.max(quarters, 1 / 64))) +
      (hasAccidental ? ACCIDENTAL : 0) +
      (hasLedger ? BEFORE_LEDGER : 0)
    );
  }, 0);
  const graces = events.filter((event) => event.grace).length * GRACE;
  const repeats = (bar.repeatStart ? REPEAT_EXTRA : 0) + (bar.repeatEnd ? REPEAT_EXTRA : 0);
  return Math.max(NARROWEST_BAR, room + graces + BAR_EXTRA) + repeats;
};
