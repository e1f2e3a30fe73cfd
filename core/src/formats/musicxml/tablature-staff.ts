import { success, type Result } from '../../music/result.ts';
import { sharpSpelling, type Midi } from '../../music/pitch.ts';
import type { NoteId } from '../../score/score.ts';
import type { ImportProblem } from '../import-problem.ts';
import { spliceText, type Splice } from '../xml/splice.ts';
import { childNamed, childrenNamed, childText, type XmlElement } from '../xml/tree.ts';
import type { MeasureSource } from './measures.ts';
import { readMusicXml, type ReadOptions } from './read.ts';

/** Where a note lies, as a staff of six lines says it. */
export interface TablaturePlace {
  readonly string: number;
  readonly fret: number;
}

/** A guitar as a staff of six lines names it: what each open string sounds, from ① to ⑥, and the fret of the capo. */
export interface TablatureGuitar {
  readonly tuning: readonly Midi[];
  readonly capo: number;
}

/** Elements of a note that its number repeats, in their order; string and fret, ties and tuplets stand in its notations. */
const REPEATED = ['grace', 'chord', 'pitch', 'rest', 'duration', 'tie'] as const;
const REPEATED_AFTER_VOICE = ['type', 'dot', 'time-modification'] as const;
/** Elements of `attributes` after which the next ones may stand (MusicXML 4.0, `attributes`). */
const BEFORE_STAVES = ['footnote', 'level', 'divisions', 'key', 'time'];
const BEFORE_CLEF = [...BEFORE_STAVES, 'staves', 'part-symbol', 'instruments', 'clef'];
const BEFORE_DETAILS = [...BEFORE_CLEF, 'staff-details'];

const LINES = 6;

/** Ends of the elements after which something may stand in its parent, the last of them. */
const endAfter = (parent: XmlElement, names: readonly string[]): number =>
  parent.children.filter(({ name }) => names.includes(name)).at(-1)?.end ?? parent.contentStart;

const durationOf = (element: XmlElement): number => Number(childText(element, 'duration') ?? 0);

/** Where the music of a bar stands after its last element, in its own divisions: what a `backup` takes back to its start. */
const lengthWalked = (children: readonly XmlElement[]): number =>
  children.reduce((at, child) => {
    if (child.name === 'backup') return at - durationOf(child);
    if (child.name === 'forward') return at + durationOf(child);
    const moves = child.name === 'note' && !childNamed(child, 'chord') && !childNamed(child, 'grace');
    return moves ? at + durationOf(child) : at;
  }, 0);

/** Names of the voices on the staff of six lines: the first that the document does not use. */
const voiceNamer = (measures: readonly MeasureSource[]): ((voice: string) => string) => {
  const used = new Set(
    measures.flatMap(({ children }) => children.map((child) => childText(child, 'voice') ?? '1')),
  );
  const names = new Map<string, string>();
  let next = 1;
  return (voice) => {
    const known = names.get(voice);
    if (known !== undefined) return known;
    while (used.has(String(next))) next += 1;
    const name = String(next);
    next += 1;
    names.set(voice, name);
    return name;
  };
};

/** Repeats the music of a bar on another staff, with string and fret in place of everything else. */
class TablatureWriter {
  readonly #source: string;
  readonly #staff: number;
  readonly #voiceOf: (voice: string) => string;
  readonly #placeOf: ReadonlyMap<XmlElement, TablaturePlace>;

  constructor(
    source: string,
    staff: number,
    voiceOf: (voice: string) => string,
    placeOf: ReadonlyMap<XmlElement, TablaturePlace>,
  ) {
    this.#source = source;
    this.#staff = staff;
    this.#voiceOf = voiceOf;
    this.#placeOf = placeOf;
  }

  bar(children: readonly XmlElement[]): readonly string[] {
    const moving = children.filter(({ name }) => ['note', 'backup', 'forward'].includes(name));
    const back = lengthWalked(children);
    return [
      ...(back > 0 ? [`<backup><duration>${back}</duration></backup>`] : []),
      ...moving.map((child) => (child.name === 'note' ? this.#note(child) : this.#walk(child))),
    ];
  }

  #walk(child: XmlElement): string {
    const voice = childText(child, 'voice');
    const inner = `<duration>${durationOf(child)}</duration>`;
    return voice === undefined || child.name === 'backup'
      ? `<${child.name}>${inner}</${child.name}>`
      : `<forward>${inner}<voice>${this.#voiceOf(voice)}</voice><staff>${this.#staff}</staff></forward>`;
  }

  #note(note: XmlElement): string {
    const place = this.#placeOf.get(note);
    const repeated = this.#repeated(note, REPEATED);
    const after = this.#repeated(note, REPEATED_AFTER_VOICE);
    const voice = `<voice>${this.#voiceOf(childText(note, 'voice') ?? '1')}</voice>`;
    const staff = `<staff>${this.#staff}</staff>`;
    // A rest, or what has no place, takes its time and is not seen.
    if (!place) {
      const isChordNote = childNamed(note, 'chord') !== undefined;
      const hidden = repeated.replace(/<pitch>.*?<\/pitch>/s, '<rest/>').replaceAll(/<tie [^>]*\/>/g, '');
      return isChordNote || childNamed(note, 'grace')
        ? ''
        : `<note print-object="no">${hidden}${voice}${after}${staff}</note>`;
    }
    const notations = childrenNamed(note, 'notations');
    const kept = notations.flatMap((each) =>
      each.children.filter(({ name }) => name === 'tied' || name === 'tuplet'),
    );
    const technical = `<technical><string>${place.string}</string><fret>${place.fret}</fret></technical>`;
    return `<note>${repeated}${voice}${after}<stem>none</stem>${staff}<notations>${kept.map((each) => this.#text(each)).join('')}${technical}</notations></note>`;
  }

  #repeated(note: XmlElement, names: readonly string[]): string {
    return names
      .flatMap((name) => childrenNamed(note, name))
      .map((child) => this.#text(child))
      .join('');
  }

  #text({ start, end }: XmlElement): string {
    return this.#source.slice(start, end).replaceAll(/>\s+</g, '><');
  }
}

const tuningXml = (staff: number, { tuning, capo }: TablatureGuitar): string => {
  const lines = tuning.map((open, index) => {
    const { step, alter, octave } = sharpSpelling(open);
    const sign = alter === 0 ? '' : `<tuning-alter>${alter}</tuning-alter>`;
    return `<staff-tuning line="${LINES - index}"><tuning-step>${step}</tuning-step>${sign}<tuning-octave>${octave}</tuning-octave></staff-tuning>`;
  });
  const held = capo > 0 ? `<capo>${capo}</capo>` : '';
  return `<staff-details number="${staff}"><staff-lines>${LINES}</staff-lines>${lines.reverse().join('')}${held}</staff-details>`;
};

/** What the first `attributes` of the part says of the added staff. */
const spliceAttributes = (attributes: XmlElement, staff: number, guitar: TablatureGuitar): Splice[] => {
  const staves = childNamed(attributes, 'staves');
  const count = `<staves>${staff}</staves>`;
  const at = (offset: number, text: string): Splice => ({ start: offset, end: offset, text });
  const clef = `<clef number="${staff}"><sign>TAB</sign><line>5</line></clef>`;
  const [afterStaves, afterClef, afterDetails] = [BEFORE_STAVES, BEFORE_CLEF, BEFORE_DETAILS].map((names) =>
    endAfter(attributes, names),
  ) as [number, number, number];
  // What goes in at one place goes in as one text, in the order of the elements.
  const added = new Map<number, string>();
  const add = (offset: number, text: string): unknown => added.set(offset, (added.get(offset) ?? '') + text);
  if (!staves) add(afterStaves, count);
  add(afterClef, clef);
  add(afterDetails, tuningXml(staff, guitar));
  return [
    ...(staves ? [{ start: staves.start, end: staves.end, text: count }] : []),
    ...[...added].map(([offset, text]) => at(offset, text)),
  ];
};

/**
 * The document with a staff of six lines under its notes that says string and fret of every note in `places`, its ties and
 * its rhythm without stems; everything that was there stays, byte for byte. A document that has tablature of the music
 * already comes back as it is.
 */
export const withTablatureStaff = (
  source: string,
  places: ReadonlyMap<NoteId, TablaturePlace>,
  guitar: TablatureGuitar,
  options: ReadOptions = {},
): Result<string, ImportProblem> => {
  const imported = readMusicXml(source, options);
  if (!imported.ok) return imported;
  const { elements, measures, score, tablature } = imported.value;
  const first = measures[0]?.children.find(({ name }) => name === 'attributes');
  if ([...tablature.values()].some((repeats) => repeats.length > 0) || !first) return success(source);
  const staff = Number(childText(first, 'staves') ?? 1) + 1;
  const placeOf = new Map(
    score.notes.flatMap((note) => {
      const place = places.get(note.id);
      return place ? [[elements[note.index]!, place] as const] : [];
    }),
  );
  const writer = new TablatureWriter(source, staff, voiceNamer(measures), placeOf);
  const newline = source.includes('\r\n') ? '\r\n' : '\n';
  const splices = measures.flatMap(({ children }): Splice[] => {
    const music = children.filter(({ name }) => ['note', 'backup', 'forward'].includes(name)).at(-1);
    if (!music) return [];
    const lines = writer.bar(children).filter(Boolean);
    return [
      { start: music.end, end: music.end, text: lines.map((line) => `${newline}      ${line}`).join('') },
    ];
  });
  return success(spliceText(source, [...spliceAttributes(first, staff, guitar), ...splices]));
};
