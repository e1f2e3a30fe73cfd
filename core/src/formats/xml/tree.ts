import { SaxesParser } from 'saxes';
import { failure, success, type Result } from '../../music/result.ts';

/**
 * An element with its place in the source text, so that a change can be written into the text itself and
 * everything else stays as it is, byte for byte.
 */
export interface XmlElement {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly XmlElement[];
  /** Character data of the element itself, without its children's. */
  readonly text: string;
  /** Offset of `<` of the start tag. */
  readonly start: number;
  /** Offset just after the start tag. */
  readonly contentStart: number;
  /** Offset of `</`; equal to `end` for `<a/>`. */
  readonly contentEnd: number;
  /** Offset just after the element. */
  readonly end: number;
  readonly line: number;
}

export interface XmlProblem {
  readonly line: number;
  readonly detail: string;
}

type Open = { -readonly [K in keyof XmlElement]: XmlElement[K] } & { children: XmlElement[] };

// Most elements have neither attributes nor children: they share these, for a large file has a million of them.
const NO_ATTRIBUTES: Readonly<Record<string, string>> = Object.freeze({});
const NO_CHILDREN = Object.freeze([]) as readonly XmlElement[] as XmlElement[];
const isEmpty = (record: object): boolean => {
  for (const _ in record) return false;
  return true;
};
/** White space between elements, which nobody asks for. */
const isBlank = (text: string): boolean => text.trim() === '';

/** Deeper nesting, and more elements, than any guitar score has: guards against files made to exhaust memory. */
const MAX_DEPTH = 64;
const MAX_ELEMENTS = 1_500_000;

/**
 * Parses well-formed XML. Entities declared in a document type are never expanded: a reference to one is a
 * problem, so a file can neither reach outside itself nor grow when read.
 */
export const parseXml = (text: string): Result<XmlElement, XmlProblem> => {
  const parser = new SaxesParser({ xmlns: false, position: true });
  const open: Open[] = [];
  let root: XmlElement | undefined;
  let startOffset = 0;
  let startLine = 1;
  let count = 0;
  parser.on('error', (error) => {
    throw error;
  });
  parser.on('opentagstart', (tag) => {
    startOffset = text.lastIndexOf(`<${tag.name}`, parser.position - tag.name.length);
    startLine = parser.line;
  });
  parser.on('opentag', (tag) => {
    if (open.length >= MAX_DEPTH) throw new Error(`elements are nested more than ${MAX_DEPTH} deep`);
    count += 1;
    if (count > MAX_ELEMENTS) throw new Error(`there are more than ${MAX_ELEMENTS} elements`);
    open.push({
      name: tag.name,
      attributes: isEmpty(tag.attributes) ? NO_ATTRIBUTES : (tag.attributes as Record<string, string>),
      children: NO_CHILDREN,
      text: '',
      start: startOffset,
      contentStart: parser.position,
      contentEnd: parser.position,
      end: parser.position,
      line: startLine,
    });
  });
  parser.on('text', (data) => {
    const element = open.at(-1);
    if (element && !isBlank(data)) element.text += data;
  });
  parser.on('cdata', (data) => {
    const element = open.at(-1);
    if (element) element.text += data;
  });
  parser.on('closetag', (tag) => {
    const element = open.pop()!;
    element.end = parser.position;
    element.contentEnd = tag.isSelfClosing ? parser.position : text.lastIndexOf('</', parser.position - 1);
    const parent = open.at(-1);
    if (!parent) root = element;
    else if (parent.children === NO_CHILDREN) parent.children = [element];
    else parent.children.push(element);
  });
  try {
    parser.write(text).close();
  } catch (error) {
    return failure({
      line: parser.line,
      detail: (error as Error).message.replace(/^(undefined|\S+)?:?\d+:\d+: /, ''),
    });
  }
  return root ? success(root) : failure({ line: 1, detail: 'there is no element in it' });
};

/** Name of the outermost element, from the text alone; undefined when none begins near its start. */
export const rootName = (text: string): string | undefined =>
  /<([A-Za-z_][^\s/>]*)/.exec(text.slice(0, 65_536).replaceAll(/<!--[\s\S]*?-->/g, ''))?.[1];

export const childNamed = (element: XmlElement, name: string): XmlElement | undefined =>
  element.children.find((child) => child.name === name);

export const childrenNamed = (element: XmlElement, name: string): readonly XmlElement[] =>
  element.children.filter((child) => child.name === name);

/** Trimmed text of a child, undefined when the child is missing. */
export const childText = (element: XmlElement, name: string): string | undefined =>
  childNamed(element, name)?.text.trim();

/** Number in a child, undefined when missing or not a number. */
export const childNumber = (element: XmlElement, name: string): number | undefined => {
  const text = childText(element, name);
  const value = text === undefined || text === '' ? NaN : Number(text);
  return Number.isFinite(value) ? value : undefined;
};

/** The element reached by a path of names: `descend(note, 'notations', 'technical')`. */
export const descend = (element: XmlElement, ...path: readonly string[]): XmlElement | undefined =>
  path.reduce<XmlElement | undefined>((at, name) => at && childNamed(at, name), element);
