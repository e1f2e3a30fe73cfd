import { midiOf, type PitchSpelling } from '../../music/pitch.ts';
import type { StringNumber } from '../../instrument/guitar.ts';
import { asPiece, lineInBars, upAndDown, type DrillNote } from './bars.ts';
import { drillKind } from './drill-kind.ts';
import { climb, keyOn, lowestTonic, pitchClassOf, SCALE_NAMES, SCALES, TONICS } from './keys.ts';
import { choice, wholeNumber } from './parameter.ts';
import { FRETS_IN_POSITION, HIGHEST_PITCH, LOWEST_PITCH, openOf, stringInPosition } from './places.ts';
import { lineFingers, pluckOf, type LineFingers } from './plucks.ts';

const PARAMETERS = {
  tonic: choice(TONICS, 'C'),
  scale: choice(SCALE_NAMES, 'major'),
  octaves: wholeNumber(1, 3, 2),
  fingers: lineFingers,
  'per-beat': wholeNumber(1, 4, 2),
  tempo: wholeNumber(30, 200, 60),
};
const fretOf = (pitch: PitchSpelling, string: StringNumber): number => midiOf(pitch) - openOf(string);

/** A scale up from a pitch and down again: as many notes as `isIn` allows, at most so many octaves. */
const scaleLine = (
  root: PitchSpelling,
  { up, down = up }: (typeof SCALES)[keyof typeof SCALES] & { down?: (typeof SCALES)['major']['up'] },
  octaves: number,
  isIn: (pitch: PitchSpelling) => boolean,
): readonly PitchSpelling[] => {
  const whole = climb(root, up, up.length * octaves + 1);
  const end = whole.findIndex((pitch) => !isIn(pitch));
  const reached = end < 0 ? whole.length : end;
  // A way down that differs begins where a way up ends: on a tonic.
  const full = reached - ((reached - 1) % up.length);
  const count = reached > up.length ? full : reached;
  const rising = whole.slice(0, Math.max(1, count));
  const falling = (count % up.length === 1 ? climb(root, down, rising.length) : rising).toReversed();
  return upAndDown(rising, falling);
};

const asLine = (
  pitches: readonly PitchSpelling[],
  fingers: LineFingers,
  stringOf: (pitch: PitchSpelling) => StringNumber | undefined,
): readonly DrillNote[] =>
  pitches.map((pitch, index) => {
    const string = stringOf(pitch);
    return {
      pitches: [pitch],
      fingering: [{ ...(string && { string }), ...pluckOf(fingers, index) }],
    };
  });

/** Scales over the neck: the planner finds the positions and where the hand shifts. */
export const scale = drillKind({
  name: 'scale',
  group: 'lines',
  care: ['repetition'],
  parameters: PARAMETERS,
  make: ({ tonic, scale: name, octaves, fingers, 'per-beat': perBeat, tempo }) => {
    const key = keyOn(pitchClassOf(tonic), SCALES[name].fifths);
    const pitches = scaleLine(lowestTonic(key, LOWEST_PITCH), SCALES[name], octaves, (pitch) => {
      return midiOf(pitch) <= HIGHEST_PITCH;
    });
    const line = asLine(pitches, fingers, () => undefined);
    return { bars: asPiece(lineInBars(line, perBeat), { signature: key.signature, tempo }), tempo };
  },
});

/** Scales under a hand that stays: from the lowest tonic of the position, whole octaves as far as it reaches. */
export const scaleInPosition = drillKind({
  name: 'scale-in-position',
  group: 'lines',
  care: ['repetition'],
  parameters: { ...PARAMETERS, position: wholeNumber(1, 12, 5) },
  make: ({ tonic, scale: name, octaves, fingers, 'per-beat': perBeat, tempo, position }) => {
    const key = keyOn(pitchClassOf(tonic), SCALES[name].fifths);
    const lowest = LOWEST_PITCH + (position === 1 ? 0 : position);
    const root = lowestTonic(key, lowest);
    const pitches = scaleLine(
      root,
      SCALES[name],
      octaves,
      (pitch) => stringInPosition(midiOf(pitch), position) !== undefined,
    );
    const line = asLine(pitches, fingers, (pitch) => stringInPosition(midiOf(pitch), position));
    return { bars: asPiece(lineInBars(line, perBeat), { signature: key.signature, tempo }), tempo };
  },
});

/**
 * Scales along the neck with one shift that is chosen: strings below the shift's in the first position, the string of the
 * shift in both, those above it in the second; down again the same way.
 */
export const scaleWithShift = drillKind({
  name: 'scale-with-shift',
  group: 'lines',
  care: ['repetition'],
  parameters: {
    ...PARAMETERS,
    octaves: wholeNumber(1, 3, 3),
    position: wholeNumber(1, 9, 2),
    'next-position': wholeNumber(2, 12, 7),
    'shift-string': choice(['1', '2', '3', '4', '5', '6'], '3'),
  },
  make: (values) => {
    const { tonic, scale: name, octaves, fingers, 'per-beat': perBeat, tempo } = values;
    const key = keyOn(pitchClassOf(tonic), SCALES[name].fifths);
    const low = Math.min(values.position, values['next-position']);
    const high = Math.max(values.position, values['next-position']);
    const shift = Number(values['shift-string']) as StringNumber;
    const stringOf = (pitch: PitchSpelling): StringNumber | undefined => {
      const before = stringInPosition(midiOf(pitch), low);
      if (before !== undefined && before > shift) return before;
      const after = stringInPosition(midiOf(pitch), high);
      if (after !== undefined && after < shift) return after;
      const fret = fretOf(pitch, shift);
      return fret >= (low === 1 ? 0 : low - 1) && fret <= high + FRETS_IN_POSITION - 1 ? shift : undefined;
    };
    const root = lowestTonic(key, LOWEST_PITCH + (low === 1 ? 0 : low));
    const pitches = scaleLine(root, SCALES[name], octaves, (pitch) => stringOf(pitch) !== undefined);
    const line = asLine(pitches, fingers, stringOf);
    return { bars: asPiece(lineInBars(line, perBeat), { signature: key.signature, tempo }), tempo };
  },
});

/** The last fret of a scale along one string. */
const LAST_ALONG_STRING = 12;

/** Scales along one string: all their notes on it, up to the twelfth fret and back. */
export const scaleOnOneString = drillKind({
  name: 'scale-on-one-string',
  group: 'lines',
  care: ['repetition'],
  parameters: {
    tonic: PARAMETERS.tonic,
    scale: PARAMETERS.scale,
    string: choice(['1', '2', '3', '4', '5', '6'], '1'),
    fingers: lineFingers,
    'per-beat': PARAMETERS['per-beat'],
    tempo: PARAMETERS.tempo,
  },
  make: ({ tonic, scale: name, string: chosen, fingers, 'per-beat': perBeat, tempo }) => {
    const string = Number(chosen) as StringNumber;
    const form = SCALES[name];
    const key = keyOn(pitchClassOf(tonic), form.fifths);
    // From the tonic below the open string: what lies on the string is a part of the scale.
    const root = lowestTonic(key, openOf(string) - 12);
    const onString = (degrees: typeof form.up): readonly PitchSpelling[] =>
      climb(root, degrees, 3 * degrees.length).filter((pitch) => {
        const fret = fretOf(pitch, string);
        return fret >= 0 && fret <= LAST_ALONG_STRING;
      });
    const rising = onString(form.up);
    const falling = onString('down' in form ? form.down : form.up).toReversed();
    const turn = midiOf(rising.at(-1)!) === midiOf(falling[0]!) ? falling : [rising.at(-1)!, ...falling];
    const line = asLine(upAndDown(rising, turn), fingers, () => string);
    return { bars: asPiece(lineInBars(line, perBeat), { signature: key.signature, tempo }), tempo };
  },
});
