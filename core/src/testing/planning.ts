import { EMPTY_FINGERING, type Choice, type Fingering } from '../fingering/fingering.ts';
import { readMusicXml } from '../formats/musicxml/read.ts';
import { pitchName } from '../music/pitch.ts';
import { planPiece, setupFor, type Plan, type PlanSetup } from '../plan/plan.ts';
import type { Note, NoteId, Score } from '../score/score.ts';
import { exampleXml, type Example } from './notation.ts';

/** The score of an example; throws when the example itself is wrong. */
export const exampleScore = (example: Example): Score => {
  const read = readMusicXml(exampleXml(example));
  if (!read.ok) throw new RangeError(read.error.message);
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
