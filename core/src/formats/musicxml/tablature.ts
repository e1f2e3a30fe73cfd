import type { NoteIndex, SourceFingering } from '../../score/score.ts';
import { childText, childrenNamed, type XmlElement } from '../xml/tree.ts';
import { attributesOf } from './octave.ts';
import type { MeasureSource } from './measures.ts';
import type { PlacedNote } from './walk.ts';

const clefsOf = (measures: readonly MeasureSource[]): readonly XmlElement[] =>
  attributesOf(measures).flatMap((each) => childrenNamed(each, 'clef'));

/** Staves of tablature beside staves of notes, by number; none when there is only tablature. */
export const tablatureStaves = (measures: readonly MeasureSource[]): ReadonlySet<string> => {
  const clefs = clefsOf(measures);
  const tab = new Set(
    clefs.filter((clef) => childText(clef, 'sign') === 'TAB').map((clef) => clef.attributes.number ?? '1'),
  );
  const notation = clefs.some((clef) => childText(clef, 'sign') !== 'TAB');
  return notation ? tab : new Set();
};

/** Whether bars stand in tablature alone. */
export const isTablatureOnly = (measures: readonly MeasureSource[]): boolean => {
  const clefs = clefsOf(measures);
  return clefs.length > 0 && clefs.every((clef) => childText(clef, 'sign') === 'TAB');
};

/** Tablature of another part belongs to this one when so much of it is the same music. Our own value. */
export const SAME_MUSIC = 0.8;

/** A number of tablature with where and what it sounds. */
export interface TablatureNote {
  readonly placed: PlacedNote;
  readonly onset: number;
  readonly midi: number;
}

/** The tablature of a piece, by the notes that it repeats. */
export interface Tablature {
  /** What the tablature says of a note. */
  readonly fingering: ReadonlyMap<NoteIndex, SourceFingering>;
  /** The element in the tablature that stands for a note. */
  readonly elements: ReadonlyMap<NoteIndex, XmlElement>;
  /** Share of the tablature that repeats a note, 0 to 1. */
  readonly agreeing: number;
}

/** Joins tablature to the notes that sound the same at the same time; of two on one pitch each is used once. */
export const joinTablature = (
  notes: readonly { readonly onset: number; readonly midi: number }[],
  tablature: readonly TablatureNote[],
): Tablature => {
  const waiting = new Map<string, TablatureNote[]>();
  for (const each of tablature) {
    const key = `${each.onset}:${each.midi}`;
    waiting.set(key, [...(waiting.get(key) ?? []), each]);
  }
  const fingering = new Map<NoteIndex, SourceFingering>();
  const elements = new Map<NoteIndex, XmlElement>();
  notes.forEach(({ onset, midi }, index) => {
    const found = waiting.get(`${onset}:${midi}`)?.shift();
    if (!found) return;
    fingering.set(index, found.placed.fingering);
    elements.set(index, found.placed.element);
  });
  return {
    fingering,
    elements,
    agreeing: tablature.length === 0 ? 0 : elements.size / tablature.length,
  };
};
