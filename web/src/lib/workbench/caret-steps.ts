import type { Note, NoteIndex, Score } from '@oculon/core';

/** Noteheads a caret can stand on: struck ones. */
const stops = (score: Score): readonly Note[] => score.notes.filter((note) => note.tiedFrom === undefined);

/** The next note in time, in the same voice when it has one at that moment. */
export const stepInTime = (score: Score, from: NoteIndex, direction: 1 | -1): NoteIndex => {
  const here = score.notes[from];
  if (!here) return 0;
  const ahead = stops(score).filter((note) =>
    direction === 1 ? note.onset > here.onset : note.onset < here.onset,
  );
  const nearest = direction === 1 ? ahead[0] : ahead.at(-1);
  if (!nearest) return from;
  const together = ahead.filter((note) => note.onset === nearest.onset);
  return (together.find((note) => note.voice === here.voice) ?? together[0]!).index;
};

/** The next note up or down among those struck together. */
export const stepInChord = (score: Score, from: NoteIndex, direction: 1 | -1): NoteIndex => {
  const here = score.notes[from];
  if (!here) return 0;
  const together = stops(score)
    .filter((note) => note.onset === here.onset)
    .sort((a, b) => a.midi - b.midi || a.index - b.index);
  const at = together.findIndex((note) => note.index === from);
  return together[at + direction]?.index ?? from;
};

/** The first note of the next or previous bar. */
export const stepByBar = (score: Score, from: NoteIndex, direction: 1 | -1): NoteIndex => {
  const here = score.notes[from];
  if (!here) return 0;
  const bars = [...new Set(stops(score).map((note) => note.bar))];
  const at = bars.indexOf(here.bar) + direction;
  const bar = bars[Math.max(0, Math.min(bars.length - 1, at))];
  return stops(score).find((note) => note.bar === bar)?.index ?? from;
};

/** The next note of the same voice. */
export const stepInVoice = (score: Score, from: NoteIndex, direction: 1 | -1): NoteIndex => {
  const here = score.notes[from];
  if (!here) return 0;
  const own = stops(score).filter(({ voice }) => voice === here.voice);
  const next =
    direction === 1
      ? own.find(({ onset }) => onset > here.onset)
      : own.findLast(({ onset }) => onset < here.onset);
  return next?.index ?? from;
};

/** The first note struck at or after the next beat, or at the beat before. */
export const stepByBeat = (score: Score, from: NoteIndex, direction: 1 | -1): NoteIndex => {
  const here = score.notes[from];
  if (!here) return 0;
  const bar = score.bars[here.bar]!;
  const beat = (score.ticksPerQuarter * 4) / bar.meter.beatType;
  const done = (here.onset - bar.start) / beat;
  if (direction === 1) {
    const at = bar.start + (Math.floor(done) + 1) * beat;
    return stops(score).find(({ onset }) => onset >= at)?.index ?? from;
  }
  const before = stops(score).filter(({ onset }) => onset < here.onset);
  const last = before.at(-1);
  if (!last) return from;
  const lastBar = score.bars[last.bar]!;
  const at = lastBar.start + Math.floor((last.onset - lastBar.start) / beat) * beat;
  return before.find(({ onset }) => onset >= at)!.index;
};

/** The first note at the nearest of some ticks after the caret, or before it. */
export const stepToOnset = (
  score: Score,
  from: NoteIndex,
  direction: 1 | -1,
  onsets: readonly number[],
): NoteIndex => {
  const here = score.notes[from];
  if (!here) return 0;
  const ahead = onsets.filter((onset) => (direction === 1 ? onset > here.onset : onset < here.onset));
  if (ahead.length === 0) return from;
  const to = direction === 1 ? Math.min(...ahead) : Math.max(...ahead);
  return stops(score).find(({ onset }) => onset >= to)?.index ?? from;
};
