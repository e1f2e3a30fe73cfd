import { markId } from '../../../fingering/mark-id.ts';
import { LONGEST_TEXT, markSchema, type Mark, type MarkId } from '../../../fingering/marks.ts';
import { readable, shortened } from '../../../fingering/human-text.ts';
import { slurMarks } from '../../../fingering/slurred.ts';
import { anchorOf } from '../../../score/anchor.ts';
import type { NoteIndex, Score } from '../../../score/score.ts';
import { childrenNamed, type XmlElement } from '../../xml/tree.ts';
import type { MeasureSource } from '../measures.ts';
import { readDirectionMark } from './directions.ts';
import { readTechnicalWords } from './mark-text.ts';
import { OpenSpans } from './open-spans.ts';

/** A mark of the source with the elements that make it: to change the mark they are replaced. */
export interface SourceMark {
  readonly mark: Mark;
  readonly elements: readonly XmlElement[];
}
export type SourceMarks = ReadonlyMap<MarkId, SourceMark>;

type Found = { readonly mark: Mark; readonly elements: readonly XmlElement[] };

/** Every mark of the hands that the source writes: standard elements, and ours where there are none. */
export const readMarks = (
  score: Score,
  measures: readonly MeasureSource[],
  elements: readonly XmlElement[],
): SourceMarks => {
  const indexOf = new Map(elements.map((element, index) => [element, index] as const));
  const found = [
    ...directionMarks(score, measures, indexOf),
    ...noteMarks(score, elements),
    ...slurs(score, elements),
  ];
  const marks = new Map<MarkId, SourceMark>();
  for (const each of found)
    if (!marks.has(markId(each.mark)) && markSchema.safeParse(each.mark).success)
      marks.set(markId(each.mark), each);
  return marks;
};

/** Marks written as directions stand before the note at which they begin, and end after the note up to which they last. */
const directionMarks = (
  score: Score,
  measures: readonly MeasureSource[],
  indexOf: ReadonlyMap<XmlElement, NoteIndex>,
): readonly Found[] => {
  const children = measures.flatMap((measure) => measure.children);
  const anchorId = (note: NoteIndex) => score.notes[anchorOf(score, note)]!.id;
  const noteFrom = (place: number, step: 1 | -1): NoteIndex | undefined => {
    for (let at = place; at >= 0 && at < children.length; at += step) {
      const note = indexOf.get(children[at]!);
      if (note !== undefined) return note;
    }
    return undefined;
  };
  const open = new Map<string, { readonly direction: XmlElement; readonly begin: (to: NoteIndex) => Mark }>();
  return children.flatMap((child, place): Found[] => {
    const read = readDirectionMark(child);
    if (!read) return [];
    if (read.kind === 'bracket-stop') {
      const started = open.get(read.number);
      const to = noteFrom(place, -1);
      open.delete(read.number);
      return started && to !== undefined
        ? [{ mark: started.begin(to), elements: [started.direction, child] }]
        : [];
    }
    const from = noteFrom(place, 1);
    if (from === undefined) return [];
    if (read.kind === 'bracket-start') {
      const begin = (to: NoteIndex): Mark => ({ ...read.mark, from: anchorId(from), to: anchorId(to) });
      open.set(read.number, { direction: child, begin });
      return [];
    }
    const mark: Mark =
      read.kind === 'damp'
        ? { kind: 'damp', from: anchorId(from), string: read.string }
        : { kind: 'text', from: anchorId(from), text: shortened(readable(read.text), LONGEST_TEXT) };
    return [{ mark, elements: [child] }];
  });
};

const notationsOf = (note: XmlElement, name: string): readonly XmlElement[] =>
  childrenNamed(note, 'notations').flatMap((each) => childrenNamed(each, name));

/** Slides, our own notations for guides and holds, and our own technical words. */
const noteMarks = (score: Score, elements: readonly XmlElement[]): readonly Found[] => {
  const open = new OpenSpans<{ readonly from: NoteIndex; readonly element: XmlElement }>();
  return elements.flatMap((element, index): Found[] => {
    const { id, voice } = score.notes[index]!;
    const technical = notationsOf(element, 'technical').flatMap((each) =>
      childrenNamed(each, 'other-technical'),
    );
    const signs = technical.flatMap((child): Found[] => {
      const read = readTechnicalWords(child.text);
      return read ? [{ mark: { ...read, from: id }, elements: [child] }] : [];
    });
    const spans = ['slide', 'glissando', 'other-notation'].flatMap((name) => notationsOf(element, name));
    const keyOf = (span: XmlElement): string =>
      [span.name, span.name === 'other-notation' ? span.text.trim() : '', span.attributes.number ?? '1'].join(
        ' ',
      );
    const ended = spans.flatMap((span): Found[] => {
      if (span.attributes.type !== 'stop') return [];
      const started = open.end(keyOf(span), voice);
      if (!started) return [];
      const over = { from: score.notes[started.from]!.id, to: id };
      const text = span.text.trim();
      const mark: Mark | undefined =
        span.name !== 'other-notation'
          ? { kind: 'guide', ...over, heard: true }
          : text === 'guide'
            ? { kind: 'guide', ...over, heard: false }
            : text === 'hold'
              ? { kind: 'hold', ...over }
              : undefined;
      return mark ? [{ mark, elements: [started.element, span] }] : [];
    });
    for (const span of spans)
      if (span.attributes.type === 'start') open.begin(keyOf(span), voice, { from: index, element: span });
    return [...signs, ...ended];
  });
};

/** Technical slurs; those of three or four notes under one sign share its elements. */
const slurs = (score: Score, elements: readonly XmlElement[]): readonly Found[] => {
  const pairs: { readonly from: NoteIndex; readonly to: NoteIndex; readonly elements: XmlElement[] }[] = [];
  const open = new OpenSpans<{ readonly from: NoteIndex; readonly element: XmlElement }>();
  elements.forEach((element, index) => {
    const { voice } = score.notes[index]!;
    const signs = [
      ...notationsOf(element, 'slur'),
      ...notationsOf(element, 'technical').flatMap((each) => [
        ...childrenNamed(each, 'hammer-on'),
        ...childrenNamed(each, 'pull-off'),
      ]),
    ];
    const keyOf = (sign: XmlElement): string => `${sign.name} ${sign.attributes.number ?? '1'}`;
    for (const sign of signs) {
      const started = sign.attributes.type === 'stop' ? open.end(keyOf(sign), voice) : undefined;
      if (!started) continue;
      pairs.push({ from: started.from, to: index, elements: [started.element, sign] });
    }
    for (const sign of signs)
      if (sign.attributes.type === 'start') open.begin(keyOf(sign), voice, { from: index, element: sign });
  });
  const indexOf = new Map(score.notes.map(({ id, index }) => [id, index] as const));
  return [...slurMarks(score).values()].flatMap((mark): Found[] => {
    if (mark.kind !== 'slur') return [];
    const [from, to] = [indexOf.get(mark.from)!, indexOf.get(mark.to)!];
    const { voice } = score.notes[from]!;
    const own = pairs.filter(
      (pair) => pair.from <= from && pair.to >= to && score.notes[pair.from]!.voice === voice,
    );
    return [{ mark, elements: own.flatMap((pair) => pair.elements) }];
  });
};
