import { findingSaid } from '../testing/words.ts';
import { describe, expect, it } from 'vitest';
import { EMPTY_FINGERING, type Fingering } from '../fingering/fingering.ts';
import type { Remedy } from '../fingering/vocabulary.ts';
import { pitchName } from '../music/pitch.ts';
import { STANDARD_TUNING } from '../instrument/guitar.ts';
import type { Note, NoteIndex, Score } from '../score/score.ts';
import { readMusicXml } from '../formats/musicxml/read.ts';
import { writeMusicXml } from '../formats/musicxml/write.ts';
import { exampleXml } from '../testing/notation.ts';
import { decide, exampleScore, leftHand } from '../testing/planning.ts';
import { marksOf } from '../formats/plan-marks.ts';
import { planPiece, type Plan } from './plan.ts';
import { waysOut } from './remedies.ts';

const noteOf = (plan: Plan, code: string): NoteIndex => {
  const finding = plan.findings.find((each) => each.code === code)!;
  return plan.score.notes.find((note) => note.id === finding.note)!.index;
};
const take = (score: Score, note: NoteIndex, remedy: Remedy): Fingering => ({
  ...EMPTY_FINGERING,
  choices: new Map([[score.notes[note]!.id, { remedy }]]),
});

// E2 and F2 lie on ⑥ alone: a fact of the tuning.
const bothOnSixth = exampleScore({ voices: ['E2+F2/2 C4/2'] });

describe('a moment that no hand can hold', () => {
  const plan = planPiece(bothOnSixth);

  it('says why, with the notes and the string', () => {
    expect(findingSaid(plan.findings[0]!)).toMatch(/E2 and F2 both need string 6/);
  });

  it('offers ways out that leave nothing unplayed, those that take least first, and applies none', () => {
    const ways = waysOut(plan, noteOf(plan, 'unplayable-note'));
    expect(ways.map(({ remedy }) => remedy)).toContain('octave-up');
    expect(ways.at(-1)!.remedy).toBe('leave-out');
    expect(ways.map(({ remedy }) => remedy)).not.toContain('octave-down');
    expect(plan.left.unplayable).toHaveLength(1);
    for (const { note, remedy } of ways) {
      const after = planPiece(bothOnSixth, take(bothOnSixth, note, remedy));
      expect(after.left.unplayable).toEqual([]);
    }
  });

  it('carries out what the teacher takes: an octave, or nothing at all', () => {
    const low = bothOnSixth.notes.find((note) => pitchName(note.sounding) === 'F2')!.index;
    const higher = planPiece(bothOnSixth, take(bothOnSixth, low, 'octave-up'));
    expect(leftHand(higher)[1]).toBe('F2 4/3:3');
    expect(marksOf(higher).has(bothOnSixth.notes[low]!.id)).toBe(false);
    const without = planPiece(bothOnSixth, take(bothOnSixth, low, 'leave-out'));
    expect(without.notes[low]!.string).toBeUndefined();
    expect(without.findings).toEqual([]);
  });
});

describe('a held note that must be cut', () => {
  const score = exampleScore({ voices: ['F2/4 G2/4 A2/2', 'E2/1'] });

  it('can be let go at once instead, which is no loss any more', () => {
    const plan = planPiece(score);
    const ways = waysOut(plan, noteOf(plan, 'held-note-cut'));
    expect(ways.length).toBeGreaterThan(0);
    const { note, remedy } = ways[0]!;
    const after = planPiece(score, take(score, note, remedy));
    expect(after.left.cut.length + after.left.unplayable.length).toBeLessThan(
      plan.left.cut.length + plan.left.unplayable.length,
    );
  });

  it('is planned alike at once and on top of an earlier plan, and taken back', () => {
    const held = exampleScore({ voices: ['E4/4 G4/4 F4/4 D4/4', 'G2/1'] });
    const first = planPiece(held);
    const short = decide(held, ['G2', 0, { remedy: 'short' }]);
    const onTop = planPiece(held, short, first.setup, { memory: first.memory });
    expect(onTop.left.cost).toBeCloseTo(planPiece(held, short, first.setup).left.cost, 9);
    expect(onTop.left.cost).toBeLessThanOrEqual(first.left.cost);
    const back = planPiece(held, EMPTY_FINGERING, first.setup, { memory: onTop.memory });
    expect(back.left.cost).toBeCloseTo(first.left.cost, 9);
  });
});

describe('a remedy for one note of a unison', () => {
  const xml = exampleXml({ voices: ['E4/2 C4/2', 'E4/1'] });
  const opened = readMusicXml(xml);
  if (!opened.ok) throw new Error(opened.error.code);
  const { score } = opened.value;
  const [upper, lower] = score.notes.filter(({ midi }) => midi === 64) as [Note, Note];

  it.each([
    ['leave-out', upper, lower],
    ['leave-out', lower, upper],
    ['octave-up', upper, lower],
    ['octave-up', lower, upper],
    ['octave-down', upper, lower],
  ] as const)('%s leaves the other as it is, also in the exported file', (remedy, taken, other) => {
    const plan = planPiece(score, take(score, taken.index, remedy));
    const { string, fret } = plan.notes[other.index]!;
    expect(STANDARD_TUNING[string! - 1]! + fret!).toBe(64);
    expect(plan.notes[taken.index]!.string).toEqual(remedy === 'leave-out' ? undefined : expect.any(Number));
    const written = writeMusicXml(xml, marksOf(plan));
    const again = readMusicXml(written.ok ? written.value : '');
    expect(again.ok && again.value.repairs).toEqual([]);
  });

  it('letting one go early leaves the other its length', () => {
    const both = planPiece(score, take(score, upper.index, 'short'));
    expect(both.notes[lower.index]!.string).toBe(both.notes[upper.index]!.string);
    const { moments, index } = {
      moments: both.memory.left.moments,
      index: both.left.sounds.findIndex(({ head }) => head === upper.index),
    };
    expect(moments.sounds.end[moments.twin[index]!]).toBe(lower.onset + lower.duration);
  });

  it('is found again when it is taken back', () => {
    const plain = planPiece(score);
    const taken = planPiece(score, take(score, upper.index, 'leave-out'), plain.setup, {
      memory: plain.memory,
    });
    const back = planPiece(score, EMPTY_FINGERING, plain.setup, { memory: taken.memory });
    expect(leftHand(back)).toEqual(leftHand(plain));
  });
});
