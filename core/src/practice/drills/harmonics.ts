import type { StringNumber } from '../../instrument/guitar.ts';
import { midiOf, sharpSpelling } from '../../music/pitch.ts';
import { asPiece, lineInBars, upAndDown, type DrillNote } from './bars.ts';
import { drillKind } from './drill-kind.ts';
import { climb, keyOn, lowestTonic, pitchClassOf, SCALES, TONICS } from './keys.ts';
import { choice, wholeNumber } from './parameter.ts';
import { openOf, stringInPosition } from './places.ts';

/** Nodes of natural harmonics with what sounds above the open string, in semitones (handbook §6). */
const NODES = { '12': 12, '7': 19, '5': 24 } as const;

/** Natural harmonics string by string at a node, or at all three. */
export const harmonics = drillKind({
  name: 'harmonics',
  group: 'left-hand',
  care: [],
  parameters: {
    node: choice(['12', '7', '5', 'all'], '12'),
    texture: choice(['one-by-one', 'together'], 'one-by-one'),
    tempo: wholeNumber(30, 120, 60),
  },
  make: ({ node, texture, tempo }) => {
    const nodes = node === 'all' ? (['12', '7', '5'] as const) : [node];
    const place = (string: StringNumber, at: keyof typeof NODES) => ({
      pitch: sharpSpelling(openOf(string) + NODES[at]),
      fingering: { string, fret: Number(at) },
    });
    const together = (at: keyof typeof NODES, strings: readonly StringNumber[]): DrillNote => {
      const places = strings.map((string) => place(string, at));
      return {
        pitches: places.map(({ pitch }) => pitch),
        fingering: places.map(({ fingering }) => fingering),
        harmonic: 'natural',
        letRing: true,
      };
    };
    const strings: readonly StringNumber[] = [6, 5, 4, 3, 2, 1];
    if (texture === 'one-by-one') {
      const notes = nodes.flatMap((at) => upAndDown(strings).map((string) => together(at, [string])));
      return { bars: asPiece(lineInBars(notes, 1), { tempo }), tempo };
    }
    const notes = nodes.flatMap((at) => [
      together(at, [3, 2, 1]),
      together(at, [4, 3, 2]),
      together(at, [5, 4, 3]),
      together(at, [6, 5, 4]),
    ]);
    return { bars: asPiece(lineInBars(notes, 1), { tempo }), tempo };
  },
});

/** The lowest note whose octave harmonic is touched within reach: the open third string. */
const LOWEST_STOPPED = openOf(3);
const OCTAVE = 12;

/** A scale in harmonics an octave above stopped notes: the left hand as in first position, the index of the right touches. */
export const artificialHarmonics = drillKind({
  name: 'artificial-harmonics',
  group: 'left-hand',
  care: [],
  parameters: {
    tonic: choice(TONICS, 'G'),
    scale: choice(['major', 'natural-minor'], 'major'),
    tempo: wholeNumber(30, 100, 50),
  },
  make: ({ tonic, scale, tempo }) => {
    const form = SCALES[scale];
    const key = keyOn(pitchClassOf(tonic), form.fifths);
    const rising = climb(lowestTonic(key, LOWEST_STOPPED), form.up, form.up.length + 1).filter(
      (pitch) => stringInPosition(midiOf(pitch), 1) !== undefined,
    );
    const notes = upAndDown(rising).map((pitch): DrillNote => {
      const stopped = midiOf(pitch);
      const string = stringInPosition(stopped, 1)!;
      return {
        pitches: [{ ...pitch, octave: pitch.octave + OCTAVE / 12 }],
        fingering: [{ string, fret: stopped - openOf(string) }],
        harmonic: 'artificial',
        letRing: true,
      };
    });
    return { bars: asPiece(lineInBars(notes, 1), { signature: key.signature, tempo }), tempo };
  },
});
