import { markId } from '../../../fingering/mark-id.ts';
import type { Mark, MarkId } from '../../../fingering/marks.ts';
import { sameValue } from '../../../fingering/same-value.ts';
import type { NoteId, NoteIndex, Score } from '../../../score/score.ts';
import { escapeXml } from '../../xml/splice.ts';
import type { XmlElement } from '../../xml/tree.ts';
import { bracketWords, dampWords, technicalWords } from './mark-text.ts';
import type { SourceMarks } from './read-marks.ts';

/** The marks that a document shall carry, and those that it shall carry no more. */
export interface WantedMarks {
  readonly marks: readonly Mark[];
  readonly removed: readonly MarkId[];
}

/** What one note receives. */
export interface NoteAdditions {
  readonly technical: string[];
  readonly notations: string[];
  /** Directions before its chord begins and after it has ended. */
  readonly before: string[];
  readonly after: string[];
}

export interface MarkChanges {
  readonly additions: ReadonlyMap<NoteIndex, NoteAdditions>;
  readonly removals: ReadonlySet<XmlElement>;
}

/** Numbers that MusicXML has for spans that overlap (`number-level`). */
const NUMBER_LEVELS = [1, 2, 3, 4, 5, 6] as const;

/** Where a span begins and ends, in the order of time and in that of the document: voices are written one after another. */
interface SpanPlace {
  readonly time: readonly [NoteIndex, NoteIndex];
  readonly document: readonly [number, number];
}

const overlap = (a: readonly [number, number], b: readonly [number, number]): boolean =>
  a[0] <= b[1] && b[0] <= a[1];

/** Numbers for spans of one kind so that none is used twice at a time, as far as there are enough of them. */
class SpanNumbers {
  private readonly busy: { readonly number: number; readonly place: SpanPlace }[] = [];
  private readonly taken: ReadonlySet<string>;

  constructor(taken: ReadonlySet<string>) {
    this.taken = taken;
  }

  next(place: SpanPlace): number {
    const isFree = (number: number): boolean =>
      !this.busy.some(
        (each) =>
          each.number === number &&
          (overlap(each.place.time, place.time) || overlap(each.place.document, place.document)),
      );
    const free = NUMBER_LEVELS.filter(isFree);
    const number = free.find((each) => !this.taken.has(String(each))) ?? free[0] ?? NUMBER_LEVELS[0];
    this.busy.push({ number, place });
    return number;
  }
}

/** Numbers in use for spans of some elements anywhere in the document. */
const numbersIn = (elements: readonly XmlElement[], names: ReadonlySet<string>): ReadonlySet<string> => {
  const numbers = new Set<string>();
  const visit = (element: XmlElement): void => {
    if (names.has(element.name)) numbers.add(element.attributes.number ?? '1');
    element.children.forEach(visit);
  };
  elements.forEach(visit);
  return numbers;
};

/**
 * What has to be added to the notes of a document and taken out of it so that it carries the wanted marks. Marks that it
 * carries already are left alone.
 */
export const changesOfMarks = (
  score: Score,
  source: SourceMarks,
  children: readonly XmlElement[],
  elements: readonly XmlElement[],
  { marks, removed }: WantedMarks,
): MarkChanges => {
  const wanted = new Map(marks.map((mark) => [markId(mark), mark] as const));
  const removals = new Set<XmlElement>();
  const gone = new Set(removed);
  for (const [id, { mark, elements }] of source) {
    const now = wanted.get(id);
    if (gone.has(id) || (now !== undefined && !sameValue(now, mark)))
      for (const element of elements) removals.add(element);
  }
  const written = new Map<MarkId, Mark>();
  for (const [id, mark] of wanted) if (!sameValue(source.get(id)?.mark, mark)) written.set(id, mark);
  // Slurs under one sign: those that stay need signs of their own once it is gone.
  for (const [id, { mark, elements }] of source)
    if (!gone.has(id) && !written.has(id) && elements.some((element) => removals.has(element)))
      written.set(id, mark);

  const indexOf = new Map<NoteId, NoteIndex>(score.notes.map(({ id, index }) => [id, index]));
  const additions = new Map<NoteIndex, NoteAdditions>();
  const at = (note: NoteIndex): NoteAdditions => {
    const own = additions.get(note) ?? { technical: [], notations: [], before: [], after: [] };
    additions.set(note, own);
    return own;
  };
  const numbers = {
    bracket: new SpanNumbers(numbersIn(children, new Set(['bracket']))),
    slur: new SpanNumbers(numbersIn(children, new Set(['slur', 'hammer-on', 'pull-off']))),
    slide: new SpanNumbers(numbersIn(children, new Set(['slide', 'glissando']))),
    own: new SpanNumbers(numbersIn(children, new Set(['other-notation']))),
  };
  const ordered = [...written.values()]
    .filter((mark) => indexOf.has(mark.from) && (!('to' in mark) || indexOf.has(mark.to)))
    .sort((a, b) => indexOf.get(a.from)! - indexOf.get(b.from)!);
  for (const mark of ordered) {
    const from = indexOf.get(mark.from)!;
    const to = 'to' in mark ? indexOf.get(mark.to)! : from;
    const place: SpanPlace = { time: [from, to], document: [elements[from]!.start, elements[to]!.end] };
    const span = (element: string, number: number, text = '', more = ''): void => {
      const printed = (type: 'start' | 'stop'): string =>
        `<${element} type="${type}" number="${number}"${more}${text === '' ? '/>' : `>${text}</${element}>`}`;
      at(from).notations.push(printed('start'));
      at(to).notations.push(printed('stop'));
    };
    switch (mark.kind) {
      case 'barre':
      case 'position': {
        const number = numbers.bracket.next(place);
        at(from).before.push(
          direction(
            `<words>${escapeXml(bracketWords(mark))}</words>`,
            `<bracket type="start" number="${number}" line-end="none"/>`,
          ),
        );
        at(to).after.push(direction(`<bracket type="stop" number="${number}" line-end="down"/>`));
        break;
      }
      case 'damp':
        at(from).before.push(direction('<damp/>', `<words>${dampWords(mark.string)}</words>`));
        break;
      case 'text':
        at(from).before.push(direction(`<words>${escapeXml(mark.text)}</words>`));
        break;
      case 'plant':
      case 'stroke':
        at(from).technical.push(`<other-technical>${technicalWords(mark)!}</other-technical>`);
        break;
      case 'guide':
        if (mark.heard) span('slide', numbers.slide.next(place), '', ' line-type="solid"');
        else span('other-notation', numbers.own.next(place), 'guide');
        break;
      case 'hold':
        span('other-notation', numbers.own.next(place), 'hold');
        break;
      case 'slur': {
        const number = numbers.slur.next(place);
        span('slur', number);
        const letter = mark.as === 'hammer-on' ? 'H' : 'P';
        at(from).technical.push(`<${mark.as} type="start" number="${number}">${letter}</${mark.as}>`);
        at(to).technical.push(`<${mark.as} type="stop" number="${number}"/>`);
      }
    }
  }
  return { additions, removals };
};

const direction = (...types: readonly string[]): string =>
  `<direction placement="above">${types.map((type) => `<direction-type>${type}</direction-type>`).join('')}</direction>`;
