import { midiOf } from '../../music/pitch.ts';
import { asPiece, lineInBars, upAndDown } from './bars.ts';
import { drillKind } from './drill-kind.ts';
import {
  CHORD_NAMES,
  CHORD_FIFTHS,
  CHORDS,
  climb,
  keyOn,
  lowestTonic,
  pitchClassOf,
  TONICS,
} from './keys.ts';
import { choice, wholeNumber } from './parameter.ts';
import { HIGHEST_PITCH, LOWEST_PITCH } from './places.ts';
import { lineFingers, pluckOf } from './plucks.ts';

/** Chords as lines over the neck, from any of their notes up and down again. */
export const arpeggio = drillKind({
  name: 'arpeggio',
  group: 'lines',
  care: ['repetition'],
  parameters: {
    root: choice(TONICS, 'A'),
    chord: choice(CHORD_NAMES, 'minor'),
    inversion: wholeNumber(0, 3, 0),
    octaves: wholeNumber(1, 3, 2),
    fingers: { ...lineFingers, initial: 'planned' as const },
    'per-beat': wholeNumber(1, 4, 2),
    tempo: wholeNumber(30, 200, 60),
  },
  make: ({ root, chord, inversion, octaves, fingers, 'per-beat': perBeat, tempo }) => {
    const form = CHORDS[chord];
    const key = keyOn(pitchClassOf(root), CHORD_FIFTHS[chord]);
    // A triad has no third inversion: it begins with its root again.
    const first = inversion % form.length;
    const all = climb(lowestTonic(key, LOWEST_PITCH - 12), form, 6 * form.length + 1);
    const start = all.findIndex(
      (pitch, place) => place % form.length === first && midiOf(pitch) >= LOWEST_PITCH,
    );
    const wanted = all.slice(start, start + form.length * octaves + 1);
    const rising = wanted.filter((pitch) => midiOf(pitch) <= HIGHEST_PITCH);
    const line = upAndDown(rising).map((pitch, index) => ({
      pitches: [pitch],
      fingering: [pluckOf(fingers, index)],
    }));
    return { bars: asPiece(lineInBars(line, perBeat), { signature: key.signature, tempo }), tempo };
  },
});
