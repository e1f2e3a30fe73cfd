import { findingSaid } from '../testing/words.ts';
import { describe, expect, it } from 'vitest';
import { EMPTY_FINGERING } from '../fingering/fingering.ts';
import { decide, exampleScore } from '../testing/planning.ts';
import { planPiece, setupFor, type Plan } from './plan.ts';

const MOTIVE = 'C4/8 E4/8 D4/8 F4/8 E4/8 D4/8 C4/8 D4/8';
const takings = (plan: Plan, bar: number): string[] =>
  plan.left.sounds
    .filter((sound) => sound.bar === bar)
    .map(({ index }) => `${plan.left.choices[index]?.string}/${plan.left.choices[index]?.finger}`);

// What is learned once is played again: common practice, no published source.
describe('bars that come back', () => {
  const score = exampleScore({
    voices: [`${MOTIVE} | E4/4 G4/4 F4/4 E4/4 | ${MOTIVE} | E4/2 C4/2 | ${MOTIVE}`],
  });

  it('are fingered as the first time', () => {
    const plan = planPiece(score);
    expect(takings(plan, 2)).toEqual(takings(plan, 0));
    expect(takings(plan, 4)).toEqual(takings(plan, 0));
  });

  it('follow when the teacher changes the first', () => {
    const fingering = decide(score, ['D4', 0, { finger: 4 }]);
    const plan = planPiece(score, fingering, setupFor(score));
    expect(takings(plan, 0)[2]).toBe('2/4');
    expect(takings(plan, 2)).toEqual(takings(plan, 0));
    expect(takings(plan, 4)).toEqual(takings(plan, 0));
    expect(plan.notes.filter((note) => note.locked)).toHaveLength(1);
  });

  it('stay as they were away from a decision', () => {
    const tune =
      'A3/4 C4/8 B3/8 A3/4 | B3/4 D4/8 C4/8 B3/4 | C4/4 E4/4 D4/8 C4/8 | E4/4 G4/8 F4/8 E4/4 | ' +
      'F4/4 A4/8 G4/8 F4/4 | D4/4 F4/8 E4/8 D4/4 | A4/4 C5/8 B4/8 A4/4 | E4/4 D4/8 C4/8 B3/4';
    const bass = 'A2/2. | E2/2. | A2/2. | C3/2. | D3/2. | G2/2. | F3/2. | G2/4 A2/4 G2/4';
    const dance = exampleScore({
      meter: { beats: 3, beatType: 4 },
      tempo: 96,
      voices: [tune, bass].map((voice) => `${voice} | ${voice} | ${voice}`),
    });
    const undecided = planPiece(dance);
    const bars = Array.from({ length: 24 }, (_, bar) => bar);
    const decided = dance.notes.filter(({ bar }) => bar === 1);
    expect(decided).toHaveLength(5);
    for (const { id, index } of decided) {
      const finger = undecided.notes[index]!.finger === 2 ? 1 : 2;
      const plan = planPiece(dance, { ...EMPTY_FINGERING, choices: new Map([[id, { finger }]]) });
      const changed = bars.filter((bar) => takings(plan, bar).join() !== takings(undecided, bar).join());
      const away = changed.filter((bar) => bar > 5 && bar % 8 !== 1);
      expect(away).toEqual([]);
    }
  });

  it('stay as a teacher has fixed them', () => {
    const fingering = decide(score, ['F4', 2, { finger: 2 }]);
    const plan = planPiece(score, fingering, setupFor(score));
    expect(plan.notes.find((note) => note.locked)!.finger).toBe(2);
    expect(takings(plan, 4)).toEqual(takings(plan, 0));
  });

  it('are named when the context forces a difference', () => {
    // Low neighbours want the first position; between high bars without an open string the hand stays up.
    const tune = 'C4/4 D4/4 F4/4 D4/4';
    const high = 'Bb4/4 C5/4 Bb4/4 C5/4';
    const forced = exampleScore({ voices: [`${tune} | F3/2 C3/2 | ${high} | ${tune} | ${high}`] });
    const plan = planPiece(forced, EMPTY_FINGERING, setupFor(forced));
    expect(takings(plan, 3)).not.toEqual(takings(plan, 0));
    const [finding] = plan.findings.filter(({ code }) => code === 'return-differs');
    expect(findingSaid(finding!)).toMatch(/Bar 4 returns as bar 1 .* would cost \d+\.\d more/);
  });
});
