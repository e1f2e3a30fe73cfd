import { describe, expect, it } from 'vitest';
import { planPiece } from '../plan/plan.ts';
import { decide, exampleScore } from '../testing/planning.ts';
import { FERMATA_SHARE, playedClock } from '../score/played-clock.ts';
import { clockOf } from '../score/clock.ts';
import { unfold } from '../score/unfold/unfold.ts';
import { heardIn } from './heard.ts';
import { DECAY } from './sounding.ts';

describe('what is heard of a piece', () => {
  it('comes as often as it is played, string by string, in seconds', () => {
    const score = exampleScore({
      voices: ['E4/4 F4/4 E4/2 | G4/1'],
      tempo: 60,
      repeats: [{ from: 1, to: 1 }],
    });
    const { strings, length } = heardIn(planPiece(score).performance);
    expect(length).toBe(12);
    expect(strings[0]!.map(({ fret, from, until, pass }) => [fret, from, until, pass])).toEqual([
      [0, 0, 1, 1],
      [1, 1, 2, 1],
      [0, 2, 4, 1],
      [0, 4, 5, 2],
      [1, 5, 6, 2],
      [0, 6, 8, 2],
      [3, 8, 12, 1],
    ]);
  });

  it('an open string rings over a jump until it is struck; a stopped one is let go there', () => {
    const score = exampleScore({
      voices: ['E4/2 E4/2 | E4/2 E4/2', '-/1 | G2/2 A2/2'],
      tempo: 60,
      repeats: [{ from: 1, to: 2 }],
    });
    const { strings } = heardIn(planPiece(score).performance);
    // A2 on the open ⑤ is struck at 6 s and rings on into the repeated first bar.
    expect(strings[4]!.map(({ from, until }) => [from, until])).toEqual([
      [6, 12],
      [14, 16],
    ]);
    expect(strings[5]![0]).toMatchObject({ from: 4, until: 6, ends: 'lifted' });
  });

  it('sounds of one string never overlap, whatever is repeated', () => {
    const score = exampleScore({
      voices: ['C4/8 E4/8 G4/8 C4/8 E4/8 G4/8 E4/8 C4/8 | D4/4 F4/4 A4/4 D4/4', 'C3/1 | D3/2 A2/2'],
      repeats: [{ from: 1, to: 2 }],
    });
    for (const own of heardIn(planPiece(score).performance).strings)
      own.forEach((sound, place) => {
        expect(sound.until).toBeGreaterThan(sound.from);
        expect(own[place + 1]?.from ?? Infinity).toBeGreaterThanOrEqual(sound.until - 1e-9);
      });
  });

  it('an open string that nothing stops dies away when it does, not at the next stroke', () => {
    const score = exampleScore({ voices: ['-/1 | -/1 | E4/1', 'E2/1 | -/1 | -/1'], tempo: 60 });
    const { soundings, clock } = planPiece(score, decide(score)).performance;
    const bass = soundings.find(({ string }) => string === 6)!;
    expect(bass.ends).toBe('decayed');
    expect(clock.seconds(bass.until)).toBeCloseTo(DECAY, 6);
  });

  it('a fermata holds what stands under it, and everything after it comes later', () => {
    const score = exampleScore({ voices: ['C4/2 D4/2 | E4/1'], tempo: 60 });
    const held = {
      ...score,
      bars: score.bars.map((bar) => ({
        ...bar,
        voices: bar.voices.map(({ name, events }) => ({
          name,
          events: events.map((event, index) => ({ ...event, fermata: bar.index === 0 && index === 1 })),
        })),
      })),
    };
    const played = playedClock(held, unfold(held), clockOf(held));
    const half = score.bars[0]!.length / 2;
    expect(played.seconds(half)).toBe(2);
    expect(played.seconds(score.bars[0]!.length)).toBeCloseTo(4 + 2 * FERMATA_SHARE, 9);
    expect(played.length).toBeCloseTo(8 + 2 * FERMATA_SHARE, 9);
  });
});
