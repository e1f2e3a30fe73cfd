import { STANDARD_TUNING, STANDARD_GUITAR, type Guitar } from '../../instrument/guitar.ts';
import { midi, midiOf, pitchLabel } from '../../music/pitch.ts';
import { failure, success, type Result } from '../../music/result.ts';
import { quartersText, ticks } from '../../music/time.ts';
import { barLabel, type Bar, type Note, type NoteId, type NoteIndex, type Score } from '../../score/score.ts';
import type { ImportProblem, Repair } from '../import-problem.ts';
import { childNumber, parseXml, type XmlElement } from '../xml/tree.ts';
import { checkRoot, choosePart, measuresOf, type MeasureSource } from './parts.ts';
import { readMarks, type SourceMarks } from './marks/read-marks.ts';
import { linkSlides, linkSlurs, linkTies, type PendingNote } from './spans.ts';
import { readComposer, readTitle, readTuning, staffDetails } from './header.ts';
import { layBars } from './lay-bars.ts';
import { checkedFingering, tablatureStaves, tablatureStrings } from './source-fingering.ts';
import { octaveConvention, soundingShift, transposeSpelling } from './transposition.ts';
import { voicesOf } from './voices.ts';
import { resolutionOf, tempoMarks, walkMeasures, type PlacedNote } from './walk.ts';

/** A piece read from MusicXML, with what was mended and where each note stands in the document. */
export interface ImportedScore {
  readonly score: Score;
  readonly partId: string;
  readonly repairs: readonly Repair[];
  /** The `note` element of each of `score.notes`, by index. */
  readonly elements: readonly XmlElement[];
  /** The bars as they stand in the document. */
  readonly measures: readonly MeasureSource[];
  readonly marks: SourceMarks;
}

export interface ReadOptions {
  /** Id, name or place (from 1) of the part to read. */
  readonly part?: string;
}

/** Printed music stands an octave above what a guitar sounds. */
const WRITTEN_ABOVE_SOUNDING = 12;
/** Semitones above open ① that no fret and few harmonics reach. */
const HIGHEST_ABOVE_OPEN_FIRST = 36;
/** Words that let the notes they stand at ring on. */
const LET_RING = /^\(?(l\.? ?v\.?|laissez vibrer|let ring)\)?$/i;
/** How far a lowered ⑥ is accepted without being told, in semitones. */
const LOWERED_SIXTH = 2;

/** Where the source tells the position of the hand, by a position or a barre. */
const positionsIn = (score: Score, marks: SourceMarks): readonly NoteIndex[] => {
  const ids = new Set(
    [...marks.values()]
      .filter(({ mark }) => mark.kind === 'position' || mark.kind === 'barre')
      .map(({ mark }) => mark.from),
  );
  return ids.size === 0 ? [] : score.notes.filter(({ id }) => ids.has(id)).map(({ index }) => index);
};

/**
 * Reads the guitar part of a MusicXML document (2.0 to 4.0, by part or by bar). Times become exact ticks,
 * pitches sounding ones. What can be mended is mended and listed in `repairs`; what can't is one problem that
 * names the bar and the remedy.
 */
export const readMusicXml = (
  text: string,
  options: ReadOptions = {},
): Result<ImportedScore, ImportProblem> => {
  const tree = parseXml(text);
  if (!tree.ok) {
    const html = /^\s*</.test(text) ? '' : ' It does not look like XML at all.';
    return failure({
      code: 'not-xml',
      message: `The file is not well-formed XML (line ${tree.error.line}: ${tree.error.detail}).${html} Export the piece again as MusicXML from your notation program.`,
    });
  }
  const root = tree.value;
  const wrongRoot = checkRoot(root);
  if (wrongRoot) return failure(wrongRoot);
  const part = choosePart(root, options.part);
  if (!part.ok) return part;

  const repairs: Repair[] = [];
  const measures = measuresOf(root, part.value.id);
  const resolution = resolutionOf(measures);
  const walked = walkMeasures(measures, resolution, repairs);
  const laid = layBars(walked, resolution, repairs);
  const attributes = measures.flatMap((measure) =>
    measure.children.filter((child) => child.name === 'attributes'),
  );
  const details = staffDetails(measures);
  const tabStaves = tablatureStaves(measures);

  const all = walked.flatMap((bar, index) => bar.notes.map((note) => ({ note, index })));
  const badNote = all.find(({ note }) => note.kind === 'pitch' && !note.pitch);
  if (badNote) {
    const name = barLabel({ index: badNote.index, number: walked[badNote.index]!.number });
    return failure({
      code: 'bad-note',
      bar: name,
      message: `Bar ${name}, voice ${badNote.note.voice}: a note has no readable pitch (line ${badNote.note.element.line} of the file). Correct it in your notation program.`,
    });
  }
  const unpitched = all.find(({ note }) => note.kind === 'unpitched');
  if (unpitched)
    repairs.push({
      code: 'unpitched-left-out',
      bar: walked[unpitched.index]!.number,
      message: `Bar ${barLabel({ index: unpitched.index, number: walked[unpitched.index]!.number })}: sounds without pitch were left out of the plan; the file keeps them.`,
    });

  const shift = soundingShift(
    octaveConvention(attributes),
    all.flatMap(({ note }) => note.pitch ?? []),
  );
  const pending: PendingNote[] = [];
  const tablature: { note: PlacedNote; onset: number; midi: number }[] = [];
  laid.forEach(({ walked: bar, start }, index) => {
    for (const note of bar.notes) {
      if (!note.pitch) continue;
      const entry = { placed: note, bar: index, onset: start + note.at, midi: midiOf(note.pitch) + shift };
      if (tabStaves.has(note.staff)) tablature.push({ note, onset: entry.onset, midi: entry.midi });
      else pending.push(entry);
    }
  });
  if (pending.length === 0)
    return failure({
      code: 'no-notes',
      message: `The part “${part.value.name}” holds no notes. Choose another part or another file.`,
    });
  pending.sort(
    (a, b) =>
      a.onset - b.onset ||
      Number(b.placed.grace) - Number(a.placed.grace) ||
      (a.placed.grace ? a.placed.order - b.placed.order : 0) ||
      a.placed.voice.localeCompare(b.placed.voice, 'en', { numeric: true }) ||
      a.midi - b.midi,
  );

  let tuning = readTuning(details);
  const capo = details.map((each) => childNumber(each, 'capo')).find((each) => each !== undefined) ?? 0;
  const lowest = pending.reduce((low, note) => (note.midi < low.midi ? note : low));
  const floor = Math.min(...(tuning ?? STANDARD_TUNING)) + capo;
  const nameOfBar = (index: number) => barLabel({ index, number: walked[index]!.number });
  const soundName = (note: PendingNote) => pitchLabel(transposeSpelling(note.placed.pitch!, shift));
  if (lowest.midi < floor) {
    if (tuning || capo > 0 || lowest.midi < floor - LOWERED_SIXTH)
      return failure({
        code: 'below-range',
        bar: nameOfBar(lowest.bar),
        message: `Bar ${nameOfBar(lowest.bar)}, voice ${lowest.placed.voice}: ${soundName(lowest)} (sounding) lies below the lowest string. Move the note up an octave, or, if the file is written as it sounds, give its staff a treble clef with an 8 below, and import it again.`,
      });
    tuning = STANDARD_TUNING.with(5, midi(lowest.midi));
    repairs.push({
      code: 'tuning-lowered',
      bar: nameOfBar(lowest.bar),
      message: `Bar ${nameOfBar(lowest.bar)} asks for ${soundName(lowest)}, below the open ⑥: the piece is read with ⑥ tuned down to it.`,
    });
  }
  const highest = pending.reduce((high, note) => (note.midi > high.midi ? note : high));
  if (highest.midi > (tuning ?? STANDARD_TUNING)[0]! + capo + HIGHEST_ABOVE_OPEN_FIRST)
    return failure({
      code: 'above-range',
      bar: nameOfBar(highest.bar),
      message: `Bar ${nameOfBar(highest.bar)}, voice ${highest.placed.voice}: ${soundName(highest)} (sounding) lies above the fingerboard. Move the note down an octave and import it again.`,
    });

  const ties = linkTies(pending, (note) =>
    repairs.push({
      code: 'tie-without-start',
      bar: nameOfBar(note.bar),
      message: `Bar ${nameOfBar(note.bar)}, voice ${note.placed.voice}: a tie begins nowhere; the note is struck.`,
    }),
  );
  const slurs = linkSlurs(pending);
  const slides = linkSlides(pending);
  const ringsByWords = new Set(
    laid.flatMap(({ walked: bar, start }) =>
      bar.directions.filter(({ text }) => LET_RING.test(text)).map(({ at }) => start + at),
    ),
  );
  const fromTablature = tablatureStrings(tablature);
  const guitar: Guitar = { ...STANDARD_GUITAR, tuning: tuning ?? STANDARD_TUNING, capo };
  const noteIndex = new Map<PlacedNote, number>();
  const seen = new Map<string, number>();

  const notes = pending.map((note, index): Note => {
    const { placed } = note;
    const beat = quartersText(placed.at, resolution);
    const stem = `${note.bar + 1}:${placed.voice}:${beat}:${note.midi}`;
    const ordinal = seen.get(stem) ?? 0;
    seen.set(stem, ordinal + 1);
    noteIndex.set(placed, index);
    const tiedFrom = ties.get(index);
    const slurredFrom = slurs.get(index);
    const slideFrom = slides.get(index);
    const where = `Bar ${nameOfBar(note.bar)}, voice ${placed.voice}, beat ${beat}`;
    const source = { ...fromTablature.get(`${note.onset}:${note.midi}`), ...placed.fingering };
    return {
      id: `${stem}:${ordinal}` as NoteId,
      index,
      bar: note.bar,
      voice: placed.voice,
      onset: ticks(note.onset),
      duration: ticks(placed.length),
      written: transposeSpelling(placed.pitch!, shift + WRITTEN_ABOVE_SOUNDING),
      sounding: transposeSpelling(placed.pitch!, shift),
      midi: midi(note.midi),
      grace: placed.grace,
      ...(tiedFrom !== undefined && { tiedFrom }),
      ...(slurredFrom && tiedFrom === undefined && { slurredFrom }),
      ...(slideFrom !== undefined && { slideFrom }),
      ...(placed.harmonic && { harmonic: placed.harmonic }),
      letRing: placed.letRing || ringsByWords.has(note.onset),
      arpeggiated: placed.arpeggiated,
      ...(placed.strum && { strum: placed.strum }),
      articulations: placed.articulations,
      ornaments: placed.ornaments,
      fingering: checkedFingering(source, note.midi, placed.harmonic !== undefined, guitar, where, repairs),
    };
  });

  const bars = laid.map(({ walked: bar, start, length, pickup }, index): Bar => {
    const {
      implicit: _implicit,
      freeLength: _free,
      notes: own,
      directions: _d,
      tempi: _t,
      reach: _r,
      ...signs
    } = bar;
    const printed = own.filter((note) => !tabStaves.has(note.staff) && note.kind !== 'unpitched');
    return {
      ...signs,
      index,
      start: ticks(start),
      length: ticks(length),
      pickup,
      voices: voicesOf(printed, start, length, resolution, noteIndex),
    };
  });
  const plain: Score = {
    title: readTitle(root),
    composer: readComposer(root),
    ticksPerQuarter: resolution,
    bars,
    notes,
    directions: laid.flatMap(({ walked: bar, start }, index) =>
      bar.directions.map(({ at, ...direction }) => ({ ...direction, bar: index, onset: ticks(start + at) })),
    ),
    positionsWritten: [],
    tempi: tempoMarks(laid),
    ...(tuning && { tuning }),
    capo,
  };
  const elements = pending.map((note) => note.placed.element);
  const marks = readMarks(plain, measures, elements);
  const score: Score = { ...plain, positionsWritten: positionsIn(plain, marks) };
  return success({
    score,
    partId: part.value.id,
    repairs,
    elements,
    measures,
    marks,
  });
};
