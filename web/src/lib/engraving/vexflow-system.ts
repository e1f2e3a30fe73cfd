import {
  Articulation,
  Barline,
  Formatter,
  Metrics,
  MetricsDefaults,
  Ornament,
  Stave,
  StaveTie,
  type StaveNote,
} from 'vexflow/core';
import { meterText } from '@oculon/core';
import { copyFlat } from './flat-copies.ts';
import { keepMeasures } from './kept-measures.ts';
import type { HeadBox, SystemGeometry } from './geometry.ts';
import { numberOf, withNumbers } from './tuplets.ts';
import type { Bar, NoteIndex, Score } from './score-types.ts';
import { digitRoomOf } from './digit-room.ts';
import { GatheredInk } from './gathered-ink.ts';
import { graceRoomOf } from './grace-notes.ts';
import { pictureOf } from './ink-picture.ts';
import type { DrawnVoice } from './drawn-voice.ts';
import { drawVoices } from './vexflow-notes.ts';

const KEY_NAMES = [
  'Cb',
  'Gb',
  'Db',
  'Ab',
  'Eb',
  'Bb',
  'F',
  'C',
  'G',
  'D',
  'A',
  'E',
  'B',
  'F#',
  'C#',
] as const;
const keyName = (fifths: number): string => KEY_NAMES[Math.max(-7, Math.min(7, fifths)) + 7]!;

/** A digit needs room between the first head and what stands before it: dots of a repeat, clef, key and meter, a bar line. */
const AFTER_REPEAT = 10;
const AFTER_HEADER = 12;
const AFTER_BARLINE = 7;
/** Where every system is drawn before its height is known. */
const DRAWN_AT = 100;
const DRAWN_HEIGHT = 400;

const FONTS = "'Oculon Music', Bravura, 'Oculon Serif'";

/** Says in which fonts music and its words are set, first to last. (`VexFlow.setFonts` would bring every part of VexFlow along.) */
export const useMusicFonts = (): void => {
  if (MetricsDefaults.fontFamily === FONTS) return;
  MetricsDefaults.fontFamily = FONTS;
  Metrics.clear();
  copyFlat();
  keepMeasures();
};

const addHeader = (stave: Stave, bar: Bar, isFirstOfPiece: boolean, isFirstOfSystem: boolean): void => {
  if (isFirstOfSystem) stave.addClef('treble', 'default', '8vb');
  if (isFirstOfSystem || bar.keyChange) stave.addKeySignature(keyName(bar.key));
  if (isFirstOfPiece || bar.meterChange) stave.addTimeSignature(meterText(bar.meter));
  const hasHeader = isFirstOfSystem || isFirstOfPiece || bar.keyChange || bar.meterChange;
  stave.setNoteStartX(stave.getNoteStartX() + (hasHeader ? AFTER_HEADER : AFTER_BARLINE));
};

/** Room that clef and key take at the start of a system, in px, with and without the time signature. */
export const headerWidths = (score: Score): { readonly header: number; readonly firstHeader: number } => {
  const measure = (isFirst: boolean): number => {
    const stave = new Stave(0, 0, 400);
    addHeader(stave, { ...score.bars[0]!, keyChange: false, meterChange: false }, isFirst, true);
    return stave.getNoteStartX();
  };
  return { header: measure(false), firstHeader: measure(true) };
};

const setBarlines = (stave: Stave, bar: Bar): void => {
  if (bar.repeatStart) stave.setBegBarType(Barline.type.REPEAT_BEGIN);
  if (bar.repeatEnd) stave.setEndBarType(Barline.type.REPEAT_END);
  else if (bar.barline === 'double') stave.setEndBarType(Barline.type.DOUBLE);
  else if (bar.barline === 'final') stave.setEndBarType(Barline.type.END);
};

const headBoxes = ({
  event,
  drawn,
}: {
  event: { notes: readonly NoteIndex[] };
  drawn: StaveNote;
}): HeadBox[] => {
  const { modLeftPx, leftDisplacedHeadPx } = drawn.getMetrics();
  const left =
    drawn.getAbsoluteX() - modLeftPx - leftDisplacedHeadPx + graceRoomOf(drawn) + digitRoomOf(drawn);
  const ys = drawn.getYs();
  const hasStem = drawn.hasStem() && drawn.getStem() !== undefined;
  const { topY, baseY } = hasStem
    ? drawn.getStemExtents()
    : { topY: Math.min(...ys), baseY: Math.max(...ys) };
  const signs = drawn
    .getModifiers()
    .filter((each) => each instanceof Articulation || each instanceof Ornament)
    .map((each) => each.getBoundingBox());
  const round = hasStem ? 5 : 8;
  const top = Math.min(
    topY - round,
    baseY - round,
    ...ys.map((y) => y - round),
    ...signs.map((each) => each.getY()),
  );
  const bottom = Math.max(
    topY + round,
    baseY + round,
    ...ys.map((y) => y + round),
    ...signs.map((each) => each.getY() + each.getH()),
  );
  const stem = hasStem ? (drawn.getStemDirection() === 1 ? 'up' : 'down') : 'none';
  return event.notes.map((note, index) => {
    const head = drawn.noteHeads[index]!;
    return { note, x: head.getAbsoluteX(), y: ys[index]!, width: head.getWidth(), left, top, bottom, stem };
  });
};

const continuations = new WeakMap<Score, ReadonlyMap<NoteIndex, NoteIndex>>();
/** The notes that others are tied to, and those they go on in; found once for a score. */
const continuationsIn = (score: Score): ReadonlyMap<NoteIndex, NoteIndex> => {
  const known = continuations.get(score);
  if (known) return known;
  const found = new Map<NoteIndex, NoteIndex>();
  for (const { index, tiedFrom } of score.notes)
    if (tiedFrom !== undefined && !found.has(tiedFrom)) found.set(tiedFrom, index);
  continuations.set(score, found);
  return found;
};

/** Draws ties of a system; a tie that crosses a line break is drawn as two halves. */
const drawTies = (
  ink: GatheredInk,
  score: Score,
  places: ReadonlyMap<NoteIndex, { drawn: StaveNote; at: number }>,
): void => {
  const draw = (
    from: { drawn: StaveNote; at: number } | undefined,
    to: { drawn: StaveNote; at: number } | undefined,
  ): void => {
    const tie = new StaveTie({
      ...(from && { firstNote: from.drawn, firstIndexes: [from.at] }),
      ...(to && { lastNote: to.drawn, lastIndexes: [to.at] }),
    });
    tie.setContext(ink).drawWithStyle();
  };
  const goesOnIn = continuationsIn(score);
  for (const [index, place] of places) {
    const { tiedFrom } = score.notes[index]!;
    if (tiedFrom !== undefined) draw(places.get(tiedFrom), place);
    const next = goesOnIn.get(index);
    if (next !== undefined && !places.has(next)) draw(place, undefined);
  }
};

/**
 * Draws one system into `holder` and tells where everything lies. The holder gets one svg, as high as its ink;
 * the vertical extent of the view is left to the caller. Between bars it asks `breathe` whether to go on. One that
 * `continues` the line before it has neither clef nor key.
 */
export const drawSystem = async (
  holder: HTMLElement,
  score: Score,
  first: number,
  widths: readonly number[],
  breathe: () => Promise<void>,
  continues = false,
): Promise<SystemGeometry> => {
  const total = widths.reduce((sum, width) => sum + width, 0) + 2;
  const ink = new GatheredInk();

  let x = 0;
  const heads: HeadBox[] = [];
  const inks: { readonly top: number; readonly bottom: number }[] = [];
  const bars: { index: number; x: number; width: number; musicStart: number }[] = [];
  const places = new Map<NoteIndex, { drawn: StaveNote; at: number }>();
  let staffTop = 0;
  let staffBottom = 0;
  for (const [place, width] of widths.entries()) {
    if (place > 0) await breathe();
    const bar = score.bars[first + place]!;
    const stave = new Stave(x, DRAWN_AT, width);
    setBarlines(stave, bar);
    addHeader(stave, bar, bar.index === 0, place === 0 && !continues);
    if (bar.repeatStart) stave.setNoteStartX(stave.getNoteStartX() + AFTER_REPEAT);
    stave.setContext(ink).drawWithStyle();
    const drawn = drawVoices(score, bar);
    formatBar(drawn, stave);
    // A rolled chord asks where the notes of the other voices lie.
    for (const { voice } of drawn) for (const each of voice.getTickables()) each.setStave(stave);
    for (const { voice } of drawn) voice.draw(ink, stave);
    for (const { beams, tuplets } of drawn) {
      for (const beam of beams) beam.setContext(ink).drawWithStyle();
      for (const tuplet of tuplets) tuplet.setContext(ink).drawWithStyle();
    }
    for (const { graces, notes, tuplets } of drawn) {
      const numbers = tuplets.map(numberOf);
      inks.push(...numbers);
      for (const entry of notes) {
        entry.event.notes.forEach((note, at) => places.set(note, { drawn: entry.drawn, at }));
        if (entry.event.kind === 'notes')
          heads.push(...headBoxes(entry).map((head) => withNumbers(head, numbers)));
      }
      heads.push(...graces.flatMap(headBoxes));
    }
    bars.push({ index: bar.index, x, width, musicStart: stave.getNoteStartX() });
    staffTop = stave.getYForLine(0);
    staffBottom = stave.getYForLine(4);
    x += width;
  }
  await breathe();
  drawTies(ink, score, places);
  holder.replaceChildren(pictureOf(ink, total, DRAWN_HEIGHT));
  return {
    first,
    last: first + widths.length - 1,
    width: total,
    staffTop,
    staffBottom,
    inkTop: Math.min(staffTop - 12, ...[...heads, ...inks].map(({ top }) => top)),
    inkBottom: Math.max(staffBottom + 8, ...[...heads, ...inks].map(({ bottom }) => bottom)),
    heads,
    bars,
  };
};

const formatBar = (drawn: readonly DrawnVoice[], stave: Stave): void => {
  const voices = drawn.map((each) => each.voice);
  if (voices.length === 0) return;
  const formatter = new Formatter();
  formatter.joinVoices(voices);
  formatter.format(voices, Math.max(20, stave.getNoteEndX() - stave.getNoteStartX() - 12));
};
