import type { SlurKind } from '../../score/score.ts';
import type { SpanEnd } from './raw-note.ts';
import type { PlacedNote } from './walk.ts';

/** A sounding note on its way into the score. */
export interface PendingNote {
  readonly placed: PlacedNote;
  readonly bar: number;
  readonly onset: number;
  /** What it sounds. */
  readonly midi: number;
  /** The pitch in its id. */
  readonly namedMidi: number;
  /** Semitones from the file's pitch to the printed one, an octave below the printed. */
  readonly printedShift: number;
  /** String and fret of a harmonic where its notation tells them. */
  readonly touched: { readonly string?: number; readonly fret?: number };
}

/**
 * For each note the note it is tied to, by position in `notes` (ascending onset). A tie joins the same pitch
 * where one note ends and the next begins; a tie that leads nowhere is passed to `onLoose`.
 */
export const linkTies = (
  notes: readonly PendingNote[],
  onLoose: (note: PendingNote) => void,
): ReadonlyMap<number, number> => {
  const open = new Map<string, number>();
  const links = new Map<number, number>();
  notes.forEach((note, index) => {
    const key = (at: number) => `${note.midi}@${at}`;
    if (note.placed.tieStop) {
      const from = open.get(key(note.onset));
      if (from === undefined) onLoose(note);
      else {
        links.set(index, from);
        open.delete(key(note.onset));
      }
    }
    if (note.placed.tieStart) open.set(key(note.onset + note.placed.length), index);
  });
  return links;
};

/**
 * Longest run of notes under one slur that is read as a left-hand slur; a longer one is phrasing.
 * Common practice, no published source.
 */
const LONGEST_TECHNICAL_SLUR = 4;

/** What a span is found again by: numbers are used again in each voice, which files write one after the other. */
const spanKey = (kind: SpanEnd['kind'], number: SpanEnd['number'], line: string): string =>
  `${kind}:${number}:${line}`;

const isSlur = (span: SpanEnd): span is SpanEnd & { readonly kind: SlurKind } =>
  span.kind !== 'slide' && span.kind !== 'glissando';

/** For each note the one of its voice from which an audible slide leads to it. */
export const linkSlides = (notes: readonly PendingNote[]): ReadonlyMap<number, number> => {
  const links = new Map<number, number>();
  const open = new Map<string, number>();
  notes.forEach(({ placed }, index) => {
    for (const { kind, type, number } of placed.spans) {
      if (kind !== 'slide' && kind !== 'glissando') continue;
      const key = spanKey(kind, number, placed.line);
      const from = open.get(key);
      if (type === 'stop' && from !== undefined) {
        links.set(index, from);
        open.delete(key);
      }
      if (type === 'start') open.set(key, index);
    }
  });
  return links;
};

/** For each note the note from which it is slurred without being plucked. */
export const linkSlurs = (
  notes: readonly PendingNote[],
): ReadonlyMap<number, { readonly note: number; readonly kind: SlurKind }> => {
  const links = new Map<number, { note: number; kind: SlurKind }>();
  const open = new Map<string, number>();
  const byVoice = new Map<string, number[]>();
  notes.forEach((note, index) => {
    const line = byVoice.get(note.placed.line) ?? [];
    line.push(index);
    byVoice.set(note.placed.line, line);
    const slurs = note.placed.spans.filter(isSlur);
    const stops = slurs.filter((span) => span.type === 'stop');
    for (const { kind, number } of stops) {
      const key = spanKey(kind, number, note.placed.line);
      const from = open.get(key);
      if (from === undefined) continue;
      open.delete(key);
      const run = line.slice(line.indexOf(from));
      const singles = run.every(
        (each, place) =>
          place === 0 ||
          notes[each]!.onset > notes[run[place - 1]!]!.onset ||
          notes[each]!.placed.grace ||
          notes[run[place - 1]!]!.placed.grace,
      );
      const moves = run.every(
        (each, place) => place === 0 || notes[each]!.midi !== notes[run[place - 1]!]!.midi,
      );
      if (run.length > LONGEST_TECHNICAL_SLUR || !singles || !moves) continue;
      run.forEach((each, place) => {
        if (place > 0 && (!links.has(each) || kind !== 'slur'))
          links.set(each, { note: run[place - 1]!, kind });
      });
    }
    for (const { kind, type, number } of slurs)
      if (type === 'start') open.set(spanKey(kind, number, note.placed.line), index);
  });
  return links;
};
