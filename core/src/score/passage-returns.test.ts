import { describe, expect, it } from 'vitest';
import { exampleScore } from '../testing/planning.ts';
import { passageReturns } from './passage-returns.ts';
import { phrasesOf } from './phrases.ts';
import { soundsOf } from './sounds.ts';

const returnsIn = (...voices: readonly string[]) => {
  const score = exampleScore({ voices });
  return passageReturns(score, soundsOf(score)).map(({ from, to, like, likeness }) => ({
    from,
    to,
    like,
    ...likeness,
  }));
};

describe('passages that return', () => {
  it('exactly, as long as they go on alike', () => {
    expect(returnsIn('C4/4 D4/4 E4/2 | F4/2 E4/2 | G4/1 | C4/4 D4/4 E4/2 | F4/2 E4/2 | C4/1')).toEqual([
      { from: 3, to: 4, like: 0, kind: 'exact' },
    ]);
  });

  it('transposed by the same interval throughout', () => {
    expect(returnsIn('C4/4 D4/4 E4/4 F4/4 | D4/4 E4/4 F#4/4 G4/4')).toEqual([
      { from: 1, to: 1, like: 0, kind: 'transposed', semitones: 2 },
    ]);
  });

  it('over another bass: the upper voice stands for itself', () => {
    const bars = ['E4/4 G4/4 E4/4 G4/4 | D4/1 | E4/4 G4/4 E4/4 G4/4', 'C3/1 | G2/1 | A2/1'];
    expect(returnsIn(...bars)).toEqual([{ from: 2, to: 2, like: 0, kind: 'other-bass' }]);
  });

  it('in the same rhythm over two bars or more', () => {
    const rhythm = returnsIn(
      'C4/4. D4/8 E4/4 F4/4 | G4/8 A4/8 G4/2 E4/4 | E4/4. C4/8 F4/4 A4/4 | B4/8 G4/8 D4/2 C4/4',
    );
    expect(rhythm).toEqual([{ from: 2, to: 3, like: 0, kind: 'same-rhythm' }]);
  });

  it('are none in music that never comes back', () => {
    expect(returnsIn('C4/4 D4/4 E4/2 | F4/8 G4/8 A4/4 B4/2 | C5/1')).toEqual([]);
  });
});

describe('phrases', () => {
  const phrases = (voices: string, more: object = {}) => {
    const score = exampleScore({ voices: [voices], ...more });
    return phrasesOf(score, soundsOf(score)).map(({ from, to, ends }) => [from, to, ends]);
  };

  it('end at repeats', () => {
    const four = 'C4/4 D4/4 E4/4 F4/4 | G4/4 F4/4 E4/4 D4/4 | E4/4 F4/4 G4/4 A4/4 | G4/4 E4/4 D4/4 C4/4';
    expect(phrases(four, { repeats: [{ from: 1, to: 2 }] })).toEqual([
      [0, 1, 'repeat'],
      [2, 3, 'end'],
    ]);
  });

  it('end at a long note and at a rest in all voices', () => {
    const tune = 'C4/4 D4/4 E4/4 F4/4 | G4/4 F4/4 E4/2 | D4/4 E4/4 F4/4 G4/4 | C4/2 -/2 | D4/4 E4/4 D4/2';
    expect(phrases(tune)).toEqual([
      [0, 1, 'long-note'],
      [2, 3, 'rest'],
      [4, 4, 'end'],
    ]);
  });
});
