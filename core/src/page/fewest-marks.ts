import { AT_THE_START, LeftReader, type InMind } from './left-reader.ts';
import { Page, type MarkField } from './page-marks.ts';
import type { ReaderView, SeenMoment, SeenNote } from './reader-view.ts';
import type { Barre } from '../technique/barres.ts';

/** A mark that could be written. */
type Mark =
  | { readonly kind: 'position'; readonly slice: number }
  | { readonly kind: 'note'; readonly sound: number; readonly field: MarkField };

const write = (page: Page, mark: Mark): void => {
  if (mark.kind === 'position') page.positions.add(mark.slice);
  else page.write(mark.sound, mark.field);
};
const erase = (page: Page, mark: Mark): void => {
  if (mark.kind === 'position') page.positions.delete(mark.slice);
  else page.erase(mark.sound, mark.field);
};

/** Moments that are read again after a mark was taken away, at most: further on a reader no longer remembers it. */
const LONGEST_TRIAL = 48;

/**
 * The fewest marks found from which a reader gets the whole left hand without stopping to think: each written where it
 * first goes wrong, then those taken away that were not needed after all. What comes out is right by
 * construction, unless a moment cannot be told even by all its marks. What is
 * `written` already stays, needed or not.
 */
export const fewestLeftMarks = (
  view: ReaderView,
  barres: readonly Barre[],
  written: Page = new Page(barres),
): Page => {
  const page = written.copy();
  const reader = new LeftReader(view, page);
  const minds: InMind[] = new Array<InMind>(view.moments.length + 1).fill(AT_THE_START);
  const isRight = ({ notes }: SeenMoment): boolean =>
    notes.every(
      ({ sound, string, finger }) =>
        reader.reading.strings[sound] === string && reader.reading.fingers[sound] === finger,
    );
  /** Reads a moment as it is marked; true when that gives the plan without a doubt. */
  const reads = (at: number): boolean => {
    const { mind, thinks } = reader.read(at, minds[at]!);
    minds[at + 1] = mind;
    return !thinks && isRight(view.moments[at]!);
  };
  /** Writes what is missing at a moment. */
  const mend = (at: number): readonly Mark[] => {
    const arrives = view.moments[at - 1]?.position !== view.moments[at]!.position;
    let all: readonly Mark[] = [];
    for (const marks of remedies(view.moments[at]!, page, arrives)) {
      for (const mark of marks) write(page, mark);
      if (reads(at)) return marks;
      for (const mark of marks) erase(page, mark);
      all = marks;
    }
    // Not even everything tells it: that much is written, and the page says that it does not read.
    for (const mark of all) write(page, mark);
    reads(at);
    return all;
  };
  const mendFrom = (from: number, to: number): readonly Mark[] => {
    const added: Mark[] = [];
    for (let at = from; at < to; at += 1) if (!reads(at)) added.push(...mend(at));
    return added;
  };
  for (let from = 0; from < view.moments.length;) {
    const to = endOfPosition(view, from);
    const plain = mendFrom(from, to);
    const numeral: Mark = { kind: 'position', slice: view.moments[from]!.slice };
    const isTold = view.moments[from]!.position === 0 || page.positions.has(numeral.slice);
    if (plain.length > 1 && !isTold) {
      for (const mark of plain) erase(page, mark);
      write(page, numeral);
      if (mendFrom(from, to).length + 1 > plain.length) {
        for (const moment of view.moments.slice(from, to)) clear(page, moment, written);
        for (const mark of plain) write(page, mark);
        mendFrom(from, to);
      }
    }
    from = to;
  }
  prune(view, page, written, reader, minds, isRight);
  mendFrom(0, view.moments.length);
  return page;
};

const clear = (page: Page, { slice, notes }: SeenMoment, written: Page): void => {
  if (!written.positions.has(slice)) page.positions.delete(slice);
  for (const { sound } of notes)
    for (const field of ['finger', 'string'] as const)
      if (!written.has(sound, field)) page.erase(sound, field);
};

/** The first moment that no longer lies in the position of another. */
const endOfPosition = ({ moments }: ReaderView, from: number): number => {
  let to = from + 1;
  while (to < moments.length && moments[to]!.position === moments[from]!.position) to += 1;
  return to;
};

/** What could be written at a moment, the least first; the last of them says everything. */
const remedies = function* (
  { slice, notes, position }: SeenMoment,
  page: Page,
  arrives: boolean,
): Generator<readonly Mark[]> {
  const mark = ({ sound }: SeenNote, field: MarkField): Mark => ({ kind: 'note', sound, field });
  const missing = (field: MarkField, some: readonly SeenNote[] = notes): Mark[] =>
    some.filter(({ sound }) => !page.has(sound, field)).map((note) => mark(note, field));
  const last: Mark[] = position === 0 || page.positions.has(slice) ? [] : [{ kind: 'position', slice }];
  // A numeral stands where the hand arrives, and elsewhere only when nothing else helps.
  const numeral = arrives ? last : [];
  // Digits of stopped notes say most; of them the tune's first.
  const byWeight = notes.toSorted((a, b) => Number(b.finger > 0) - Number(a.finger > 0) || b.midi - a.midi);
  const digits = missing('finger', byWeight);
  const strings = missing('string', byWeight);
  yield* digits.map((each) => [each]);
  yield* digits.map((each) => [each, ...numeral]);
  for (const [index, one] of digits.entries())
    for (const other of digits.slice(index + 1)) yield [one, other];
  yield* strings.map((each) => [each]);
  for (const digit of digits) for (const string of strings) yield [digit, string];
  for (const [index, one] of digits.entries())
    for (const other of digits.slice(index + 1)) yield [one, other, ...numeral];
  const stopped = missing(
    'finger',
    notes.filter(({ finger }) => finger > 0),
  );
  yield stopped;
  yield digits;
  for (const string of strings) yield [...digits, string];
  yield [...digits, ...strings];
  yield [...digits, ...strings, ...last];
};

/** Takes every mark away without which the piece is still read right. */
const prune = (
  view: ReaderView,
  page: Page,
  written: Page,
  reader: LeftReader,
  minds: InMind[],
  isRight: (moment: SeenMoment) => boolean,
): void => {
  const isStillRight = (from: number): boolean => {
    let mind = minds[from]!;
    const found: InMind[] = [];
    for (let at = from; at < Math.min(view.moments.length, from + LONGEST_TRIAL); at += 1) {
      const read = reader.read(at, mind);
      if (read.thinks || !isRight(view.moments[at]!)) return false;
      mind = read.mind;
      found.push(mind);
      if (isSameMind(mind, minds[at + 1]!) || at === view.moments.length - 1) {
        found.forEach((each, index) => (minds[from + index + 1] = each));
        return true;
      }
    }
    return false;
  };
  const readAgain = (from: number): void => {
    for (let at = from; at < Math.min(view.moments.length, from + LONGEST_TRIAL); at += 1)
      reader.read(at, minds[at]!);
  };
  view.moments.forEach((moment, at) => {
    const marks: Mark[] = [
      ...(page.positions.has(moment.slice) && !written.positions.has(moment.slice)
        ? [{ kind: 'position', slice: moment.slice } as const]
        : []),
      ...moment.notes.flatMap(({ sound }) =>
        (['string', 'finger'] as const).flatMap((field) =>
          page.has(sound, field) && !written.has(sound, field)
            ? [{ kind: 'note', sound, field } as const]
            : [],
        ),
      ),
    ];
    for (const mark of marks) {
      erase(page, mark);
      if (isStillRight(at)) continue;
      write(page, mark);
      readAgain(at);
    }
  });
};

const isSameMind = (one: InMind, other: InMind): boolean =>
  one.position === other.position &&
  one.isSet === other.isSet &&
  one.run?.voice === other.run?.voice &&
  one.run?.string === other.run?.string;
