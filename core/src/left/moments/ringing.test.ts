import { describe, expect, it } from 'vitest';
import { soundsOf } from '../../score/sounds.ts';
import { exampleScore } from '../../testing/planning.ts';
import { inferRinging } from './ringing.ts';

describe('ringing', () => {
  const lasting = (...voices: string[]) => {
    const score = exampleScore({ voices });
    const sounds = soundsOf(score);
    const { until } = inferRinging(sounds, score.bars, score.ticksPerQuarter);
    const [first] = sounds.map(({ voice }) => voice).sort();
    return sounds
      .filter(({ voice }) => voice === first)
      .map((sound) => (until[sound.index]! - sound.onset) / score.ticksPerQuarter);
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

  it('a wide chord from its lowest note up rings with a seventh below its octave, a tune with a step does not', () => {
    expect(lasting('D3/8 F#3/8 C4/8 D4/8 C4/8 F#3/8 D3/4').slice(0, 4)).toEqual([4, 3.5, 3, 2.5]);
    expect(lasting('E5/8 D#5/8 E5/8 B4/8 G4/8 E4/8 G4/4').slice(0, 2)).toEqual([0.5, 0.5]);
  });

  it('two notes a third apart in turn are a tune, a fourth or more apart they ring', () => {
    expect(lasting('D4/4 B3/4 D4/4 B3/4')).toEqual([1, 1, 1, 1]);
    expect(lasting('E4/4 B3/4 E4/4 B3/4')).toEqual([4, 3, 2, 1]);
  });

  it('a bass that the voice answers is one pitch of the chord', () => {
    expect(lasting('-/4 A3/4 C4/4 A3/4', 'F2/1')).toEqual([3, 2, 1]);
    expect(lasting('A3/4 C4/4 A3/4 C4/4', 'F2/1')).toEqual([1, 1, 1, 1]);
  });

  it('a slow tune of high notes over a bass leaps without ringing; lower, quicker or alone it rings', () => {
    expect(lasting('F4/4 A4/4 C5/4 A4/4', 'D3/1')).toEqual([1, 1, 1, 1]);
    expect(lasting('C4/4 E4/4 A4/4 E4/4', 'A2/1')).toEqual([4, 3, 2, 1]);
    expect(lasting('F4/8 A4/8 C5/8 A4/8 F4/2', 'D3/1')[0]).toBeGreaterThan(1);
    expect(lasting('F4/4 A4/4 C5/4 A4/4')).toEqual([4, 3, 2, 1]);
  });

  it('blocks of notes one after another do not ring', () => {
    expect(lasting('C3+G3/2 A2+E3/2')).toEqual([2, 2, 2, 2]);
    expect(lasting('C3+E4/4 G3/4 C4/4 G3/4').slice(0, 2)).toEqual([4, 4]);
  });

  it('a new bass ends what rings above it, the same bass does not', () => {
    expect(lasting('E4/4 C4/4 G3/4 E4/4', 'C3/2 G2/2').slice(0, 3)).toEqual([2, 1, 2]);
    expect(lasting('E4/4 C4/4 G3/4 E4/4', 'C3/2 C3/2')[1]).toBe(3);
  });

  it('a chord broken after another ends it, wherever in the bar, and its bass though that lies lower', () => {
    const chords = 'A2/8 E3/8 A3/8 C4/8 B2/8 E3/8 G#3/8 D4/8 C3/8 E3/8 A3/8 E4/8';
    const score = exampleScore({ voices: [chords], meter: { beats: 6, beatType: 4 } });
    const sounds = soundsOf(score);
    const { until } = inferRinging(sounds, score.bars, score.ticksPerQuarter);
    const ends = until.map((end) => end / score.ticksPerQuarter);
    expect(ends.slice(0, 4)).toEqual([2, 2, 2, 2]);
    expect(ends.slice(4, 8)).toEqual([4, 4, 4, 4]);
    // Higher notes of one chord bring no new bass.
    expect(lasting('E3/8 B3/8 G4/8 E4/8 B4/8 G4/8 E4/4').slice(0, 3)).toEqual([4, 3.5, 3]);
    expect(lasting('C3/8 G3/8 E4/8 C4/8 G4/8 E5/8 C4/4').slice(0, 3)).toEqual([4, 3.5, 3]);
    // Over one bass all of them are one chord.
    expect(lasting('A2/8 E3/8 A3/8 C4/8 A2/8 E3/8 A3/8 E4/8')[0]).toBe(4);
  });

  it('a note that is soon repeated rings on to its repetition, as in a tremolo', () => {
    expect(lasting('-/16 E4/16 E4/16 E4/16 -/16 E4/16 E4/16 E4/16').slice(0, 3)).toEqual([0.25, 0.25, 0.5]);
    expect(lasting('C4/4 -/2 C4/4')[0]).toBe(1);
  });

  it('in one voice the bass changes in the middle of the bar', () => {
    const notes = lasting('G2/8 G3/8 B3/8 F4/8 C3/8 G3/8 C4/8 E4/8');
    expect(notes[3]).toBe(0.5);
    expect(lasting('C3/8 G3/8 C4/8 E4/8 C3/8 G3/8 C4/8 E4/8')[3]).toBe(2.5);
  });

  describe('a plain pattern', () => {
    const plain = (...voices: string[]) => {
      const score = exampleScore({ voices });
      const sounds = soundsOf(score);
      const { broken } = inferRinging(sounds, score.bars, score.ticksPerQuarter);
      const [first] = sounds.map(({ voice }) => voice).sort();
      return sounds.filter(({ voice }) => voice === first).map(({ index }) => broken[index]);
    };
    const all = (length: number): number[] => Array.from({ length }, () => 1);

    it('goes on where one broken chord meets the next in a step', () => {
      expect(plain('F#4/8 A4/8 D5/8 A4/8 G4/8 B4/8 E5/8 B4/8', 'D3/1')).toEqual(all(8));
      expect(lasting('F#4/8 A4/8 D5/8 A4/8 G4/8 B4/8 E5/8 B4/8', 'D3/1')[0]).toBe(2);
      expect(plain('E4/8 F4/8 A4/8 C5/8 B4/8 A4/8 G4/8 F4/8')).not.toContain(1);
      expect(plain('C4/8 E4/8 D4/8 F4/8 E4/8 G4/8 F4/8 A4/8')).not.toContain(1);
    });

    it('goes on in a bar that goes up and down as the bar beside it, whatever step the tune makes in it', () => {
      const [chord, suspended] = ['E2/8 B3/8 G4/8 E4/8', 'E2/8 B3/8 G4/8 F4/8'];
      expect(plain(`${chord} ${chord} | ${suspended} ${suspended}`)).toEqual(all(16));
      expect(plain(`${suspended} ${suspended} | ${chord} ${chord}`)).toEqual(all(16));
      expect(plain(`${suspended} ${suspended}`)).not.toContain(1);
    });
  });
});
