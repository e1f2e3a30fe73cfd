import { success, type Result } from '../../music/result.ts';
import type { NoteId } from '../../score/score.ts';
import type { ImportProblem } from '../import-problem.ts';
import { spliceText, type Splice } from '../xml/splice.ts';
import { childNamed, childrenNamed, type XmlElement } from '../xml/tree.ts';
import { changesOfMarks, type MarkChanges, type WantedMarks } from './marks/write-marks.ts';
import { readMusicXml, type ReadOptions } from './read.ts';

/** The marks that one notehead carries in the written document. */
export interface NoteMarks {
  readonly string?: number;
  readonly fret?: number;
  readonly finger?: number;
  readonly pluck?: string;
}

const markElements = (marks: NoteMarks): string[] => [
  ...(marks.pluck === undefined ? [] : [`<pluck>${marks.pluck}</pluck>`]),
  ...(marks.finger === undefined ? [] : [`<fingering>${marks.finger}</fingering>`]),
  ...(marks.fret === undefined ? [] : [`<fret>${marks.fret}</fret>`]),
  ...(marks.string === undefined ? [] : [`<string>${marks.string}</string>`]),
];

/** Elements of a `note` that follow `notations` (MusicXML 4.0, `note`). */
const AFTER_NOTATIONS = new Set(['lyric', 'play', 'listen']);

/** White space from the start of the line up to `offset`, or undefined when something else stands there. */
const indentBefore = (source: string, offset: number): string | undefined => {
  const lineStart = source.lastIndexOf('\n', offset - 1) + 1;
  const before = source.slice(lineStart, offset);
  return lineStart > 0 && /^[ \t]*$/.test(before) ? before : undefined;
};

const block = (lines: readonly string[], newline: string, indent: string | undefined): string =>
  indent === undefined ? lines.join('') : lines.map((line) => `${line}${newline}${indent}`).join('');

const wrapped = (name: string, inner: readonly string[], step: string): string[] => [
  `<${name}>`,
  ...inner.map((line) => `${step}${line}`),
  `</${name}>`,
];

/** Whether a `technical` child is one that the marks replace. */
const isReplaced = (child: XmlElement, marks: NoteMarks): boolean => {
  const isLetter = /^[pimac]$/i.test(child.text.trim());
  if (child.name === 'fingering') return isLetter ? marks.pluck !== undefined : marks.finger !== undefined;
  if (child.name === 'pluck') return marks.pluck !== undefined;
  return (
    (child.name === 'string' && marks.string !== undefined) ||
    (child.name === 'fret' && marks.fret !== undefined)
  );
};

const sameMarks = (technical: XmlElement | undefined, marks: NoteMarks): boolean => {
  const children = technical?.children ?? [];
  const wanted: readonly (readonly [string, string | undefined])[] = [
    ['pluck', marks.pluck],
    ['fingering', marks.finger?.toString()],
    ['fret', marks.fret?.toString()],
    ['string', marks.string?.toString()],
  ];
  return wanted.every(([name, text]) => {
    const found = children.filter((child) => child.name === name);
    return text === undefined || (found.length === 1 && found[0]!.text.trim() === text);
  });
};

/** From the end of what stands before an element (white space included) to its end. */
const withLeadingSpace = (source: string, element: XmlElement): { start: number; end: number } => {
  let start = element.start;
  while (start > 0 && /\s/.test(source[start - 1]!)) start -= 1;
  return { start, end: element.end };
};

/** What goes into the notations of one note, and what goes out of them. */
interface NoteChanges {
  readonly marks: NoteMarks;
  readonly technical: readonly string[];
  readonly notations: readonly string[];
  readonly removals: ReadonlySet<XmlElement>;
}

const spliceNote = (source: string, note: XmlElement, changes: NoteChanges, newline: string): Splice[] => {
  const { marks } = changes;
  const all = childrenNamed(note, 'notations');
  const technicals = all.flatMap((each) => childrenNamed(each, 'technical'));
  const technical = technicals[0];
  const keepsMarks =
    markElements(marks).length === 0 || (technicals.length === 1 && sameMarks(technical, marks));
  const elements = [...(keepsMarks ? [] : markElements(marks)), ...changes.technical];
  const removed = [
    ...technicals.flatMap((each) =>
      each.children.filter(
        (child) => (!keepsMarks && isReplaced(child, marks)) || changes.removals.has(child),
      ),
    ),
    ...all.flatMap((each) => each.children.filter((child) => changes.removals.has(child))),
  ];
  const removals = removed.map((child) => ({ ...withLeadingSpace(source, child), text: '' }));
  if (elements.length === 0 && changes.notations.length === 0) return removals;
  if (technical && changes.notations.length > 0) {
    const indent = indentBefore(source, technical.start);
    const lines = changes.notations.map((each) => each + (indent === undefined ? '' : newline + indent));
    const extras = { start: technical.start, end: technical.start, text: lines.join('') };
    const rest = spliceNote(source, note, { ...changes, notations: [] }, newline);
    return [extras, ...rest];
  }
  if (technical) {
    if (elements.length === 0) return removals;
    if (technical.contentStart === technical.end)
      return [
        { start: technical.start, end: technical.end, text: `<technical>${elements.join('')}</technical>` },
      ];
    const first = technical.children[0];
    const indent = first && indentBefore(source, first.start);
    const lead = indent === undefined ? '' : `${newline}${indent}`;
    return [
      ...removals,
      {
        start: technical.contentStart,
        end: technical.contentStart,
        text: elements.map((each) => lead + each).join(''),
      },
    ];
  }
  const notations = childNamed(note, 'notations');
  const noteIndent = indentBefore(source, note.start);
  const childIndent = note.children[0] && indentBefore(source, note.children[0].start);
  const step =
    noteIndent !== undefined && childIndent?.startsWith(noteIndent)
      ? childIndent.slice(noteIndent.length)
      : '  ';
  const inside = [...changes.notations, ...(elements.length > 0 ? wrapped('technical', elements, step) : [])];
  if (notations) {
    if (notations.contentStart === notations.end)
      return [
        {
          start: notations.start,
          end: notations.end,
          text: `<notations>${inside.map((line) => line.trim()).join('')}</notations>`,
        },
      ];
    const lead = childIndent === undefined ? undefined : `${newline}${childIndent}${step}`;
    return [
      ...removals,
      {
        start: notations.contentStart,
        end: notations.contentStart,
        text:
          lead === undefined
            ? inside.map((line) => line.trim()).join('')
            : inside.map((line) => lead + line).join(''),
      },
    ];
  }
  const lines = wrapped('notations', inside, step);
  const next = note.children.find((child) => AFTER_NOTATIONS.has(child.name));
  if (next) {
    const flat = childIndent === undefined ? lines.map((line) => line.trim()) : lines;
    return [{ start: next.start, end: next.start, text: block(flat, newline, childIndent) }];
  }
  const last = note.children.at(-1)!;
  const text =
    childIndent === undefined
      ? lines.map((line) => line.trim()).join('')
      : lines.map((line) => `${newline}${childIndent}${line}`).join('');
  return [{ start: last.end, end: last.end, text }];
};

/** Splices for what stands outside the notes: directions that come and go. */
const spliceDirections = (
  source: string,
  children: readonly XmlElement[],
  elements: readonly XmlElement[],
  { additions, removals }: MarkChanges,
  newline: string,
): Splice[] => {
  const placeOf = new Map(children.map((child, place) => [child, place] as const));
  const isInChord = (place: number): boolean => {
    const child = children[place];
    return child?.name === 'note' && childNamed(child, 'chord') !== undefined;
  };
  const gone = children
    .filter((child) => removals.has(child))
    .map((child) => ({ ...withLeadingSpace(source, child), text: '' }));
  const come = [...additions].flatMap(([note, { before, after }]): Splice[] => {
    let first = placeOf.get(elements[note]!)!;
    let last = first;
    while (isInChord(first)) first -= 1;
    while (isInChord(last + 1)) last += 1;
    const indent = indentBefore(source, children[first]!.start);
    const [start, end] = [children[first]!.start, children[last]!.end];
    const lead = indent === undefined ? '' : newline + indent;
    return [
      ...(before.length > 0 ? [{ start, end: start, text: before.map((line) => line + lead).join('') }] : []),
      ...(after.length > 0 ? [{ start: end, end, text: after.map((line) => lead + line).join('') }] : []),
    ];
  });
  return [...gone, ...come];
};

const NOTHING: ReadonlySet<XmlElement> = new Set();

/**
 * The source document with marks merged into `notations/technical` of its notes, and with `signs` (barres, guides, slurs
 * and the like) set, changed or taken out; everything else stays as it is, byte for byte. Marks a note already carries in
 * the same kind are replaced, other technical signs are kept. Only elements of MusicXML 3.0 are written.
 */
export const writeMusicXml = (
  source: string,
  marks: ReadonlyMap<NoteId, NoteMarks>,
  options: ReadOptions & { readonly signs?: WantedMarks } = {},
): Result<string, ImportProblem> => {
  const imported = readMusicXml(source, options);
  if (!imported.ok) return imported;
  const newline = source.includes('\r\n') ? '\r\n' : '\n';
  const { score, elements, measures, marks: written } = imported.value;
  const children = measures.flatMap((measure) => measure.children);
  const changes = options.signs && changesOfMarks(score, written, children, elements, options.signs);
  const removals = changes?.removals ?? NOTHING;
  const splices = score.notes.flatMap((note) => {
    const own = marks.get(note.id) ?? {};
    const { technical = [], notations = [] } = changes?.additions.get(note.index) ?? {};
    return spliceNote(source, elements[note.index]!, { marks: own, technical, notations, removals }, newline);
  });
  return success(
    spliceText(source, [
      ...splices,
      ...(changes ? spliceDirections(source, children, elements, changes, newline) : []),
    ]),
  );
};
