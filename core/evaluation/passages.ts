import type { Plan } from '../src/plan/plan.ts';
import { planVoices } from '../src/testing/planning.ts';
import { BARRE } from './passages/barres.ts';
import { BELLS } from './passages/bells.ts';
import { CHORD_CHANGES } from './passages/chord-changes.ts';
import { FIRST_POSITION } from './passages/first-position.ts';
import { GRIPS } from './passages/grips.ts';
import { HELD_NOTES } from './passages/held-notes.ts';
import { LINES } from './passages/lines.ts';
import { MOVEMENT } from './passages/movement.ts';
import type { Passage } from './passages/passage.ts';
import { PHRASES } from './passages/phrases.ts';
import { RINGING } from './passages/ringing.ts';
import { TWO_VOICES } from './passages/two-voices.ts';

export const PASSAGES: readonly Passage[] = [
  ...FIRST_POSITION,
  ...GRIPS,
  ...HELD_NOTES,
  ...RINGING,
  ...BARRE,
  ...MOVEMENT,
  ...BELLS,
  ...CHORD_CHANGES,
  ...TWO_VOICES,
  ...PHRASES,
  ...LINES,
];

/** FNV-1a, 32 bits: a lot that nobody can influence but by renaming a passage. */
const lot = (text: string): number => {
  let hash = 0x811c9dc5;
  for (const letter of text) hash = Math.imul(hash ^ letter.codePointAt(0)!, 0x01000193) >>> 0;
  return hash;
};

/** Whether a passage may be looked at while tuning; the others are only reported. */
export const isForTuning = ({ name }: Passage): boolean => lot(name) % 2 === 0;

/** How the planner's fingering of a passage compares with the accepted ones. */
export interface PassageVerdict {
  readonly passage: Passage;
  /** Notes with an opinion in the accepted fingering that fits best, and how many of them agree. */
  readonly notes: number;
  readonly agreeing: number;
  readonly ours: readonly string[];
}

const agrees = (token: string, ours: string): boolean =>
  token.split('|').some((way) => way === ours || (way.endsWith(':*') && ours.startsWith(way.slice(0, -1))));

const fingeringOf = (plan: Plan): readonly string[] =>
  plan.score.notes
    .filter((note) => !plan.notes[note.index]!.tied)
    .toSorted((a, b) => a.voice.localeCompare(b.voice) || a.onset - b.onset || a.midi - b.midi)
    .map((note) => {
      const { string, finger } = plan.notes[note.index]!;
      return `${string ?? '-'}:${finger ?? '-'}`;
    });

export const judgePassage = (passage: Passage): PassageVerdict => {
  const { voices, accept, school, tempo } = passage;
  const plan = planVoices(voices, { ...(school && { left: school }), ...(tempo !== undefined && { tempo }) });
  const ours = fingeringOf(plan);
  const verdicts = accept.map((fingering) => {
    const tokens = fingering.split(' ');
    if (tokens.length !== ours.length)
      throw new RangeError(`${passage.name}: ${tokens.length} tokens for ${ours.length} notes`);
    const opinions = tokens.flatMap((token, index) => (token === '*' ? [] : [agrees(token, ours[index]!)]));
    return { passage, notes: opinions.length, agreeing: opinions.filter(Boolean).length, ours };
  });
  return verdicts.reduce((a, b) => (b.agreeing / b.notes > a.agreeing / a.notes ? b : a));
};
