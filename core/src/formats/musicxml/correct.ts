import { STEPS, type PitchSpelling } from '../../music/pitch.ts';
import { failure, success, type Result } from '../../music/result.ts';
import { accidentalsOf } from '../../score/accidentals.ts';
import type { Note, NoteId, NoteIndex, Score } from '../../score/score.ts';
import type { ImportProblem } from '../import-problem.ts';
import { declaredAsUtf8 } from '../source/text-encoding.ts';
import { spliceText, type Splice } from '../xml/splice.ts';
import { childNamed, childrenNamed, type XmlElement } from '../xml/tree.ts';
import { addToNote, indentBefore, withLeadingSpace } from './note-splices.ts';
import { readMusicXml, type ImportedScore, type ReadOptions } from './read.ts';

/** What is wrong with a note of a piece, put right: its pitch as it sounds, or whether it is tied to the next one. */
export type Correction =
  | { readonly kind: 'pitch'; readonly pitch: PitchSpelling }
  | { readonly kind: 'tie'; readonly isTied: boolean };

/** Why a note cannot be corrected: it is not there, no note of its pitch follows it, or the file says its pitch otherwise. */
export type CorrectionProblem = { readonly code: 'no-note' | 'no-next-note' | 'pitch-not-written' };

const ACCIDENTALS: Readonly<Record<number, string>> = {
  [-2]: 'flat-flat',
  [-1]: 'flat',
  0: 'natural',
  1: 'sharp',
  2: 'double-sharp',
};
/** Elements of a `note` after which `accidental` follows, and after which `tie` does (MusicXML 4.0, `note`). */
const BEFORE_ACCIDENTAL = ['duration', 'tie', 'instrument', 'footnote', 'level', 'voice', 'type', 'dot'];
const BEFORE_TIE = ['pitch', 'duration', 'tie'];
/** What a note says of its place, which a new pitch makes untrue. */
const PLACE_SIGNS = ['string', 'fret', 'fingering'];

const stepsOf = ({ step, octave }: PitchSpelling): number => octave * STEPS.length + STEPS.indexOf(step);

/** The noteheads of the sound that a notehead belongs to. */
export const tiedTogether = ({ notes }: Score, note: Note): readonly Note[] => {
  let first = note;
  while (first.tiedFrom !== undefined) first = notes[first.tiedFrom]!;
  const own = new Set<NoteIndex>([first.index]);
  for (const each of notes) if (each.tiedFrom !== undefined && own.has(each.tiedFrom)) own.add(each.index);
  return [...own].map((index) => notes[index]!);
};

/** The note of the same pitch with which its voice goes on. */
export const nextOfPitch = ({ notes }: Score, note: Note): Note | undefined =>
  notes.find(
    (each) =>
      each.voice === note.voice &&
      each.midi === note.midi &&
      !each.grace &&
      each.onset === note.onset + note.duration,
  );

/** Puts an element after the last of those of a note that come before it. */
const put = (source: string, note: XmlElement, text: string, precede: readonly string[]): Splice => {
  const last = note.children.findLast((child) => precede.includes(child.name))!;
  const indent = indentBefore(source, last.start);
  const newline = source.includes('\r\n') ? '\r\n' : '\n';
  return { start: last.end, end: last.end, text: indent === undefined ? text : `${newline}${indent}${text}` };
};

const takeOut = (source: string, elements: readonly XmlElement[]): readonly Splice[] =>
  elements.map((element) => ({ ...withLeadingSpace(source, element), text: '' }));

const technicalOf = (note: XmlElement): readonly XmlElement[] =>
  childrenNamed(note, 'notations').flatMap((each) =>
    childrenNamed(each, 'technical').flatMap((technical) => technical.children),
  );

/** The pitch of a note element moved as far as the sounding pitch is. */
const moved = (
  source: string,
  note: XmlElement,
  from: PitchSpelling,
  to: PitchSpelling,
): readonly Splice[] => {
  const pitch = childNamed(note, 'pitch');
  const text = (name: string): string => (pitch && childNamed(pitch, name)?.text.trim()) ?? '';
  if (!pitch) return [];
  const alter = Number(text('alter') || 0) + to.alter - from.alter;
  const place =
    Number(text('octave')) * STEPS.length +
    STEPS.indexOf(text('step') as PitchSpelling['step']) +
    stepsOf(to) -
    stepsOf(from);
  const step = STEPS[((place % STEPS.length) + STEPS.length) % STEPS.length]!;
  const octave = Math.floor(place / STEPS.length);
  const inner = `<step>${step}</step>${alter === 0 ? '' : `<alter>${alter}</alter>`}<octave>${octave}</octave>`;
  return [
    { start: pitch.start, end: pitch.end, text: `<pitch>${inner}</pitch>` },
    ...takeOut(source, [
      ...childrenNamed(note, 'accidental'),
      ...technicalOf(note).filter(({ name }) => PLACE_SIGNS.includes(name)),
    ]),
  ];
};

const lineOf = ({ written: { step, octave } }: Note): string => `${step}${octave}`;

/** Accidentals that have become needed on some lines of some bars, where their notes carry none. */
const withAccidentals = (
  source: string,
  { elements, score }: ImportedScore,
  bars: ReadonlySet<number>,
  lines: ReadonlySet<string>,
): string =>
  spliceText(
    source,
    [...bars].flatMap((bar) =>
      [...accidentalsOf(score, score.bars[bar]!)]
        .filter(
          ([index]) =>
            lines.has(lineOf(score.notes[index]!)) &&
            childNamed(elements[index]!, 'accidental') === undefined,
        )
        .map(([index, alter]) =>
          put(source, elements[index]!, `<accidental>${ACCIDENTALS[alter]}</accidental>`, BEFORE_ACCIDENTAL),
        ),
    ),
  );

const tieSplices = (
  source: string,
  note: XmlElement,
  type: 'start' | 'stop',
  isTied: boolean,
): readonly Splice[] => {
  const isOf = (element: XmlElement): boolean => element.attributes.type === type;
  const ties = childrenNamed(note, 'tie').filter(isOf);
  const tied = childrenNamed(note, 'notations').flatMap((each) => childrenNamed(each, 'tied').filter(isOf));
  if (!isTied) return takeOut(source, [...ties, ...tied]);
  const newline = source.includes('\r\n') ? '\r\n' : '\n';
  return [
    ...(ties.length === 0 ? [put(source, note, `<tie type="${type}"/>`, BEFORE_TIE)] : []),
    ...(tied.length === 0 ? addToNote(source, note, [], [`<tied type="${type}"/>`], newline) : []),
  ];
};

/**
 * The source document with one note corrected; everything else stays as it is, byte for byte. A new pitch goes to all
 * noteheads that are tied together, with the accidentals that it makes necessary in their bars, and takes away what the
 * file says of string and finger there. A tie leads to the note of the same pitch with which the voice goes on.
 */
export const correctMusicXml = (
  source: string,
  id: NoteId,
  correction: Correction,
  options: ReadOptions = {},
): Result<string, ImportProblem | CorrectionProblem> => {
  const read = readMusicXml(source, options);
  if (!read.ok) return read;
  const { elements, score, tablature } = read.value;
  const index = score.indexOf.get(id);
  if (index === undefined) return failure({ code: 'no-note' });
  const note = score.notes[index]!;
  const written = ({ index: at }: Note) => [elements[at]!, ...tablature.get(at)!];

  if (correction.kind === 'tie') {
    const next = nextOfPitch(score, note);
    if (!next) return failure({ code: 'no-next-note' });
    const { isTied } = correction;
    return success(
      declaredAsUtf8(
        spliceText(source, [
          ...written(note).flatMap((each) => tieSplices(source, each, 'start', isTied)),
          ...written(next).flatMap((each) => tieSplices(source, each, 'stop', isTied)),
        ]),
      ),
    );
  }

  const { pitch } = correction;
  const heads = tiedTogether(score, note);
  const splices = heads.flatMap((head) =>
    written(head).flatMap((each) => moved(source, each, note.sounding, pitch)),
  );
  const again = readMusicXml(spliceText(source, splices), options);
  if (!again.ok) return again;
  const now = again.value.score.notes[index];
  const sounds = now?.sounding;
  if (sounds?.step !== pitch.step || sounds.alter !== pitch.alter || sounds.octave !== pitch.octave)
    return failure({ code: 'pitch-not-written' });
  const bars = new Set(heads.map(({ bar }) => bar));
  const lines = new Set([lineOf(note), lineOf(now!)]);
  return success(declaredAsUtf8(withAccidentals(spliceText(source, splices), again.value, bars, lines)));
};
