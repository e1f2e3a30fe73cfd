import { success, type Result } from '../../music/result.ts';
import type { NoteId } from '../../score/score.ts';
import type { ImportProblem } from '../import-problem.ts';
import { spliceText, type Splice } from '../xml/splice.ts';
import { childNamed, childrenNamed, type XmlElement } from '../xml/tree.ts';
import { declaredAsUtf8 } from '../source/text-encoding.ts';
import { changesOfMarks, type MarkChanges, type WantedMarks } from './marks/write-marks.ts';
import { addToNote, indentBefore, withLeadingSpace } from './note-splices.ts';
import { readMusicXml, type ReadOptions } from './read.ts';
import { fingeringElements, readFingering } from './source-fingering.ts';

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

/** What the technical signs of a note say, and the elements that say it. */
interface CarriedMarks {
  readonly says: NoteMarks;
  readonly elements: Readonly<Record<MarkName, readonly XmlElement[]>>;
  /** Fingers are written that are not for this note alone: one more would only confuse. */
  readonly isCrowded: boolean;
}
type MarkName = keyof NoteMarks;
const MARK_NAMES: readonly MarkName[] = ['pluck', 'finger', 'fret', 'string'];

const carriedMarks = (technicals: readonly XmlElement[]): CarriedMarks => {
  const named = (name: string) => technicals.flatMap((each) => childrenNamed(each, name));
  const { finger, plucks, others } = fingeringElements(technicals);
  const { finger: says } = readFingering(technicals);
  const textOf = (elements: readonly XmlElement[]) => elements[0]?.text.trim();
  const [string, fret, pluck] = [named('string'), named('fret'), named('pluck')];
  return {
    says: {
      ...(string.length === 1 && { string: Number(textOf(string)) }),
      ...(fret.length === 1 && { fret: Number(textOf(fret)) }),
      ...(pluck.length === 1 && { pluck: textOf(pluck)! }),
      ...(says !== undefined && named('open-string').length === 0 && { finger: says }),
    },
    elements: { string, fret, pluck: [...pluck, ...plucks], finger: finger ? [finger] : [] },
    isCrowded: finger === undefined && others.filter(({ text }) => /^[0-4]$/.test(text.trim())).length > 1,
  };
};

/** The marks that have to be written at a note, and the elements they take the place of; none when it says all of it. */
const changedMarks = (technicals: readonly XmlElement[], wanted: NoteMarks) => {
  const { says, elements, isCrowded } = carriedMarks(technicals);
  const { finger, ...rest } = wanted;
  const marks: NoteMarks = isCrowded ? rest : wanted;
  const named = MARK_NAMES.filter((name) => marks[name] !== undefined);
  if (technicals.length <= 1 && named.every((name) => marks[name] === says[name]))
    return { lines: [], replaced: [] };
  // A finger that an exchange already says needs no digit beside it.
  const isExchanged = finger !== undefined && finger === says.finger && elements.finger.length === 0;
  const { finger: _, ...others } = marks;
  return {
    lines: markElements(isExchanged ? others : marks),
    replaced: named.flatMap((name) => elements[name]),
  };
};

/** What goes into the notations of one note, and what goes out of them. */
interface NoteChanges {
  readonly marks: NoteMarks;
  readonly technical: readonly string[];
  readonly notations: readonly string[];
  readonly removals: ReadonlySet<XmlElement>;
}

const spliceNote = (source: string, note: XmlElement, changes: NoteChanges, newline: string): Splice[] => {
  const notations = childrenNamed(note, 'notations');
  const technicals = notations.flatMap((each) => childrenNamed(each, 'technical'));
  const { lines, replaced } = changedMarks(technicals, changes.marks);
  const removed = new Set(replaced);
  for (const holder of [...technicals, ...notations])
    for (const child of holder.children) if (changes.removals.has(child)) removed.add(child);
  return [
    ...[...removed].map((child) => ({ ...withLeadingSpace(source, child), text: '' })),
    ...addToNote(source, note, [...lines, ...changes.technical], changes.notations, newline),
  ];
};

/** The marks that an element of tablature carries: string and fret, and of the others those it carries already. */
const tablatureMarks = (element: XmlElement, { string, fret, finger, pluck }: NoteMarks): NoteMarks => {
  const technicals = childrenNamed(element, 'notations').flatMap((each) => childrenNamed(each, 'technical'));
  const { elements } = carriedMarks(technicals);
  return {
    ...(string !== undefined && { string }),
    ...(fret !== undefined && { fret }),
    ...(elements.finger.length > 0 && finger !== undefined && { finger }),
    ...(elements.pluck.length > 0 && pluck !== undefined && { pluck }),
  };
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
 * the same kind are replaced, other technical signs are kept. Tablature of the same music receives string and fret too.
 * Only elements of MusicXML 3.0 are written. The text is meant to be kept as UTF-8 and says so.
 */
export const writeMusicXml = (
  source: string,
  marks: ReadonlyMap<NoteId, NoteMarks>,
  options: ReadOptions & { readonly signs?: WantedMarks } = {},
): Result<string, ImportProblem> => {
  const imported = readMusicXml(source, options);
  if (!imported.ok) return imported;
  const newline = source.includes('\r\n') ? '\r\n' : '\n';
  const { score, elements, measures, marks: written, tablature } = imported.value;
  const children = measures.flatMap((measure) => measure.children);
  const changes = options.signs && changesOfMarks(score, written, children, elements, options.signs);
  const removals = changes?.removals ?? NOTHING;
  const splices = score.notes.flatMap((note) => {
    const own = marks.get(note.id) ?? {};
    const { technical = [], notations = [] } = changes?.additions.get(note.index) ?? {};
    const repeated = tablature
      .get(note.index)!
      .flatMap((element) =>
        spliceNote(
          source,
          element,
          { marks: tablatureMarks(element, own), technical: [], notations: [], removals: NOTHING },
          newline,
        ),
      );
    return [
      ...spliceNote(source, elements[note.index]!, { marks: own, technical, notations, removals }, newline),
      ...repeated,
    ];
  });
  const text = spliceText(source, [
    ...splices,
    ...(changes ? spliceDirections(source, children, elements, changes, newline) : []),
  ]);
  return success(declaredAsUtf8(text));
};
