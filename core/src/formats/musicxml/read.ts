import { STANDARD_TUNING, type Guitar } from '../../instrument/guitar.ts';
import { failure, success, type Result } from '../../music/result.ts';
import { ticks } from '../../music/time.ts';
import { barLabel, indexById, type Bar, type NoteIndex, type Score } from '../../score/score.ts';
import type { ImportProblem, Repair } from '../import-problem.ts';
import { parseXml, type XmlElement } from '../xml/tree.ts';
import { readComposer, readTitle } from './header.ts';
import { layBars, type LaidBar } from './lay-bars.ts';
import { readMarks, type SourceMarks } from './marks/read-marks.ts';
import { measuresOf, type MeasureSource } from './measures.ts';
import { assembleNotes } from './notes.ts';
import { checkRoot, choosePart } from './parts.ts';
import { pendingNotes } from './pending-notes.ts';
import { tuningWithin } from './range.ts';
import { readPart, type PartReading } from './reading.ts';
import { resolutionOf } from './resolution.ts';
import type { PendingNote } from './spans.ts';
import { tempoMarks } from './tempo.ts';
import { tellUnread } from './unread.ts';
import { voicesOf } from './voices.ts';
import { walkMeasures, type PlacedNote, type WalkedBar } from './walk.ts';

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

/** Where the source tells the position of the hand, by a position or a barre. */
const positionsIn = (score: Score, marks: SourceMarks): readonly NoteIndex[] => {
  const ids = new Set(
    [...marks.values()]
      .filter(({ mark }) => mark.kind === 'position' || mark.kind === 'barre')
      .map(({ mark }) => mark.from),
  );
  return ids.size === 0 ? [] : score.notes.filter(({ id }) => ids.has(id)).map(({ index }) => index);
};

/** The document and the part of it that is read. */
const openDocument = (text: string, wanted: string | undefined) => {
  const tree = parseXml(text);
  if (!tree.ok) {
    const { line, detail } = tree.error;
    return failure({ code: 'not-xml', values: { line, detail, looksLikeXml: /^\s*</.test(text) } } as const);
  }
  const root = tree.value;
  const wrongRoot = checkRoot(root);
  if (wrongRoot) return failure(wrongRoot);
  const part = choosePart(root, wanted);
  return part.ok ? success({ root, part: part.value }) : part;
};

/** A note without a readable pitch, named by its bar. */
const unreadableNote = (walked: readonly WalkedBar[]): ImportProblem | undefined => {
  const isBad = (note: PlacedNote): boolean => note.kind === 'pitch' && !note.pitch;
  const index = walked.findIndex(({ notes }) => notes.some(isBad));
  if (index < 0) return undefined;
  const bad = walked[index]!.notes.find(isBad)!;
  const bar = barLabel({ index, number: walked[index]!.number });
  return { code: 'bad-note', values: { bar, voice: bad.voice, line: bad.element.line } };
};

/** The bars of a score with what is printed in them. */
const assembleBars = (
  laid: readonly LaidBar[],
  pending: readonly PendingNote[],
  { tabStaves }: PartReading,
  resolution: number,
): readonly Bar[] => {
  const noteIndex = new Map(pending.map(({ placed }, index) => [placed, index] as const));
  return laid.map(({ walked, start, length, pickup }, index): Bar => {
    const {
      implicit: _implicit,
      freeLength: _free,
      notes: own,
      silent: _s,
      directions: _d,
      tempi: _t,
      reach: _r,
      ...signs
    } = walked;
    const printed = own.filter(
      (note) => noteIndex.has(note) || (note.kind === 'rest' && !tabStaves.has(note.staff)),
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
  const opened = openDocument(text, options.part);
  if (!opened.ok) return opened;
  const { root, part } = opened.value;
  const repairs: Repair[] = [];

  const measures = measuresOf(root, part.id);
  const resolution = resolutionOf([...measures, ...part.tablature.flatMap(({ id }) => measuresOf(root, id))]);
  const walked = walkMeasures(measures, resolution, repairs);
  const laid = layBars(walked, resolution, repairs);
  const nameOfBar = (index: number) => barLabel({ index, number: walked[index]!.number });
  const unreadable = unreadableNote(walked);
  if (unreadable) return failure(unreadable);
  tellUnread(walked, measures, repairs);

  const reading = readPart(root, part, measures, laid, resolution, repairs);
  const pending = pendingNotes(reading);
  if (pending.length === 0) return failure({ code: 'no-notes', values: { part: part.name } });
  const tuned = tuningWithin(pending, reading, nameOfBar, repairs);
  if (!tuned.ok) return tuned;
  const tuning = tuned.value;
  const guitar: Guitar = { ...reading.guitar, tuning: tuning ?? STANDARD_TUNING };

  const { notes, tablature } = assembleNotes(
    pending,
    { laid, resolution, guitar, tablature: reading.tablature, nameOfBar },
    repairs,
  );
  const plain: Score = {
    title: readTitle(root),
    composer: readComposer(root),
    ticksPerQuarter: resolution,
    bars: assembleBars(laid, pending, reading, resolution),
    notes,
    indexOf: indexById(notes),
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
    partId: part.id,
    repairs,
    elements,
    tablature,
    measures,
    marks,
  });
};
