import type { Performance } from '../performance/performance.ts';
import type { Cell } from '../right/events/cells.ts';
import type { PluckedNote, PluckEvent } from '../right/events/events.ts';
import { FIRST_BASS_STRING } from '../right/events/roles.ts';
import type { Page } from './page-marks.ts';
import type { ReaderView } from './reader-view.ts';

const [THUMB, INDEX, MIDDLE, RING] = [0, 1, 2, 3] as const;
/** The tremolo of the classical guitar after the thumb: ring, middle, index. Handbook §4. */
const TREMOLO = [RING, MIDDLE, INDEX] as const;
/** Fingers of notes struck above the thumb's, by how many there are, from the lower string up. Handbook §4. */
const ABOVE_THE_THUMB: readonly (readonly number[])[] = [[], [INDEX], [INDEX, MIDDLE], [INDEX, MIDDLE, RING]];

/**
 * Reads the right hand from left to right by rules (handbook §4 and §9): a bar that comes back is plucked as the first
 * time; equal movements are plucked alike until something else is written; the thumb takes the basses; broken chords lie
 * under the fingers string by string; a line alternates. What is read wrong goes on as the marks tell.
 */
class RightReader {
  readonly #performance: Performance;
  /** By sound: the finger read. */
  readonly plucks: Int8Array;
  /** By sound: the one it stands for in a bar that comes back. */
  readonly #like: ReaderView['like'];
  /** By event: the movement it belongs to. */
  readonly #cellOf: readonly (Cell | undefined)[];
  /** By contour of a movement, which no tremolo shares with a broken chord: its first event the last time. */
  readonly #lastOf = new Map<string, number>();
  /** The finger of the last single stroke of a line. */
  #line = -1;
  readonly #chords = new Map<string, readonly number[]>();

  constructor(performance: Performance, like: ReaderView['like']) {
    this.#performance = performance;
    this.#like = like;
    const { left, right } = performance;
    this.plucks = new Int8Array(left.sounds.length).fill(-1);
    const cellOf = new Array<Cell | undefined>(right.events.length).fill(undefined);
    for (const cell of right.cells) cellOf.fill(cell, cell.first, cell.end);
    this.#cellOf = cellOf;
  }

  /** The fingers that a reader takes for an event, from the bass string up. */
  read(at: number): readonly number[] {
    const { events } = this.#performance.right;
    const event = events[at]!;
    const first = event.notes.map(({ sound }) => this.#like[sound]!);
    if (first.every((sound) => sound >= 0 && this.plucks[sound]! >= 0))
      return first.map((sound) => this.plucks[sound]!);
    const cell = this.#cellOf[at];
    if (cell) {
      const before = this.#lastOf.get(cell.contour);
      const model = before === undefined ? undefined : events[before + at - cell.first];
      if (model?.notes.length === event.notes.length)
        return model.notes.map(({ sound }) => this.plucks[sound]!);
      if (cell.kind === 'tremolo' && at > cell.first)
        return [TREMOLO[(at - cell.first - 1) % TREMOLO.length]!];
      return byString(event, events.slice(cell.first, cell.end));
    }
    return event.notes.length === 1 ? [this.#single(event, at)] : this.#chord(event);
  }

  /** What is played at an event, whatever was read. */
  played(at: number, fingers: readonly number[]): void {
    const event = this.#performance.right.events[at]!;
    event.notes.forEach(({ sound }, place) => (this.plucks[sound] = fingers[place]!));
    const cell = this.#cellOf[at];
    if (cell && at === cell.end - 1) this.#lastOf.set(cell.contour, cell.first);
    if (event.notes.length > 1) this.#chords.set(chordKey(event), fingers);
    const top = fingers.at(-1)!;
    if (top !== THUMB) this.#line = top;
  }

  #single(event: PluckEvent, at: number): number {
    const note = event.notes[0]!;
    const before = this.#performance.right.events[at - 1];
    const last = before?.notes.length === 1 ? this.plucks[before.notes[0]!.sound]! : -1;
    const isOnBass = note.string >= FIRST_BASS_STRING;
    // A line that the fingers have begun goes on with them, also down on the basses.
    const goesOn = last > THUMB && !event.isLineStart && before!.notes[0]!.voice === note.voice;
    if (note.voice === 'bass' || (isOnBass && !goesOn)) return THUMB;
    if (note.voice === 'inner') return note.string === FIRST_BASS_STRING - 1 ? INDEX : MIDDLE;
    if (note.isOverInner) return RING;
    return this.#line === INDEX ? MIDDLE : INDEX;
  }

  #chord(event: PluckEvent): readonly number[] {
    const known = this.#chords.get(chordKey(event));
    if (known) return known;
    return ruled(event, (above) => {
      if (above.length !== 1) return ABOVE_THE_THUMB[above.length] ?? [];
      return [above[0]!.isOverInner ? RING : this.#line === INDEX ? MIDDLE : INDEX];
    });
  }
}

/** The thumb takes the lowest note when it is a bass, or when there are more notes than other fingers. */
const ruled = (
  { notes }: PluckEvent,
  fingersFor: (above: readonly PluckedNote[]) => readonly number[],
): readonly number[] => {
  const lowest = notes[0]!;
  const hasThumb =
    lowest.voice === 'bass' || lowest.string >= FIRST_BASS_STRING || notes.length > TREMOLO.length;
  return hasThumb ? [THUMB, ...fingersFor(notes.slice(1))] : fingersFor(notes);
};

/** A finger for each string of a broken chord: the thumb on the basses, then index, middle, ring. */
const byString = ({ notes }: PluckEvent, cell: readonly PluckEvent[]): readonly number[] => {
  const isThumb = ({ string, voice }: PluckedNote): boolean =>
    voice === 'bass' || string >= FIRST_BASS_STRING;
  const strings = [
    ...new Set(
      cell.flatMap((each) => each.notes.filter((note) => !isThumb(note)).map((note) => note.string)),
    ),
  ];
  strings.sort((a, b) => b - a);
  return notes.map((note) => (isThumb(note) ? THUMB : Math.min(RING, INDEX + strings.indexOf(note.string))));
};

const chordKey = ({ notes }: PluckEvent): string =>
  notes.map(({ voice, isOverInner }) => `${voice}${isOverInner}`).join(' ');

/**
 * Reads the right hand of a piece with the marks of a page; what is read otherwise than planned is handed over first,
 * to be written or left. By sound: the rank of the finger, −1 where nothing is plucked.
 */
export const readRight = (
  performance: Performance,
  { like }: ReaderView,
  page: Page,
  onWrong?: (sound: number) => void,
): Int8Array => {
  const { events, options } = performance.right;
  const reader = new RightReader(performance, like);
  events.forEach((event, at) => {
    const read = reader.read(at);
    const planned = options[at]!;
    event.notes.forEach(({ sound }, place) => {
      if (read[place] !== planned[place] && !page.has(sound, 'pluck')) onWrong?.(sound);
    });
    reader.played(
      at,
      event.notes.map(({ sound }, place) =>
        page.has(sound, 'pluck') ? planned[place]! : (read[place] ?? INDEX),
      ),
    );
  });
  return reader.plucks;
};

/** Writes the letters without which a reader would pluck otherwise. */
export const fewestRightMarks = (performance: Performance, view: ReaderView, page: Page): void => {
  readRight(performance, view, page, (sound) => page.write(sound, 'pluck'));
};
