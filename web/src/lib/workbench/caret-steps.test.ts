import { readMusicXml, type Score } from '@oculon/core';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { stepByBar, stepByBeat, stepInChord, stepInTime, stepInVoice, stepToOnset } from './caret-steps.ts';

const path = fileURLToPath(new URL('../../../../demo/studies/low-meadow-dance.musicxml', import.meta.url));
const read = readMusicXml(readFileSync(path, 'utf8'));
if (!read.ok) throw new Error(read.error.code);
const score: Score = read.value.score;

describe('the caret', () => {
  it('walks every moment of its voice to the end and back', () => {
    let at = 0;
    const seen: number[] = [];
    for (let next = stepInTime(score, at, 1); next !== at; next = stepInTime(score, at, 1)) {
      expect(score.notes[next]!.onset).toBeGreaterThan(score.notes[at]!.onset);
      at = next;
      seen.push(at);
    }
    const onsets = new Set(score.notes.map((note) => note.onset));
    expect(seen).toHaveLength(onsets.size - 1);
    for (let before = stepInTime(score, at, -1); before !== at; before = stepInTime(score, at, -1))
      at = before;
    expect(score.notes[at]!.onset).toBe(0);
  });

  it('moves between the notes struck together and stops at the outer ones', () => {
    const low = stepInChord(score, 0, -1);
    expect(score.notes[low]!.midi).toBeLessThan(score.notes[0]!.midi);
    expect(stepInChord(score, low, -1)).toBe(low);
    expect(stepInChord(score, low, 1)).toBe(0);
  });

  it('moves by bars and stays within the piece', () => {
    const second = stepByBar(score, 0, 1);
    expect(score.notes[second]!.bar).toBe(1);
    expect(score.notes[stepByBar(score, second, -1)]!.bar).toBe(0);
    expect(score.notes[stepByBar(score, 0, -1)]!.bar).toBe(0);
    expect(score.notes[stepByBar(score, score.notes.length - 1, 1)]!.bar).toBe(23);
  });

  it('moves by beats, through a voice, and to what is looked for', () => {
    const quarter = score.ticksPerQuarter;
    const onset = (note: number): number => score.notes[note]!.onset;
    let at = 0;
    const seen = [0];
    for (let next = stepByBeat(score, at, 1); next !== at; next = stepByBeat(score, at, 1)) {
      // The first note at or after the next beat: nothing is struck in between.
      const beat = (Math.floor(onset(at) / quarter) + 1) * quarter;
      expect(onset(next)).toBe(
        Math.min(...score.notes.map((note) => note.onset).filter((each) => each >= beat)),
      );
      seen.push((at = next));
    }
    for (const before of seen.toReversed().slice(1)) {
      at = stepByBeat(score, at, -1);
      expect(onset(at)).toBe(onset(before));
    }
    const bass = stepInChord(score, 0, -1);
    const next = stepInVoice(score, bass, 1);
    expect(score.notes[next]!.voice).toBe(score.notes[bass]!.voice);
    expect(score.notes[next]!.bar).toBe(1);
    expect(stepInVoice(score, next, -1)).toBe(bass);
    const places = [4, 9].map((bar) => score.bars[bar]!.start);
    const first = stepToOnset(score, 0, 1, places);
    expect(score.notes[first]!.bar).toBe(4);
    expect(stepToOnset(score, first, -1, places)).toBe(first);
    expect(score.notes[stepToOnset(score, first, 1, places)]!.bar).toBe(9);
    expect(stepToOnset(score, 0, 1, [])).toBe(0);
  });
});
