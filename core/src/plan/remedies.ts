import { cheapestFirst } from '../fingering/cheapest-first.ts';
import type { Remedy } from '../fingering/vocabulary.ts';
import { planLeft } from '../left/plan-left.ts';
import type { LeftPlan } from '../left/left-plan.ts';
import type { NoteIndex } from '../score/score.ts';
import type { Plan } from './plan.ts';

/** One way out of a moment that no hand can hold: something done with one note. */
export interface WayOut {
  readonly note: NoteIndex;
  readonly remedy: Remedy;
  /** Units of effort that the whole left hand then costs more (or less, below 0), held notes cut not counted. */
  readonly price: number;
}

/** What is lost in a plan: notes left unplayed against the will of the score, and notes cut. */
const losses = ({ unplayable, cut }: LeftPlan): number => unplayable.length + cut.length;

const effort = ({ cost, terms }: LeftPlan): number => cost - (terms['held note cut'] ?? 0);

/** How much each remedy takes from the music, least first: the order in which equals are offered. */
const ORDER: readonly Remedy[] = ['short', 'octave-up', 'octave-down', 'leave-out'];

/**
 * What can be done about a note that cannot be played or held: every remedy for it, or for a note that sounds with it,
 * after which the piece loses less than before. Those that take least from the music come first, then by price. Nothing
 * is applied.
 */
export const waysOut = (plan: Plan, note: NoteIndex): readonly WayOut[] => {
  const { score, fingering, left, memory } = plan;
  const troubled = left.sounds[left.piece.soundOf.get(note) ?? -1];
  if (!troubled) return [];
  const together = left.sounds.filter(
    (sound) => sound.onset <= troubled.end && sound.end > troubled.onset && sound.onset <= troubled.onset,
  );
  // A note that is cut has its trouble with what is struck while it should still sound.
  const later = left.cut.includes(troubled.index)
    ? left.sounds.filter((sound) => sound.onset > troubled.onset && sound.onset < troubled.end)
    : [];
  const before = losses(left);
  return [...together, ...later]
    .flatMap((sound) => ORDER.map((remedy) => ({ sound, remedy })))
    .flatMap(({ sound, remedy }): WayOut[] => {
      const { id, index } = score.notes[sound.head]!;
      const choices = new Map(fingering.choices).set(id, { ...fingering.choices.get(id), remedy });
      const tried = planLeft(score, { ...fingering, choices }, left.setup, memory.clock, {
        memory: memory.left,
      });
      const isPlaced = remedy === 'leave-out' || tried.choices[sound.index] !== undefined;
      return isPlaced && losses(tried) < before
        ? [{ note: index, remedy, price: effort(tried) - effort(left) }]
        : [];
    })
    .sort((a, b) => ORDER.indexOf(a.remedy) - ORDER.indexOf(b.remedy) || cheapestFirst(a, b));
};
