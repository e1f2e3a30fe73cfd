import { describe, expect, it } from 'vitest';
import { placesOf, STANDARD_GUITAR } from '../../instrument/guitar.ts';
import { midiOf, parsePitch } from '../../music/pitch.ts';
import { handOf, neckTables } from './hand.ts';
import { gripTrouble } from './grip-trouble.ts';

const neck = neckTables(STANDARD_GUITAR);
const trouble = (...pitches: string[]) =>
  gripTrouble(
    pitches.map((name) => ({
      places: placesOf(STANDARD_GUITAR, midiOf(parsePitch(name)!)),
      lock: undefined,
    })),
    handOf('medium'),
    neck,
  );

describe('why notes cannot be held at once', () => {
  it('nothing is wrong with a chord of first position', () => {
    expect(trouble('C3', 'E3', 'G3', 'C4', 'E4')).toBeUndefined();
  });
  it('a pitch below the lowest string lies nowhere', () => {
    expect(trouble('D2')).toEqual({ kind: 'nowhere', note: 0 });
  });
  it('two low notes need the one string they lie on', () => {
    expect(trouble('G2', 'C4', 'F2')).toEqual({ kind: 'one-string', notes: [0, 2], string: 6 });
  });
  it('notes at both ends of the neck lie too far apart', () => {
    expect(trouble('F2', 'B5')).toEqual({ kind: 'too-far', notes: [0, 1] });
  });
  it('seven notes need more strings than there are', () => {
    expect(trouble('C3', 'D3', 'E3', 'F3', 'G3', 'A3', 'B3')?.kind).toMatch(/too-many|too-far|one-string/);
  });
});
