import { exampleXml } from '../../src/testing/notation.ts';
import {
  at,
  back,
  barsXml,
  documentXml,
  guitarXml,
  noteXml,
  notes,
  OCTAVE_CLEF,
  PLAIN_CLEF,
  TAB_CLEF,
  words,
} from '../../src/testing/files.ts';
import { asTimewise, withPlainClef, withTranspose } from '../../src/testing/documents.ts';

const dance = exampleXml({
  meter: { beats: 3, beatType: 4 },
  key: 1,
  tempo: 96,
  pickup: true,
  repeats: [{ from: 2, to: 3 }],
  words: { 2: 'dolce' },
  dynamics: { 3: 'f' },
  voices: [
    'E4/4 | G4/8( A4/8) B4/4 G4/4 | E4+C4/4~ E4+C4/4 D4/8t E4/8t F4/8t | B3/2.',
    '-/4 | E2/2. | A2/2. | E2/2.',
  ],
});
const arpeggio = exampleXml({
  voices: [
    '-/8 E3/8{string=4,finger=2} G3/8 B3/8{pluck=m} E4/8 B3/8 G3/8 E3/8 | F3/8 A3/8 C4/8 F4/8 C4/8 A3/8 F3/4',
    'E2/1 | F2/1',
  ],
});
const harmonics = guitarXml(
  OCTAVE_CLEF,
  words('⑥ = D') +
    noteXml({
      pitch: 'E3',
      technical: '<harmonic><natural/><touching-pitch/></harmonic><string>6</string><fret>12</fret>',
    }) +
    noteXml({
      pitch: 'C4',
      technical: '<harmonic><artificial/><base-pitch/></harmonic><string>2</string><fret>1</fret>',
    }) +
    noteXml({ pitch: 'E4', cue: true }) +
    noteXml({ pitch: 'G4', hidden: true }),
  noteXml({ pitch: 'C4', grace: true }) +
    notes('D4', 'E4', 'F4', 'G4') +
    back(8) +
    noteXml({ pitch: 'D2', duration: 8, voice: 1 }),
);
const tablature = documentXml(
  ['Guitar', barsXml(PLAIN_CLEF, [notes('E5', 'C5', 'A4', 'E4')])],
  ['Guitar TAB', barsXml(TAB_CLEF, [at('E4', 2, 5) + at('C4', 3, 5) + at('A3', 4, 7) + at('E3', 5, 7)])],
);

/** Small pieces in every shape that the reader knows: what is mutated. */
export const CORPUS: readonly string[] = [
  dance,
  arpeggio,
  harmonics,
  tablature,
  guitarXml(TAB_CLEF, at('E4', 1, 0) + at('E4', 2, 5, { chord: true }) + at('C3', 5, 3)),
  asTimewise(dance),
  withTranspose(arpeggio),
  withPlainClef(dance),
];
