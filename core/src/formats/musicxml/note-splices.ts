import type { Splice } from '../xml/splice.ts';
import { childrenNamed, type XmlElement } from '../xml/tree.ts';

/** Elements of a `note` that follow `notations` (MusicXML 4.0, `note`). */
const AFTER_NOTATIONS = new Set(['lyric', 'play', 'listen']);

/** White space from the start of the line up to `offset`, or undefined when something else stands there. */
export const indentBefore = (source: string, offset: number): string | undefined => {
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

/** From the end of what stands before an element (white space included) to its end. */
export const withLeadingSpace = (source: string, element: XmlElement): { start: number; end: number } => {
  let start = element.start;
  while (start > 0 && /\s/.test(source[start - 1]!)) start -= 1;
  return { start, end: element.end };
};

/** Lines put before `offset`, each on a line of its own where the source is written so. */
const before = (source: string, offset: number, lines: readonly string[], newline: string): Splice[] => {
  const indent = indentBefore(source, offset);
  const flat = indent === undefined ? lines.map((line) => line.trim()) : lines;
  return [{ start: offset, end: offset, text: block(flat, newline, indent) }];
};

/** Lines put at the beginning of an element, which may be written as an empty tag. */
const inside = (
  element: XmlElement,
  lines: readonly string[],
  newline: string,
  indent: string | undefined,
): Splice[] => {
  const flat = lines.map((line) => line.trim()).join('');
  if (element.contentStart === element.end)
    return [{ start: element.start, end: element.end, text: `<${element.name}>${flat}</${element.name}>` }];
  const text = indent === undefined ? flat : lines.map((line) => `${newline}${indent}${line}`).join('');
  return [{ start: element.contentStart, end: element.contentStart, text }];
};

/** Puts technical signs and notations where the note has room for them. */
export const addToNote = (
  source: string,
  note: XmlElement,
  technicalLines: readonly string[],
  notationLines: readonly string[],
  newline: string,
): Splice[] => {
  if (technicalLines.length + notationLines.length === 0) return [];
  const [notations] = childrenNamed(note, 'notations');
  const technical = childrenNamed(note, 'notations').flatMap((each) => childrenNamed(each, 'technical'))[0];
  if (technical) {
    const first = technical.children[0];
    return [
      ...(notationLines.length > 0 ? before(source, technical.start, notationLines, newline) : []),
      ...(technicalLines.length > 0
        ? inside(technical, technicalLines, newline, first && indentBefore(source, first.start))
        : []),
    ];
  }
  const noteIndent = indentBefore(source, note.start);
  const childIndent = note.children[0] && indentBefore(source, note.children[0].start);
  const step =
    noteIndent !== undefined && childIndent?.startsWith(noteIndent)
      ? childIndent.slice(noteIndent.length)
      : '  ';
  const lines = [
    ...notationLines,
    ...(technicalLines.length > 0 ? wrapped('technical', technicalLines, step) : []),
  ];
  if (notations)
    return inside(notations, lines, newline, childIndent === undefined ? undefined : childIndent + step);
  const whole = wrapped('notations', lines, step);
  const next = note.children.find((child) => AFTER_NOTATIONS.has(child.name));
  if (next) return before(source, next.start, whole, newline);
  const { end } = note.children.at(-1)!;
  const text =
    childIndent === undefined
      ? whole.map((line) => line.trim()).join('')
      : whole.map((line) => `${newline}${childIndent}${line}`).join('');
  return [{ start: end, end, text }];
};
