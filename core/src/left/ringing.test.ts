import { describe, expect, it } from 'vitest';
import { soundsOf } from '../score/sounds.ts';
import { exampleScore } from '../testing/planning.ts';
import { inferRinging } from './ringing.ts';

describe('ringing', () => {
  const lasting = (...voices: string[]) => {
    const score = exampleScore({ voices });
    const sounds = soundsOf(score);
    const until = inferRinging(sounds, score.bars);
    return sounds.map((sound) => (until[sound.index]! - sound.onset) / score.ticksPerQuarter);
  };

  it('notes of a broken chord ring on to the end of the bar', () => {
    expect(lasting('E3/4 A3/4 C4/4 E4/4')).toEqual([4, 3, 2, 1]);
  });

  it('notes of a scale end as written', () => {
    expect(lasting('C4/4 D4/4 E4/4 F4/4')).toEqual([1, 1, 1, 1]);
  });

  it('a neighbouring pitch in the same voice ends it', () => {
    expect(lasting('E3/4 A3/4 E4/4 G3/4')[1]).toBe(2);
  });
});
