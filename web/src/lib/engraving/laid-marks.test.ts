import { planPiece, readMusicXml, type NotePlan } from '@oculon/core';
import { describe, expect, it } from 'vitest';
import type { SystemGeometry } from './geometry.ts';
import { marksKeeper } from './laid-marks.ts';

const note = (step: string) =>
  `<note><pitch><step>${step}</step><octave>4</octave></pitch><duration>1</duration><type>quarter</type></note>`;
const read = readMusicXml(
  `<score-partwise version="4.0"><part-list><score-part id="P1"><part-name>Guitar</part-name></score-part></part-list><part id="P1"><measure number="1"><attributes><divisions>1</divisions><time><beats>3</beats><beat-type>4</beat-type></time></attributes>${['C', 'D', 'E'].map(note).join('')}</measure></part></score-partwise>`,
);
if (!read.ok) throw new Error(read.error.code);
const { score } = read.value;
const plan = planPiece(score);
const geometry: SystemGeometry = {
  first: 0,
  last: 0,
  width: 400,
  staffTop: 40,
  staffBottom: 80,
  inkTop: 40,
  inkBottom: 80,
  bars: [{ index: 0, x: 0, width: 400, musicStart: 40 }],
  heads: score.notes.map(({ index }) => ({
    note: index,
    x: 60 + 60 * index,
    left: 60 + 60 * index,
    y: 60,
    width: 12,
    top: 30,
    bottom: 64,
    stem: 'up' as const,
  })),
};

describe('marks of a system', () => {
  const input = (notes: readonly NotePlan[]) => ({
    score,
    geometry,
    notes,
    marks: [],
    origin: () => 'planned' as const,
    everyString: false,
  });

  it('stay the same object while nothing in the system changes', () => {
    const marks = marksKeeper();
    const before = marks(input(plan.notes));
    expect(marks(input([...plan.notes]))).toBe(before);
  });

  it('are laid out anew when a note, its origin or the display changes', () => {
    const marks = marksKeeper();
    const before = marks(input(plan.notes));
    const changed = plan.notes.map((each, index) => (index === 1 ? { ...each, finger: 4 } : each));
    const after = marks(input(changed));
    expect(after).not.toBe(before);
    expect(after.fingers.map((mark) => mark.text)).toContain('4');
    expect(marks({ ...input(changed), origin: () => 'teacher' })).not.toBe(after);
  });
});
