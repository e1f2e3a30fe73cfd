import { placesOf, STANDARD_GUITAR, type StringNumber } from '../../instrument/guitar.ts';
import { midiOf, type PitchSpelling } from '../../music/pitch.ts';
import type { BarDraft } from '../../score/draft/draft.ts';
import { asPiece, even, upAndDown, type DrillNote } from './bars.ts';
import { drillKind } from './drill-kind.ts';
import { climb, keyOn, lowestTonic, pitchClassOf, SCALES, TONICS } from './keys.ts';
import { choice, wholeNumber } from './parameter.ts';
import { pitchAt } from './places.ts';

/** Steps of the scale between both notes, and where the lower one may begin (MIDI): so both lie on strings beside a bass. */
const INTERVALS = {
  thirds: { steps: 2, floor: 55 },
  sixths: { steps: 5, floor: 50 },
  octaves: { steps: 7, floor: 48 },
  tenths: { steps: 9, floor: 45 },
} as const;
/** The highest note asked for: a fret that every hand reaches beside the body. */
const HIGHEST = 64 + 12;
/** Open basses by pitch class: E, A, D. */
const BASSES = [
  { pitchClass: 4, string: 6 },
  { pitchClass: 9, string: 5 },
  { pitchClass: 2, string: 4 },
] as const;

const REST: DrillNote = { pitches: [] };

/** The open string that may sound under a key: its tonic, its fifth, its fourth. */
const bassFor = (tonic: number) =>
  [0, 7, 5].flatMap((above) => BASSES.filter(({ pitchClass }) => pitchClass === (tonic + above) % 12))[0];

/** Frets that a hand takes within its reach. */
const REACH = 4;

/** Whether a hand can take two notes on strings above a bass. */
const lieAbove = (bass: StringNumber, low: PitchSpelling, high: PitchSpelling): boolean => {
  const above = (pitch: PitchSpelling) =>
    placesOf(STANDARD_GUITAR, midiOf(pitch)).filter(({ string }) => string < bass);
  return above(low).some((one) =>
    above(high).some(
      (other) =>
        other.string < one.string &&
        (one.fret === 0 || other.fret === 0 || Math.abs(one.fret - other.fret) <= REACH),
    ),
  );
};

/** Parallel intervals along the neck, together or broken, over an open bass on which the hand moves. */
export const intervals = drillKind({
  name: 'intervals',
  group: 'chords',
  care: ['repetition', 'stretch'],
  parameters: {
    interval: choice(['thirds', 'sixths', 'octaves', 'tenths'], 'sixths'),
    tonic: choice(TONICS, 'A'),
    scale: choice(['major', 'natural-minor'], 'major'),
    texture: choice(['together', 'broken'], 'together'),
    fingers: choice(['planned', 'im', 'ia', 'ma', 'pi', 'pm'], 'planned'),
    bass: choice(['open', 'none'], 'open'),
    tempo: wholeNumber(30, 160, 60),
  },
  make: ({ interval, tonic, scale, texture, fingers, bass, tempo }) => {
    const { steps, floor } = INTERVALS[interval];
    const open = bass === 'open' ? bassFor(pitchClassOf(tonic)) : undefined;
    const form = SCALES[scale];
    const key = keyOn(pitchClassOf(tonic), form.fifths);
    const lower = lowestTonic(key, floor);
    const all = climb(lower, form.up, form.up.length * 2 + steps);
    const pairs: readonly (readonly [PitchSpelling, PitchSpelling])[] = all
      .slice(0, form.up.length + 1)
      .map((low, place) => [low, all[place + steps]!] as const)
      .filter(([low, high]) => midiOf(high) <= HIGHEST && (!open || lieAbove(open.string, low, high)));
    const pluck = (place: number) => (fingers === 'planned' ? {} : { pluck: fingers[place]! });
    const groups = upAndDown(pairs).map(([low, high]): readonly DrillNote[] => [
      // On the open bass that sounds first, the hand has time to move.
      ...(open ? [REST] : []),
      ...(texture === 'together'
        ? [{ pitches: [low, high], fingering: [pluck(0), pluck(1)] }]
        : [
            { pitches: [low], fingering: [pluck(0)] },
            { pitches: [high], fingering: [pluck(1)] },
          ]),
    ]);
    const perBeat = groups[0]!.length;
    const held: DrillNote | undefined = open && {
      pitches: [pitchAt(open.string, 0)],
      fingering: [{ string: open.string, finger: 0, pluck: 'p' }],
    };
    const bars = Array.from({ length: Math.ceil(groups.length / 4) }, (_, bar): BarDraft => {
      const here = groups.slice(4 * bar, 4 * bar + 4);
      const basses = held
        ? [
            even(
              here.map(() => held),
              1,
            ),
          ]
        : [];
      return { voices: [even(here.flat(), perBeat), ...basses] };
    });
    return { bars: asPiece(bars, { signature: key.signature, tempo }), tempo };
  },
});
