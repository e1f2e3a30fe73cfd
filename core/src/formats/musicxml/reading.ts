import { STANDARD_GUITAR, STANDARD_TUNING, STRINGS, type Guitar } from '../../instrument/guitar.ts';
import { midiOf, type Midi } from '../../music/pitch.ts';
import type { Repair } from '../import-problem.ts';
import type { XmlElement } from '../xml/tree.ts';
import { layBars, type LaidBar } from './lay-bars.ts';
import { NumberGate } from './numbers.ts';
import { attributesOf, octaveConvention, readStaff, type StaffReading } from './octave.ts';
import { type ChosenPart } from './parts.ts';
import { measuresOf, type MeasureSource } from './measures.ts';
import { SAME_MUSIC, tablatureStaves, type TablatureNote } from './tablature.ts';
import { correctedTuning, declaredCapo, declaredTuning, wholeTuning } from './tuning.ts';
import { walkMeasures, type PlacedNote } from './walk.ts';

/** A note with its place in the piece, in ticks, before it is known what it sounds. */
export interface TimedNote {
  readonly placed: PlacedNote;
  readonly bar: number;
  readonly onset: number;
}

/** How a part is meant: on what guitar, and how its staves are read. */
export interface PartReading {
  readonly guitar: Guitar;
  /** Undefined where neither the file nor its frets speak of the tuning. */
  readonly tuning: readonly Midi[] | undefined;
  readonly hasSeventh: boolean;
  /** Staves of tablature beside staves of notes. */
  readonly tabStaves: ReadonlySet<string>;
  readonly notes: readonly TimedNote[];
  readonly readings: ReadonlyMap<string, StaffReading>;
  /** Tablature of the part itself, and of parts in tablature beside it. */
  readonly tablature: readonly (readonly TablatureNote[])[];
}

const timed = (laid: readonly LaidBar[]): readonly TimedNote[] =>
  laid.flatMap(({ walked, start }, bar) =>
    walked.notes.flatMap((placed) => (placed.pitch ? [{ placed, bar, onset: start + placed.at }] : [])),
  );

const byStaff = (notes: readonly TimedNote[]): ReadonlyMap<string, readonly TimedNote[]> => {
  const staves = new Map<string, TimedNote[]>();
  for (const note of notes) {
    const own = staves.get(note.placed.staff) ?? [];
    own.push(note);
    staves.set(note.placed.staff, own);
  }
  return staves;
};

const placesOf = (notes: readonly TimedNote[]) =>
  notes.flatMap(({ placed: { fingering, harmonic, pitch } }) => {
    const string = STRINGS.find((each) => each === fingering.string);
    return string === undefined || fingering.fret === undefined || harmonic
      ? []
      : [{ string, fret: fingering.fret, pitch: midiOf(pitch!) }];
  });

const soundOf = ({ placed }: TimedNote, { shift, capo }: StaffReading): number =>
  midiOf(placed.pitch!) + shift + capo;

/** From this share of a staff's notes on, tablature that sounds the same settles the octave. Our own value. */
const MATCHING = 0.5;

/** The octave in which most notes of a staff sound as the tablature does at the same time. */
const besideTablature = (
  notes: readonly TimedNote[],
  usual: StaffReading,
  tablature: readonly TablatureNote[],
): StaffReading => {
  if (tablature.length === 0 || placesOf(notes).length > 0) return usual;
  const heard = new Set(tablature.map(({ onset, midi }) => `${onset}:${midi}`));
  const matching = (reading: StaffReading): number =>
    notes.filter((note) => heard.has(`${note.onset}:${soundOf(note, reading)}`)).length;
  const best = [0, 12, -12]
    .map((octave): StaffReading => ({ ...usual, shift: usual.shift + octave }))
    .reduce((found, each) => (matching(each) > matching(found) ? each : found));
  return best.shift !== usual.shift && matching(best) >= MATCHING * notes.length
    ? { ...best, by: 'frets' }
    : usual;
};

/** A part of tablature that says the same music again. */
interface Companion {
  readonly measures: readonly MeasureSource[];
  readonly notes: readonly TimedNote[];
}

/** Name of a tone without its octave, which notes and tablature may write differently, at its time. */
const toneAt = ({ placed, onset }: TimedNote): string => `${onset}:${midiOf(placed.pitch!) % 12}`;

const companionsOf = (
  root: XmlElement,
  part: ChosenPart,
  notes: readonly TimedNote[],
  resolution: number,
): readonly Companion[] => {
  const heard = new Set(notes.map(toneAt));
  return part.tablature
    .map(({ id }): Companion => {
      const measures = measuresOf(root, id);
      return { measures, notes: timed(layBars(walkMeasures(measures, resolution, []), resolution, [])) };
    })
    .filter(
      (each) =>
        each.notes.length > 0 &&
        each.notes.filter((note) => heard.has(toneAt(note))).length >= SAME_MUSIC * each.notes.length,
    );
};

/**
 * Settles how a part is meant: its tuning, its capo and the octave of each of its staves, from what the file says and
 * from the strings and frets that it writes.
 */
export const readPart = (
  root: XmlElement,
  part: ChosenPart,
  measures: readonly MeasureSource[],
  laid: readonly LaidBar[],
  resolution: number,
  repairs: Repair[],
): PartReading => {
  const gate = new NumberGate(repairs);
  gate.bar = laid[0]?.walked.number || '1';
  const all = timed(laid);
  const companions = companionsOf(root, part, all, resolution);
  // Programs that write notes and tablature as two parts often describe the instrument in one of them only.
  const described = [...measures, ...companions.flatMap((each) => each.measures)];
  const declared = declaredTuning(root, described, gate);
  const tuning = wholeTuning(declared.strings);
  const { fret: capo, isInWords } = declaredCapo(root, described, gate);
  const readAs = (own: readonly TimedNote[], staff: string, from: readonly MeasureSource[]): StaffReading =>
    readStaff({
      convention: octaveConvention(attributesOf(from), staff, gate),
      pitches: own.flatMap(({ placed }) => (placed.harmonic ? [] : midiOf(placed.pitch!))),
      places: placesOf(own),
      tuning,
      capo,
      isFingered: isInWords,
      frets: STANDARD_GUITAR.frets,
    });
  const sounding = (own: readonly TimedNote[], reading: StaffReading): TablatureNote[] =>
    own.map((note) => ({ placed: note.placed, onset: note.onset, midi: soundOf(note, reading) }));

  const tablatureOnly = tablatureStaves(measures);
  // A staff of notes that stays empty says nothing: then the tablature is the music.
  const tabStaves = all.some(({ placed }) => !tablatureOnly.has(placed.staff))
    ? tablatureOnly
    : new Set<string>();
  const staves = [...byStaff(all)];
  const own = staves
    .filter(([staff]) => tabStaves.has(staff))
    .flatMap(([staff, notes]) => sounding(notes, readAs(notes, staff, measures)));
  const beside = companions.map(({ measures: from, notes }) =>
    [...byStaff(notes)].flatMap(([staff, each]) => sounding(each, readAs(each, staff, from))),
  );
  const tablature = [own, ...beside].filter((each) => each.length > 0);
  const readings = new Map(
    staves
      .filter(([staff]) => !tabStaves.has(staff))
      .map(([staff, notes]) => [
        staff,
        besideTablature(notes, readAs(notes, staff, measures), tablature.flat()),
      ]),
  );
  const notes = all.filter(({ placed }) => !tabStaves.has(placed.staff));

  const written = [
    ...notes.map((note) => ({ placed: note.placed, midi: soundOf(note, readings.get(note.placed.staff)!) })),
    ...tablature.flat(),
  ].flatMap(({ placed: { fingering, harmonic }, midi }) =>
    fingering.string === undefined || fingering.fret === undefined || harmonic
      ? []
      : [{ string: fingering.string, fret: fingering.fret, midi }],
  );
  const corrected = correctedTuning(tuning, capo, written);
  const isCorrected = corrected.some((open, index) => open !== tuning[index]);
  const isTold = declared.strings.size > 0 || isCorrected;
  tellReading({ corrected, isCorrected, capo, readings, hasSeventh: declared.hasSeventh }, repairs);
  return {
    guitar: { ...STANDARD_GUITAR, tuning: corrected, capo },
    tuning: isTold ? corrected : undefined,
    hasSeventh: declared.hasSeventh,
    tabStaves,
    notes,
    readings,
    tablature,
  };
};

const tellReading = (
  found: {
    readonly corrected: readonly Midi[];
    readonly isCorrected: boolean;
    readonly capo: number;
    readonly readings: ReadonlyMap<string, StaffReading>;
    readonly hasSeventh: boolean;
  },
  repairs: Repair[],
): void => {
  const { corrected, capo, readings } = found;
  const isStandard = corrected.every((open, index) => open === STANDARD_TUNING[index]);
  if (found.isCorrected)
    repairs.push({ code: 'tuning-corrected', values: { tuning: corrected, isStandard } });
  else if (!isStandard) repairs.push({ code: 'tuning-read', values: { tuning: corrected } });
  if (found.hasSeventh) repairs.push({ code: 'seven-strings', values: {} });
  for (const { by, shift, capo: added } of readings.values()) {
    if (by !== 'signs')
      repairs.push({ code: 'octave-settled', values: { by, standsAsSounding: shift === 0 } });
    if (capo > 0 && added > 0) repairs.push({ code: 'capo-fingered', values: { capo } });
  }
};
