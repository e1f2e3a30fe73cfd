import { choiceSchema, EMPTY_FINGERING, type Choice, type Fingering } from '../fingering/fingering.ts';
import { readMusicXml } from '../formats/musicxml/read.ts';
import { pitchName } from '../music/pitch.ts';
import { planPiece, setupFor, type Plan, type PlanSetup } from '../plan/plan.ts';
import type { Note, NoteId, Score } from '../score/score.ts';
import { exampleXml, type Example } from './notation.ts';

/** The score of an example; throws when the example itself is wrong. */
export const exampleScore = (example: Example): Score => {
  const read = readMusicXml(exampleXml(example));
  if (!read.ok) throw new RangeError(read.error.code);
  return read.value.score;
};

/** A plan of some voices with everything at its default, 90 quarters a minute. */
export const planVoices = (
  voices: readonly string[],
  setup?: Partial<PlanSetup>,
  fingering: Fingering = EMPTY_FINGERING,
): Plan => {
  const score = exampleScore({ voices, tempo: 90 });
  return planPiece(score, fingering, { ...setupFor(score), ...setup });
};

/** Choices for the notes that a test names by pitch and occurrence (from 0): `decide(score, ['G2', 0, { finger: 3 }])`. */
export const decide = (
  score: Score,
  ...decisions: readonly (readonly [string, number, Choice])[]
): Fingering => {
  const choices = new Map<NoteId, Choice>();
  for (const [pitch, occurrence, choice] of decisions) {
    const note: Note | undefined = score.notes.filter((each) => pitchName(each.sounding) === pitch)[
      occurrence
    ];
    if (!note) throw new RangeError(`there is no ${pitch} number ${occurrence}`);
    choices.set(note.id, choice);
  }
  return { ...EMPTY_FINGERING, choices };
};

/** The struck notes of a plan, voice after voice. */
export const struckNotes = (plan: Plan): readonly Note[] =>
  plan.score.notes
    .filter((note) => !plan.notes[note.index]!.tied)
    .toSorted((a, b) => a.voice.localeCompare(b.voice) || a.onset - b.onset || a.midi - b.midi);

/** The choice that a token stands for: `5:3` is string ⑤ with finger 3, `5:*` leaves the finger. */
export const choiceOf = (token: string): Choice => {
  const [string, finger] = token.split(':');
  return choiceSchema.parse({ string: Number(string), ...(finger !== '*' && { finger: Number(finger) }) });
};

/** A plan of some voices with their struck notes taken as the tokens say, voice after voice; `*` leaves a note free. */
export const planAs = (voices: readonly string[], tokens: string, setup?: Partial<PlanSetup>): Plan => {
  const notes = struckNotes(planVoices(voices, setup));
  const choices = new Map(
    tokens
      .split(' ')
      .flatMap((token, index) => (token === '*' ? [] : [[notes[index]!.id, choiceOf(token)] as const])),
  );
  return planVoices(voices, setup, { ...EMPTY_FINGERING, choices });
};

/** The left hand note by note: `C3 5/3:3` is string 5, fret 3, finger 3. */
export const leftHand = (plan: Plan): string[] =>
  plan.score.notes
    .filter((note) => !plan.notes[note.index]!.tied)
    .map((note) => {
      const { string, fret, finger } = plan.notes[note.index]!;
      return `${pitchName(note.sounding)} ${string ?? '-'}/${fret ?? '-'}:${finger ?? '-'}`;
    });

/** The right hand note by note, `-` where nothing is plucked. */
export const rightHand = (plan: Plan): string =>
  plan.score.notes
    .filter((note) => !plan.notes[note.index]!.tied)
    .map((note) => plan.notes[note.index]!.pluck ?? '-')
    .join('');

/** Notes in bars of small notation, so many of one length a bar: `C4/4 E4/4 | …`. */
export const inBars = (notes: readonly string[], perBar: number, length: number): string =>
  Array.from({ length: notes.length / perBar }, (_, bar) =>
    notes
      .slice(bar * perBar, (bar + 1) * perBar)
      .map((note) => `${note}/${length}`)
      .join(' '),
  ).join(' | ');
