import type { Guitar } from '../../instrument/guitar.ts';
import { midi, midiOf } from '../../music/pitch.ts';
import { quartersText, ticks } from '../../music/time.ts';
import type { Note, NoteId, NoteIndex, SourceFingering } from '../../score/score.ts';
import type { Repair } from '../import-problem.ts';
import type { XmlElement } from '../xml/tree.ts';
import type { LaidBar } from './lay-bars.ts';
import { transposeSpelling } from './octave.ts';
import { checkedFingering } from './source-fingering.ts';
import { linkSlides, linkSlurs, linkTies, type PendingNote } from './spans.ts';
import { joinTablature, SAME_MUSIC, type TablatureNote } from './tablature.ts';

/** Printed music stands an octave above what a guitar sounds. */
const WRITTEN_ABOVE_SOUNDING = 12;
/** Words that let the notes they stand at ring on. */
const LET_RING = /^\(?(l\.? ?v\.?|laissez vibrer|let ring)\)?$/i;

export interface Assembled {
  readonly notes: readonly Note[];
  /** Elements in staves or parts of tablature that repeat a note, by its index. */
  readonly tablature: ReadonlyMap<NoteIndex, readonly XmlElement[]>;
}

/** Where and how the notes of a part stand, once its instrument is known. */
interface Part {
  readonly laid: readonly LaidBar[];
  readonly resolution: number;
  readonly guitar: Guitar;
  readonly tablature: readonly (readonly TablatureNote[])[];
  readonly nameOfBar: (index: number) => string;
}

/** Names of notes as they come; equal ones are counted. */
const namer = (resolution: number): ((note: PendingNote) => NoteId) => {
  const seen = new Map<string, number>();
  return ({ bar, placed, namedMidi }) => {
    const stem = `${bar + 1}:${placed.voice}:${quartersText(placed.at, resolution)}:${namedMidi}`;
    const ordinal = seen.get(stem) ?? 0;
    seen.set(stem, ordinal + 1);
    return `${stem}:${ordinal}` as NoteId;
  };
};

/** The notes of a score from those of a part, joined by ties, slurs and slides, with their fingering checked. */
export const assembleNotes = (
  pending: readonly PendingNote[],
  { laid, resolution, guitar, tablature, nameOfBar }: Part,
  repairs: Repair[],
): Assembled => {
  const ties = linkTies(pending, (note) =>
    repairs.push({
      code: 'tie-without-start',
      values: { bar: nameOfBar(note.bar), voice: note.placed.voice },
    }),
  );
  const slurs = linkSlurs(pending);
  const slides = linkSlides(pending);
  const rings = ringingByWords(laid);
  const joined = tablature
    .map((each) => joinTablature(pending, each))
    .filter(({ agreeing }) => agreeing >= SAME_MUSIC);
  const nameOf = namer(resolution);

  const notes = pending.map((note, index): Note => {
    const { placed } = note;
    const tiedFrom = ties.get(index);
    const slurredFrom = slurs.get(index);
    const slideFrom = slides.get(index);
    const beat = quartersText(placed.at, resolution);
    const where = { bar: nameOfBar(note.bar), voice: placed.voice, beat };
    const harmonic = placed.harmonic?.kind;
    const source: SourceFingering = {
      ...Object.assign({}, ...joined.map(({ fingering }) => fingering.get(index))),
      ...placed.fingering,
      ...note.touched,
    };
    return {
      id: nameOf(note),
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
      letRing: placed.letRing || rings.has(note.onset),
      arpeggiated: placed.arpeggiated,
      ...(placed.strum && { strum: placed.strum }),
      articulations: placed.articulations,
      ornaments: placed.ornaments,
      fingering: checkedFingering(source, note.midi, harmonic, guitar, where, repairs),
    };
  });
  return {
    notes,
    tablature: new Map(
      pending.map((_, index) => [index, joined.flatMap((each) => each.elements.get(index) ?? [])]),
    ),
  };
};

/** Ticks at which words let the notes ring. */
const ringingByWords = (laid: readonly LaidBar[]): ReadonlySet<number> =>
  new Set(
    laid.flatMap(({ walked, start }) =>
      walked.directions.filter(({ text }) => LET_RING.test(text)).map(({ at }) => start + at),
    ),
  );
