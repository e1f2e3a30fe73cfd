import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { PassageRule } from '../fingering/rules.ts';
import { clockOf } from '../score/clock.ts';
import { planPiece, type Plan } from '../plan/plan.ts';
import { decide, exampleScore, planVoices } from '../testing/planning.ts';
import { performanceOf } from '../performance/performance.ts';
import { dampingOf } from './damping.ts';
import { DECAY, soundingsOf, type SoundEnd } from '../performance/sounding.ts';

const dampingIn = (plan: Plan, rules: readonly PassageRule[] = []) =>
  dampingOf(performanceOf(plan.score, plan.memory.clock, rules, plan.left, plan.right));
const LET_RING: PassageRule = { kind: 'ringing', from: 0, to: 9, rings: true };

// Common practice, no published source (handbook §5).
describe('the plan of damping', () => {
  it('the open E of one bar muddies the A of the next: it is stopped by the side of the thumb', () => {
    const plan = planVoices(['E4/2. | E4/2.', 'E2/2. | A2/2.'], { tempo: 90 });
    expect(dampingIn(plan)).toEqual([
      expect.objectContaining({ string: 6, means: 'thumb-side', why: expect.any(String) }),
    ]);
  });

  it('⑥ after ⑤ comes for free: the thumb’s rest stroke silences ⑤', () => {
    const plan = planVoices(['E4/2 E4/2', 'A2/2 E2/2'], { tempo: 90 });
    expect(dampingIn(plan)).toEqual([expect.objectContaining({ string: 5, means: 'thumb-rest-stroke' })]);
  });

  it('the same bass again needs nothing, nor does its octave', () => {
    expect(dampingIn(planVoices(['C4/2 E4/2', 'A2/2 A2/2']))).toEqual([]);
    const octave = planPiece(exampleScore({ voices: ['C4/2 C4/2', 'A2/2 A3/2'] }));
    expect(dampingIn(octave).filter(({ string }) => string === 5)).toEqual([]);
  });

  it('a bass line by step grates: it must be stopped', () => {
    const score = exampleScore({ voices: ['C4/2 C4/2', 'D3/2 E3/2'], tempo: 90 });
    const plan = planPiece(score, decide(score, ['D3', 0, { string: 4 }], ['E3', 0, { string: 5 }]));
    expect(dampingIn(plan)).toContainEqual(expect.objectContaining({ string: 4, grade: 'must' }));
  });

  it('a tune that moves on above an open string is no bass', () => {
    for (const line of ['D3/2 E4/2', 'D3/4 E4/4 F4/4 G4/4', 'D3/4 E4/4 D3/4 C#4/4'])
      expect(dampingIn(planVoices([line])).filter(({ grade }) => grade === 'must')).toEqual([]);
    // The next bass still stops it, whatever is sung between them.
    const line = planVoices(['A2/4 E4/4 E2/4 E4/4'], { tempo: 90 });
    expect(dampingIn(line)).toContainEqual(expect.objectContaining({ string: 5 }));
  });

  it('a bass that would ring into a rest must be stopped', () => {
    const plan = planVoices(['C4/4 -/4 C4/2', 'A2/4 -/4 A2/2']);
    expect(dampingIn(plan)).toContainEqual(
      expect.objectContaining({ grade: 'must', why: 'rest', means: 'palm' }),
    );
  });

  it('an open bass that rings below the new bass turns the chord over, consonant or not', () => {
    const plan = planVoices(['E4/2. | E4/2.', 'A2/2. | E3/2.'], { tempo: 90 });
    const damped = dampingIn(plan).filter(({ string }) => string === 5);
    expect(damped).toEqual([expect.objectContaining({ grade: 'should', why: 'below-the-bass' })]);
  });

  it('a bass rest is a rest though others go on', () => {
    const plan = planVoices(['C4/4 E4/4 C4/4 E4/4', 'A2/4 -/2 A2/4']);
    expect(dampingIn(plan)).toContainEqual(
      expect.objectContaining({ string: 5, grade: 'must', why: 'rest' }),
    );
  });

  it('a harmony is what is struck and held, not what passes', () => {
    const passing = planVoices(['C4/4 D4/4 C4/4 B3/4', 'A2/2 -/2'].map((voice) => voice));
    expect(dampingIn(passing).filter(({ why }) => why === 'new-harmony')).toEqual([]);
    const changed = planVoices(['C4/1 | G3+B3+D4/1', 'A2/1 | -/2 G2/2']);
    expect(dampingIn(changed)).toContainEqual(expect.objectContaining({ string: 5 }));
  });

  it('what is written to ring (l.v.) is left alone', () => {
    const score = exampleScore({ voices: ['E4/2. | E4/2.', 'E2/2. | A2/2.'], tempo: 90 });
    expect(dampingIn(planPiece(score))).toHaveLength(1);
    const ringing = {
      ...score,
      notes: score.notes.map((note) => (note.midi === 40 ? { ...note, letRing: true } : note)),
    };
    expect(dampingIn(planPiece(ringing))).toEqual([]);
    const worded = exampleScore({ voices: ['E4/2. | E4/2.', 'E2/2. | A2/2.'], words: { 1: 'l.v.' } });
    expect(worded.notes.map(({ letRing }) => letRing)).toEqual([true, true, false, false]);
  });

  it('a stopped bass stops with its finger, and a passage left to ring is left alone', () => {
    expect(dampingIn(planVoices(['C4/2 C4/2', 'G2/2 A2/2']))).toEqual([]);
    const plan = planVoices(['E4/2. | E4/2.', 'E2/2. | A2/2.']);
    expect(dampingIn(plan, [LET_RING])).toEqual([]);
  });
});

/** Strings and fingers followed in small steps of time: what is heard on each string at every tick. */
const simulate = (plan: Plan): Map<number, number> => {
  const { left } = plan;
  const clock = clockOf(plan.score);
  const { end, ring } = left.times;
  const finish = Math.max(...left.sounds.map((sound) => sound.end));
  const on = new Map<number, { sound: number; isOpen: boolean; since: number }>();
  const heardUntil = new Map<number, number>();
  for (let tick = 0; tick < finish; tick += 1) {
    const hand = left.hands.find(({ slice }) => slice.onset === tick);
    for (const [string, { sound, isOpen, since }] of on) {
      const isOver = !isOpen && tick >= Math.max(end[sound]!, ring[sound]!);
      const isDead = isOpen && clock.seconds(tick) - clock.seconds(since) >= DECAY;
      const lying = hand?.lying ?? [];
      const isLifted = !isOpen && hand !== undefined && !lying.some((each) => each.string === string);
      const flat = [1, 2, 3, 4].map((finger) => lying.filter((each) => each.finger === finger));
      const isUnder =
        isOpen &&
        flat.some(
          (own) =>
            own.length > 1 &&
            own.some((each) => each.string < string) &&
            own.some((each) => each.string > string),
        );
      if (isOver || isDead || isLifted || isUnder) on.delete(string);
    }
    for (const sound of hand?.slice.struck ?? []) {
      const choice = left.choices[sound];
      if (choice) on.set(choice.string, { sound, isOpen: choice.finger === 0, since: tick });
    }
    for (const { sound } of on.values()) heardUntil.set(sound, tick + 1);
  }
  return heardUntil;
};

describe('when strings really sound', () => {
  const pitch = fc.constantFrom('E2', 'A2', 'C3', 'D3', 'G3', 'B3', 'C4', 'E4', 'F4', 'G4');
  const note = fc.tuple(pitch, fc.constantFrom('4', '8'));
  it('agrees with strings and fingers followed tick by tick', () => {
    fc.assert(
      fc.property(fc.array(note, { minLength: 2, maxLength: 7 }), (notes) => {
        const plan = planPiece(
          exampleScore({ voices: [notes.map((each) => each.join('/')).join(' ')], tempo: 60 }),
        );
        const heard = simulate(plan);
        for (const { sound, until } of soundingsOf(plan.left, clockOf(plan.score)))
          expect(heard.get(sound)).toBe(until);
      }),
      { numRuns: 60 },
    );
  });

  it('names how each sound ends', () => {
    const plan = planVoices(['E4/4 E4/4 F4/4 -/4']);
    const ends: SoundEnd[] = soundingsOf(plan.left, plan.memory.clock).map((each) => each.ends);
    expect(ends[0]).toBe('struck');
    expect(ends[1]).toBe('struck');
    expect(ends[2]).toBe('lifted');
  });
});
