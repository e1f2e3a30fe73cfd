import { StemmableNote, Tuplet, type Note, type StaveNote } from 'vexflow/core';
import type { DrawnEvent } from './drawn-voice.ts';
import type { HeadBox } from './geometry.ts';

/** Runs of events that form one tuplet: as marked, else filled up to a whole number of its normal notes. */
const tupletRuns = (
  entries: readonly DrawnEvent[],
): { notes: StaveNote[]; actual: number; normal: number }[] => {
  const runs: { notes: StaveNote[]; actual: number; normal: number }[] = [];
  let run: { notes: StaveNote[]; actual: number; normal: number; ticks: number; full: number } | undefined;
  for (const { event, drawn } of entries) {
    if (!event.ratio) {
      run = undefined;
      continue;
    }
    const { actual, normal } = event.ratio;
    if (!run || run.actual !== actual || run.normal !== normal || event.tuplet === 'start')
      run = { notes: [], actual, normal, ticks: 0, full: event.duration * actual };
    if (run.notes.length === 0) runs.push(run);
    run.notes.push(drawn);
    run.ticks += event.duration;
    if (event.tuplet === 'stop' || run.ticks >= run.full - 1e-6) run = undefined;
  }
  return runs;
};

/** The tuplets of a voice, each to be drawn with its plain number. */
export const tupletsOf = (notes: readonly DrawnEvent[]): readonly Tuplet[] =>
  tupletRuns(notes).map(
    ({ notes: members, actual, normal }) =>
      new Tuplet(members, { numNotes: actual, notesOccupied: normal, bracketed: false, ratioed: false }),
  );

/** Ground that the number of a tuplet takes, in px of its system. */
export interface TupletNumber {
  /** Its middle. */
  readonly x: number;
  readonly top: number;
  readonly bottom: number;
}

/** Half of what a number takes up and across, with clear ground round it, in px. */
const HALF_HEIGHT = 13;
const HALF_WIDTH = 12;

const stemOf = (note: Note): number =>
  note instanceof StemmableNote ? note.getStemX() : note.getAbsoluteX();

/** Where the number of a tuplet stands that has been drawn. */
export const numberOf = (tuplet: Tuplet): TupletNumber => {
  const notes = tuplet.getNotes();
  const y = tuplet.getYPosition();
  return {
    x: (stemOf(notes[0]!) + stemOf(notes.at(-1)!)) / 2,
    top: y - HALF_HEIGHT,
    bottom: y + HALF_HEIGHT,
  };
};

/** A notehead with the numbers over or under it: what is set beside its stem stands clear of them. */
export const withNumbers = (head: HeadBox, numbers: readonly TupletNumber[]): HeadBox => {
  const near = numbers.filter(
    ({ x }) => Math.abs(x - (head.x + head.width / 2)) < head.width / 2 + HALF_WIDTH,
  );
  const above = near.filter(({ bottom }) => bottom <= head.y);
  const below = near.filter(({ top }) => top >= head.y);
  return {
    ...head,
    top: Math.min(head.top, ...above.map(({ top }) => top)),
    bottom: Math.max(head.bottom, ...below.map(({ bottom }) => bottom)),
  };
};
