import { STANDARD_TUNING, type Guitar } from '../../instrument/guitar.ts';
import { midi, midiOf, type Midi } from '../../music/pitch.ts';
import { failure, success, type Result } from '../../music/result.ts';
import { quartersText, ticks } from '../../music/time.ts';
import { barLabel, type Bar, type Note, type NoteId, type NoteIndex, type Score } from '../../score/score.ts';
import type { ImportProblem, Repair } from '../import-problem.ts';
import { parseXml, type XmlElement } from '../xml/tree.ts';
import { readComposer, readTitle } from './header.ts';
import { layBars } from './lay-bars.ts';
import { readMarks, type SourceMarks } from './marks/read-marks.ts';
import { transposeSpelling } from './octave.ts';
import { checkRoot, choosePart } from './parts.ts';
import { measuresOf, type MeasureSource } from './measures.ts';
import { pendingNotes } from './pending-notes.ts';
import { readPart } from './reading.ts';
import { resolutionOf } from './resolution.ts';
import { checkedFingering } from './source-fingering.ts';
import { linkSlides, linkSlurs, linkTies, type PendingNote } from './spans.ts';
import { joinTablature, SAME_MUSIC } from './tablature.ts';
import { tempoMarks } from './tempo.ts';
import { tellUnread } from './unread.ts';
import { voicesOf } from './voices.ts';
import { walkMeasures, type PlacedNote } from './walk.ts';

/** A piece read from MusicXML, with what was mended and where each note stands in the document. */
export interface ImportedScore {
  readonly score: Score;
  readonly partId: string;
  readonly repairs: readonly Repair[];
  /** The `note` element of each of `score.notes`, by index. */
  readonly elements: readonly XmlElement[];
  /** Elements in staves or parts of tablature that repeat a note, by its index. */
  readonly tablature: ReadonlyMap<NoteIndex, readonly XmlElement[]>;
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

/** The guitar with ⑥ lowered to the lowest note where that explains it, or the note that no string reaches. */
const withinRange = (
  pending: readonly PendingNote[],
  guitar: Guitar,
  tuning: readonly Midi[] | undefined,
  hasSeventh: boolean,
  nameOfBar: (index: number) => string,
  repairs: Repair[],
): Result<readonly Midi[] | undefined, ImportProblem> => {
  const soundOf = (note: PendingNote) =>
    transposeSpelling(note.placed.pitch!, note.midi - midiOf(note.placed.pitch!));
  const lowest = pending.reduce((low, note) => (note.midi < low.midi ? note : low));
  const highest = pending.reduce((high, note) => (note.midi > high.midi ? note : high));
  const floor = Math.min(...guitar.tuning) + guitar.capo;
  let found = tuning;
  if (lowest.midi < floor) {
    const bar = nameOfBar(lowest.bar);
    if (tuning || guitar.capo > 0 || lowest.midi < floor - LOWERED_SIXTH)
      return failure({
        code: 'below-range',
        values: { bar, voice: lowest.placed.voice, pitch: soundOf(lowest), needsSeventh: hasSeventh },
      });
    found = STANDARD_TUNING.with(5, midi(lowest.midi));
    repairs.push({ code: 'tuning-lowered', values: { bar, pitch: soundOf(lowest) } });
  }
  if (highest.midi > (found ?? STANDARD_TUNING)[0]! + guitar.capo + HIGHEST_ABOVE_OPEN_FIRST)
    return failure({
      code: 'above-range',
      values: {
        bar: nameOfBar(highest.bar),
        voice: highest.placed.voice,
        pitch: soundOf(highest),
      },
    });
  return success(found);
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
    const { line, detail } = tree.error;
    return failure({ code: 'not-xml', values: { line, detail, looksLikeXml: /^\s*</.test(text) } });
  }
  const root = tree.value;
  const wrongRoot = checkRoot(root);
  if (wrongRoot) return failure(wrongRoot);
  const part = choosePart(root, options.part);
  if (!part.ok) return part;

  const repairs: Repair[] = [];
  const measures = measuresOf(root, part.value.id);
  const resolution = resolutionOf([
    ...measures,
    ...part.value.tablature.flatMap(({ id }) => measuresOf(root, id)),
  ]);
  const walked = walkMeasures(measures, resolution, repairs);
  const laid = layBars(walked, resolution, repairs);
  const nameOfBar = (index: number) => barLabel({ index, number: walked[index]!.number });
  const badBar = walked.findIndex(({ notes }) => notes.some((note) => note.kind === 'pitch' && !note.pitch));
  if (badBar >= 0) {
    const bad = walked[badBar]!.notes.find((note) => note.kind === 'pitch' && !note.pitch)!;
    return failure({
      code: 'bad-note',
      values: { bar: nameOfBar(badBar), voice: bad.voice, line: bad.element.line },
    });
  }
  tellUnread(walked, measures, repairs);

  const reading = readPart(root, part.value, measures, laid, resolution, repairs);
  const pending = pendingNotes(reading);
  if (pending.length === 0) return failure({ code: 'no-notes', values: { part: part.value.name } });
  const ranged = withinRange(pending, reading.guitar, reading.tuning, reading.hasSeventh, nameOfBar, repairs);
  if (!ranged.ok) return ranged;
  const tuning = ranged.value;
  const guitar: Guitar = { ...reading.guitar, tuning: tuning ?? STANDARD_TUNING };

  const ties = linkTies(pending, (note) =>
    repairs.push({
      code: 'tie-without-start',
      values: { bar: nameOfBar(note.bar), voice: note.placed.voice },
    }),
  );
  const slurs = linkSlurs(pending);
  const slides = linkSlides(pending);
  const ringsByWords = new Set(
    laid.flatMap(({ walked: bar, start }) =>
      bar.directions.filter(({ text }) => LET_RING.test(text)).map(({ at }) => start + at),
    ),
  );
  const joined = reading.tablature
    .map((each) => joinTablature(pending, each))
    .filter(({ agreeing }) => agreeing >= SAME_MUSIC);
  const noteIndex = new Map<PlacedNote, number>();
  const seen = new Map<string, number>();

  const notes = pending.map((note, index): Note => {
    const { placed } = note;
    const beat = quartersText(placed.at, resolution);
    const stem = `${note.bar + 1}:${placed.voice}:${beat}:${note.namedMidi}`;
    const ordinal = seen.get(stem) ?? 0;
    seen.set(stem, ordinal + 1);
    noteIndex.set(placed, index);
    const tiedFrom = ties.get(index);
    const slurredFrom = slurs.get(index);
    const slideFrom = slides.get(index);
    const where = { bar: nameOfBar(note.bar), voice: placed.voice, beat };
    const harmonic = placed.harmonic?.kind;
    const source = {
      ...Object.assign({}, ...joined.map(({ fingering }) => fingering.get(index))),
      ...placed.fingering,
      ...note.touched,
    };
    return {
      id: `${stem}:${ordinal}` as NoteId,
      index,
      bar: note.bar,
      voice: placed.line,
      onset: ticks(note.onset),
      duration: ticks(placed.length),
      written: transposeSpelling(placed.pitch!, note.printedShift + WRITTEN_ABOVE_SOUNDING),
      sounding: transposeSpelling(placed.pitch!, note.midi - midiOf(placed.pitch!)),
      midi: midi(note.midi),
      grace: placed.grace,
      ...(tiedFrom !== undefined && { tiedFrom }),
      ...(slurredFrom && tiedFrom === undefined && { slurredFrom }),
      ...(slideFrom !== undefined && { slideFrom }),
      ...(harmonic && { harmonic }),
      letRing: placed.letRing || ringsByWords.has(note.onset),
      arpeggiated: placed.arpeggiated,
      ...(placed.strum && { strum: placed.strum }),
      articulations: placed.articulations,
      ornaments: placed.ornaments,
      fingering: checkedFingering(source, note.midi, harmonic, guitar, where, repairs),
    };
  });

  const shown = new Set(pending.map(({ placed }) => placed));
  const bars = laid.map(({ walked: bar, start, length, pickup }, index): Bar => {
    const {
      implicit: _implicit,
      freeLength: _free,
      notes: own,
      silent: _s,
      directions: _d,
      tempi: _t,
      reach: _r,
      ...signs
    } = bar;
    const printed = own.filter(
      (note) => shown.has(note) || (note.kind === 'rest' && !reading.tabStaves.has(note.staff)),
    );
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
    capo: guitar.capo,
  };
  const elements = pending.map((note) => note.placed.element);
  const marks = readMarks(plain, measures, elements);
  return success({
    score: { ...plain, positionsWritten: positionsIn(plain, marks) },
    partId: part.value.id,
    repairs,
    elements,
    tablature: new Map(
      pending.map((_, index) => [index, joined.flatMap((each) => each.elements.get(index) ?? [])]),
    ),
    measures,
    marks,
  });
};
