import { accidentalsOf } from '@oculon/core';
import { AFTER_LEDGER, BEFORE_LEDGER, hasSecond, isOnLedger } from './staff-lines.ts';
import type { Bar, Score } from './score-types.ts';

/** Room in px that a moment takes before the next one: the shortest printed length decides. */
const ROOM_FOR_QUARTER = 38;
const ROOM_PER_HALVING = 6;
/** A head, and a digit beside it with half a staff space of clear ground on both sides. */
const LEAST_ROOM = 32;
/** An accidental, and the clear ground before it. */
const ACCIDENTAL = 14;
/** Accidentals of one chord stand beside one another. */
const FURTHER_ACCIDENTAL = 7;
/** A head beside its neighbour and the second digit; the wave before a rolled chord. */
const SECOND = 34;
const ROLL = 12;
/** A small head with its digit. */
const GRACE = 30;
/** Bar line and the space around it; signs of repetition. */
const BAR_EXTRA = 33;
const REPEAT_EXTRA = 20;
/** A key or a meter that changes within the piece, each with the space after it. */
const KEY_ROOM = 14;
const KEY_SIGN = 10;
const METER_ROOM = 32;
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
    const altered = struck.filter((note) => accidentals.has(note)).length;
    const notes = struck.map((note) => score.notes[note]!);
    const isLedgerBefore = events.some(
      (event) =>
        event.onset === onsets[index - 1] && event.notes.some((note) => isOnLedger(score.notes[note]!)),
    );
    return (
      sum +
      Math.max(
        LEAST_ROOM + (isLedgerBefore ? AFTER_LEDGER : 0),
        ROOM_FOR_QUARTER + ROOM_PER_HALVING * Math.log2(Math.max(quarters, 1 / 64)),
      ) +
      (altered > 0 ? ACCIDENTAL + FURTHER_ACCIDENTAL * (altered - 1) : 0) +
      (notes.some(isOnLedger) ? BEFORE_LEDGER : 0) +
      (hasSecond(notes) ? SECOND : 0) +
      (notes.length > 1 && notes.some(({ arpeggiated }) => arpeggiated) ? ROLL : 0)
    );
  }, 0);
  const graces = events.filter((event) => event.grace).length * GRACE;
  const isChange = bar.index > 0;
  const key = isChange && bar.keyChange ? KEY_ROOM + KEY_SIGN * Math.abs(bar.key) : 0;
  const meter = isChange && bar.meterChange ? METER_ROOM : 0;
  const repeats = (bar.repeatStart ? REPEAT_EXTRA : 0) + (bar.repeatEnd ? REPEAT_EXTRA : 0);
  return Math.max(NARROWEST_BAR, room + graces + BAR_EXTRA) + repeats + key + meter;
};
