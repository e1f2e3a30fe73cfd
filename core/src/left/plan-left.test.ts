import { findingSaid } from '../testing/words.ts';
import { describe, expect, it } from 'vitest';
import type { Choice } from '../fingering/fingering.ts';
import { planPiece, setupFor } from '../plan/plan.ts';
import { decide, exampleScore, leftHand, planVoices } from '../testing/planning.ts';
import { handOf } from './hand/hand.ts';

/** Fingers of a plan by note, as digits. */
const fingers = (...voices: string[]): string =>
  planVoices(voices)
    .notes.map((note) => note.finger)
    .join('');

// Each example: common practice, no published source (handbook §1, §3 and §6).
describe('the left hand, as players do it', () => {
  it('a scale in first position keeps one finger a fret and the open strings', () => {
    const plan = planVoices(['C3/4 D3/4 E3/4 F3/4 | G3/4 A3/4 B3/4 C4/4 | D4/4 E4/4 F4/4 G4/4']);
    expect(plan.notes.map((note) => note.finger).join('')).toBe('302302013013');
    expect(plan.shifts).toEqual([]);
  });

  it('G2 held by 3 forces D4 on ② onto 4', () => {
    const score = exampleScore({ voices: ['B3/4 D4/4 B3/2', 'G2/1'] });
    const plan = planPiece(score, decide(score, ['G2', 0, { finger: 3 }]));
    expect(leftHand(plan)).toContain('D4 2/3:4');
    expect(leftHand(plan)).toContain('G2 6/3:3');
  });

  it('D3 held under F♯3 is stopped at ⑤ 5, because the F♯ needs the fourth string', () => {
    const plan = planVoices(['F#3/2 A3/2', 'D3/1']);
    expect(leftHand(plan).join()).toMatch(/D3 5\/5:\d/);
    expect(leftHand(plan).join()).toMatch(/F#3 4\/4:\d/);
  });

  it('E minor takes 2 on ⑤ and 3 on ④: on one fret the lower finger has the lower string', () => {
    expect(leftHand(planVoices(['E2+B2+E3+G3+B3+E4/1']))).toEqual([
      'E2 6/0:0',
      'B2 5/2:2',
      'E3 4/2:3',
      'G3 3/0:0',
      'B3 2/0:0',
      'E4 1/0:0',
    ]);
  });

  it.each([
    ['A minor', 'A2+E3+A3+C4+E4', '02310'],
    ['E major', 'E2+B2+E3+G#3+B3+E4', '023100'],
    ['C major', 'C3+E3+G3+C4+E4', '32010'],
    ['D major', 'D3+A3+D4+F#4', '0132'],
    ['D minor', 'D3+A3+D4+F4', '0231'],
    ['A major', 'A2+E3+A3+C#4+E4', '01230'],
  ])('%s has its usual fingers', (_, chord, usual) => {
    expect(fingers(`${chord}/1`)).toBe(usual);
  });

  it('F major is a full barre of 1 with 2, 3 and 4', () => {
    const plan = planVoices(['F2+C3+F3+A3+C4+F4/1']);
    expect(plan.notes.map((note) => note.finger).join('')).toBe('134211');
    expect(plan.barres).toMatchObject([{ fret: 1, finger: 1, strings: [1, 6] }]);
  });

  it('an arpeggio keeps the fingers of its chord down', () => {
    const plan = planVoices(['-/8 E3/8 A3/8 C4/8 E4/8 C4/8 A3/8 E3/8', 'A2/1']);
    const byPitch = new Map(leftHand(plan).map((each) => [each.split(' ')[0], each]));
    expect(leftHand(plan).filter((each) => byPitch.get(each.split(' ')[0]) !== each)).toEqual([]);
    expect(new Set(['E3', 'A3', 'C4'].map((pitch) => byPitch.get(pitch)!.at(-1))).size).toBe(3);
  });

  it('a shift rides on an open string when there is one', () => {
    const plan = planVoices(['C3/4 E3/4 F3/4 C4/4 | F4/4 E4/4 B4/4 C5/4 | D5/4 C5/4 B4/2']);
    expect(plan.shifts.map((shift) => shift.rides)).toEqual(['open-string']);
  });

  it('a bass written to be held keeps finger and string under the whole melody', () => {
    const plan = planVoices(['E4/4 G4/4 F4/4 E4/4', 'C3/1']);
    expect(plan.left.cut).toEqual([]);
    for (const hand of plan.left.hands)
      expect(hand.lying.some((each) => each.string === 5 && each.fret === 3 && each.sounding)).toBe(true);
  });

  it('a unison of two voices is taken once', () => {
    const plan = planVoices(['E3/4 G3/4 A3/2', 'E3/1']);
    const [first, second] = plan.notes;
    expect([first!.string, first!.fret]).toEqual([second!.string, second!.fret]);
  });

  it('a natural harmonic is touched at one of its nodes', () => {
    const score = exampleScore({ voices: ['E4/1'] });
    const harmonic = {
      ...score,
      notes: score.notes.map((note) => ({ ...note, harmonic: 'natural' as const })),
    };
    const { string, fret } = planPiece(harmonic).notes[0]!;
    // E4 is the third partial of A2 (⑤ at 7 or 19) and the fourth of E2 (⑥ at 5).
    expect(['5/7', '5/19', '6/5']).toContain(`${string}/${fret}`);
  });

  it('a string touched for its harmonic rings on without the finger', () => {
    const score = exampleScore({ voices: ['E5/1', 'E3/4 A3/4 D4/4 G4/4'] });
    const harmonics = {
      ...score,
      notes: score.notes.map((note) => ({ ...note, harmonic: 'natural' as const })),
    };
    const { left } = planPiece(harmonics);
    expect(left.cut).toEqual([]);
    expect(left.choices.map((choice) => choice?.fret)).toEqual([12, 12, 12, 12, 12]);
    // What is touched at a moment, and what rings open from the moments before.
    expect(left.hands.at(-1)!.lying.map(({ finger }) => finger > 0)).toEqual([
      false,
      true,
      false,
      false,
      false,
    ]);
  });

  it('a slur stays on one string', () => {
    const plan = planVoices(['E4/4( F4/4) G4/4( F4/4)']);
    const [e, f, g, f2] = plan.notes;
    expect([e!.string === f!.string, g!.string === f2!.string]).toEqual([true, true]);
    expect([f!.pluck, f2!.pluck]).toEqual([undefined, undefined]);
  });
});

describe('locks', () => {
  it('are honoured and the rest gives way', () => {
    const voices = ['C4/4 D4/4 E4/4 F4/4 | G4/4 F4/4 E4/4 D4/4'];
    const score = exampleScore({ voices });
    const wishes: [string, number, Choice][] = [
      ['F4', 0, { string: 2, finger: 1 }],
      ['D4', 1, { finger: 3 }],
    ];
    const plan = planPiece(score, decide(score, ...wishes));
    expect(leftHand(plan)[3]).toBe('F4 2/6:1');
    expect(leftHand(plan)[7]).toMatch(/D4 \d\/\d+:3/);
    expect(plan.findings.filter(({ severity }) => severity !== 'remark')).toEqual([]);
    expect(leftHand(plan)).not.toEqual(leftHand(planPiece(score)));
  });

  it('that no hand can keep are set aside and reported with their place', () => {
    const score = exampleScore({ voices: ['C4+E4/2 E4/2', 'A2/1'] });
    const plan = planPiece(
      score,
      decide(score, ['C4', 0, { string: 2, finger: 4 }], ['E4', 0, { string: 2 }]),
    );
    expect(plan.findings.map((finding) => finding.code)).toContain('lock-not-kept');
    expect(findingSaid(plan.findings[0]!)).toMatch(/Bar 1, beat 1:/);
  });

  it('of the source hold until the teacher frees the note', () => {
    const score = exampleScore({ voices: ['E4/2{finger=4,string=2} F4/2'] });
    expect(leftHand(planPiece(score))[0]).toBe('E4 2/5:4');
    const freed = planPiece(score, decide(score, ['E4', 0, { finger: null, string: null }]));
    expect(leftHand(freed)[0]).toBe('E4 1/0:0');
  });
});

describe('what no hand can do', () => {
  it('is reported note by note, and the piece is planned all the same', () => {
    const plan = planVoices(['C3+D3+E3+F3+G3+A3+B3/2 E4/2']);
    expect(plan.findings.map((finding) => finding.code)).toContain('unplayable-note');
    expect(leftHand(plan).at(-1)).toBe('E4 1/0:0');
  });

  it('a held note is cut only where nothing else is possible', () => {
    const plan = planVoices(['F2/4 G2/4 A2/2', 'E2/1']);
    expect(plan.left.cut.length).toBeGreaterThan(0);
    expect(plan.findings.some((finding) => finding.code === 'held-note-cut')).toBe(true);
  });
});

describe('hands and instruments', () => {
  it('a larger hand never pays more', () => {
    const voices = ['G4/4 F4/4 A4/4 B4/4', 'F2/2 G2/2'];
    const cost = (size: 'small' | 'medium' | 'large') => planVoices(voices, { hand: handOf(size) }).left.cost;
    expect(cost('medium')).toBeLessThanOrEqual(cost('small') + 1e-9);
    expect(cost('large')).toBeLessThanOrEqual(cost('medium') + 1e-9);
  });

  it('the tuning of the piece decides the places', () => {
    const score = exampleScore({ voices: ['D2/1'] });
    expect(setupFor(score).guitar.tuning[5]).toBe(38);
    expect(leftHand(planPiece(score))).toEqual(['D2 6/0:0']);
  });

  it('the cost is the sum of its named terms, and of its notes', () => {
    const { left } = planVoices(['E4/8 G4/8 C5/8 E5/8 D5/4 B4/4', 'C3/2 G2/2']);
    const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);
    expect(sum(Object.values(left.terms))).toBeCloseTo(left.cost, 9);
    expect(sum(left.choices.flatMap((choice) => Object.values(choice?.cost ?? {})))).toBeCloseTo(
      left.cost,
      9,
    );
  });
});
