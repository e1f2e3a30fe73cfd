import { describe, expect, it } from 'vitest';
import type { PassageRule } from '../../fingering/rules.ts';
import { exampleScore, planVoices } from '../../testing/planning.ts';
import { planPiece } from '../../plan/plan.ts';
import { harmonicTouches, strokeAdvice } from './strokes.ts';

const adviceFor = (voices: readonly string[], rules: readonly PassageRule[] = []) => {
  const { left, right } = planVoices(voices);
  return strokeAdvice(right.events, right.options, left, rules);
};

describe('strokes', () => {
  it('suggest the rest stroke for a scale, not for an arpeggio', () => {
    const scale = adviceFor(['C4/8 D4/8 E4/8 F4/8 G4/8 A4/8 B4/8 C5/8']);
    expect(scale.some(({ reason }) => reason === 'scale')).toBe(true);
    expect(scale.every(({ stroke }) => stroke === 'rest')).toBe(true);
    expect(adviceFor(['-/8 G3/8 B3/8 E4/8', 'E2/2']).filter(({ reason }) => reason === 'scale')).toEqual([]);
  });

  // Common practice, no published source (handbook §5): ⑥ after ⑤ comes for free.
  it('the thumb’s rest stroke on ⑥ silences the open ⑤ that rings on', () => {
    const advice = adviceFor(['-/4 C4/4 -/4 C4/4', 'A2/2 E2/2']);
    expect(advice).toContainEqual(
      expect.objectContaining({ reason: 'thumb-silences', comesToRestOn: 5, damps: true }),
    );
  });

  it('never advise a rest stroke onto a string that is held', () => {
    const held = adviceFor(
      ['E4/8 F4/8 E4/8 F4/8 E4/8 F4/8', 'B3/2.'],
      [{ kind: 'stroke', from: 0, to: 0, stroke: 'rest', voice: 'melody' }],
    );
    const { left, right } = planVoices(['E4/8 F4/8 E4/8 F4/8 E4/8 F4/8', 'B3/2.']);
    const stringOf = (sound: number) => left.choices[sound]?.string;
    const bass = left.sounds.find((sound) => sound.voice !== left.sounds.at(-1)!.voice)!;
    expect(right.events.length).toBeGreaterThan(0);
    expect(held.every(({ comesToRestOn }) => comesToRestOn !== stringOf(bass.index))).toBe(true);
  });

  it('keep what a teacher asked for apart from what is suggested', () => {
    const asked = adviceFor(
      ['C4/4 D4/4 E4/4 F4/4'],
      [{ kind: 'stroke', from: 0, to: 0, stroke: 'rest', voice: 'all' }],
    );
    expect(asked.every(({ by }) => by === 'teacher')).toBe(true);
    expect(asked.length).toBeGreaterThan(0);
  });

  it('a chord of six is swept by the thumb up to the fingers', () => {
    const { right } = planVoices(['E2+B2+E3+G3+B3+E4/1']);
    expect(right.events[0]!.swept).toHaveLength(2);
    expect(right.options[0]).toEqual([0, 1, 2, 3]);
  });
});

describe('harmonics', () => {
  it('an artificial one is touched twelve frets above and plucked by p or a', () => {
    const score = exampleScore({ voices: ['A4/1'] });
    const touched = {
      ...score,
      notes: score.notes.map((note) => ({ ...note, harmonic: 'artificial' as const })),
    };
    const { left, right, notes } = planPiece(touched);
    expect(['p', 'a']).toContain(notes[0]!.pluck);
    expect(right.events[0]!.options).toEqual([[0], [3]]);
    const [touch] = harmonicTouches(touched, left);
    expect(touch).toMatchObject({ by: 'right-index', node: left.choices[0]!.fret + 12 });
  });
});
