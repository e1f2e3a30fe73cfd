import { success, type Result } from '../../music/result.ts';
import type { NoteId } from '../../score/score.ts';
import type { ImportProblem } from '../import-problem.ts';
import { spliceText, type Splice } from '../xml/splice.ts';
import { childNamed, childrenNamed, type XmlElement } from '../xml/tree.ts';
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

const spliceNote = (source: string, note: XmlElement, marks: NoteMarks, newline: string): Splice[] => {
  const elements = markElements(marks);
  if (elements.length === 0) return [];
  const technicals = childrenNamed(note, 'notations').flatMap((each) => childrenNamed(each, 'technical'));
  const technical = technicals[0];
  if (technicals.length === 1 && sameMarks(technical, marks)) return [];
  const removed = technicals.flatMap((each) => each.children.filter((child) => isReplaced(child, marks)));
  const removals = removed.map((child) => ({ ...withLeadingSpace(source, child), text: '' }));
  if (technical) {
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
  if (notations) {
    const inside = wrapped('technical', elements, step);
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
  const lines = wrapped('notations', wrapped('technical', elements, step), step);
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

/**
 * The source document with marks merged into `notations/technical` of its notes; everything else stays as it
 * is, byte for byte. Marks a note already carries in the same kind are replaced, other technical signs are kept.
 * Only elements of MusicXML 3.0 are written.
 */
export const writeMusicXml = (
  source: string,
  marks: ReadonlyMap<NoteId, NoteMarks>,
  options: ReadOptions = {},
): Result<string, ImportProblem> => {
  const imported = readMusicXml(source, options);
  if (!imported.ok) return imported;
  const newline = source.includes('\r\n') ? '\r\n' : '\n';
  const { score, elements } = imported.value;
  const splices = score.notes.flatMap((note) => {
    const own = marks.get(note.id);
    return own ? spliceNote(source, elements[note.index]!, own, newline) : [];
  });
  return success(spliceText(source, splices));
};
