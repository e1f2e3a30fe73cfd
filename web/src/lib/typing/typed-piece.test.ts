import { buildScore, pitchLabel, readMusicXml, writeNewMusicXml, type Score } from '@oculon/core';
import { describe, expect, it } from 'vitest';
import { typedPiece } from './typed-piece.ts';

const head = (rest: string): string =>
  `X:1\nT:Air by the Weir\nC:M. O.\nM:3/4\nL:1/8\nQ:1/4=88\nK:Am\n${rest}\n`;

/** What comes out of the file that a typed piece is made into. */
const made = (text: string): Score => {
  const { draft, problems } = typedPiece(text);
  expect(problems).toEqual([]);
  const read = readMusicXml(writeNewMusicXml(buildScore(draft!)));
  if (!read.ok) throw new Error(read.error.code);
  return read.value.score;
};
const pitches = ({ notes }: Score): readonly string[] => notes.map(({ sounding }) => pitchLabel(sounding));

describe('a typed piece', () => {
  it('is read in two voices, an octave below what is written, with repeats, key, tempo and names', () => {
    const score = made(head('V:1\n|: A2 Bc e2 | ^G2 A>B c2 | [Ac]4 z2 :|\nV:2\n|: A,6 | E,6 | A,4 z2 :|'));
    expect([score.title, score.composer]).toEqual(['Air by the Weir', 'M. O.']);
    expect(score.tempi[0]!.quartersPerMinute).toBe(88);
    expect(score.bars).toHaveLength(3);
    expect([score.bars[0]!.repeatStart, score.bars[2]!.repeatEnd]).toEqual([true, true]);
    const upper = score.notes.filter(({ voice }) => voice === score.notes[0]!.voice);
    expect(upper.map(({ sounding }) => pitchLabel(sounding))).toEqual([
      'A3',
      'B3',
      'C4',
      'E4',
      'G♯3',
      'A3',
      'B3',
      'C4',
      'A3',
      'C4',
    ]);
    const bass = score.notes.filter(({ voice }) => voice !== score.notes[0]!.voice);
    expect(bass.map(({ sounding }) => pitchLabel(sounding))).toEqual(['A2', 'E2', 'A2']);
    // The bass of the first bar is held through it.
    expect(bass[0]!.duration).toBe(3 * score.ticksPerQuarter);
    // The dotted eighth and its sixteenth.
    const second = upper
      .filter(({ bar }) => bar === 1)
      .map(({ duration }) => duration / score.ticksPerQuarter);
    expect(second).toEqual([1, 0.75, 0.25, 1]);
  });

  it('keeps an accidental to its bar and its octave, and the key everywhere', () => {
    const score = made('X:1\nM:4/4\nL:1/4\nK:D\nF ^G G g | G =F F2 | f4 |]');
    expect(pitches(score)).toEqual(['F♯3', 'G♯3', 'G♯3', 'G4', 'G3', 'F3', 'F3', 'F♯4']);
    expect(score.bars[0]!.key).toBe(2);
  });

  it('knows triplets, ties, slurs, grace notes, fingers, endings, an upbeat and a change of meter', () => {
    const score = made(
      'X:1\nM:2/4\nL:1/8\nK:C\nG | (3CDE F2- | F2 {g}!2!A(B |1 c)3 G :|2 c4 || [M:3/4] !mf!c6 |]',
    );
    expect(score.bars.map(({ pickup }) => pickup)[0]).toBe(true);
    expect(score.bars.map(({ ending }) => ending?.numbers)).toEqual([
      undefined,
      undefined,
      undefined,
      '1',
      '2',
      undefined,
    ]);
    expect(score.bars.at(-1)!.meter).toEqual({ beats: 3, beatType: 4 });
    const triplet = score.notes.slice(1, 4).map(({ duration }) => (duration * 3) / score.ticksPerQuarter);
    expect(triplet).toEqual([1, 1, 1]);
    const tied = score.notes.findIndex(({ tiedFrom }) => tiedFrom !== undefined);
    expect(pitchLabel(score.notes[tied]!.sounding)).toBe('F3');
    const fingered = score.notes.find(({ fingering }) => fingering.finger !== undefined)!;
    expect([pitchLabel(fingered.sounding), fingered.fingering.finger]).toEqual(['A3', 2]);
    expect(score.notes.some(({ slurredFrom }) => slurredFrom !== undefined)).toBe(true);
    expect(score.directions.some(({ text }) => text === 'mf')).toBe(true);
  });

  it('says what cannot be read at its line and column, and makes the rest', () => {
    const { draft, problems } = typedPiece(head('A2 Bc e2 |\nA2 B2 | c2 B2 A4 |\nd5 z | A6 |]'));
    expect(draft).toBeDefined();
    expect(problems.map(({ line, message }) => [line, message])).toEqual([
      [10, 'This length cannot be written as one note. Tie two notes instead, such as A4-A.'],
      [9, 'Bar 2 holds 6 eighths, here are only 4 eighths. Fill it with a rest, such as z.'],
      [9, 'Bar 3 holds 6 eighths, here are 8 eighths. Set a bar line, or M: before it.'],
      [10, 'Bar 4 holds 6 eighths, here are only 1 eighth. Fill it with a rest, such as z.'],
    ]);
    for (const { column } of problems) expect(column).toBeGreaterThan(0);
    expect(typedPiece(head('A2 ?? B2 c2 |]')).problems[0]).toMatchObject({ line: 8 });
    expect(typedPiece(head('^/A6 | B6 |]')).problems.map(({ line, message }) => [line, message])).toEqual([
      [8, expect.stringContaining('Quarter tones')],
    ]);
    expect(typedPiece(head('A6- | B6 |]')).problems.map(({ message }) => message)).toEqual([
      'A tie in this bar leads to no note of the same pitch.',
    ]);
    expect(typedPiece(head('V:1\nA6 | A6 |]\nV:2\nA,6 |]')).problems.map(({ message }) => message)).toEqual([
      'Voice 2 has 1 bars, voice 1 has 2.',
    ]);
  });

  it('is not there while nothing is typed, nor for what is no music', () => {
    for (const text of ['', 'X:1\nK:C\n', '\u0000\u0001', '<score-partwise/>', 'K:'.repeat(40_000)]) {
      const { draft, problems } = typedPiece(text);
      expect(draft === undefined || problems.length > 0).toBe(true);
    }
  });
});
