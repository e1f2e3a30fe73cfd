import type { Choice, Fingering } from '../fingering/fingering.ts';
import { NEAR_TIE } from '../fingering/near-tie.ts';
import type { StringNumber } from '../instrument/guitar.ts';
import type { TakenBefore } from '../left/keep-what-was.ts';
import { planLeft, type SolvedLeft } from '../left/plan-left.ts';
import { clockOf } from '../score/clock.ts';
import { excerptOf } from '../score/excerpt.ts';
import type { NoteId } from '../score/score.ts';
import { unfold } from '../score/unfold/unfold.ts';
import type { Jump } from '../technique/jumps.ts';
import { isWorse } from './alike.ts';
import { asTaken, jumpsIn, takingOf, type JumpMemory, type JumpPlan } from './jumps.ts';

/** A left hand with its jumps, and what it was planned for. */
interface Candidate extends JumpPlan {
  readonly left: SolvedLeft;
  readonly fingering: Fingering;
}

export interface Seamed extends Candidate {
  /** What was fixed for the jumps. */
  readonly closed: Closed;
}

type Closed = ReadonlyMap<NoteId, Choice>;

/** A piece before the teacher decided anything: how it was taken, and what was fixed for its jumps. */
export interface BeforeDecisions {
  readonly left: TakenBefore;
  readonly closed: Closed;
}

/** A jump is looked at when it costs more than this beside following the page, in units of effort: about a hop. */
const WORTH_OF_A_SEAM = 1;

/**
 * Fingers the bars around a jump so that the hand comes to it and from it with the least effort, where the whole piece
 * as it is played becomes cheaper by more than a near tie. What the teacher has decided stays, and what was fixed before anything was
 * decided is tried first. `wanted` is what `left` was planned for, `own` the teacher's part of it.
 */
export const closeSeams = (
  left: SolvedLeft,
  wanted: Fingering,
  own: Fingering,
  tempo: number | undefined,
  earlier?: JumpMemory,
  before?: BeforeDecisions,
): Seamed => {
  const settled = new Set<string>();
  let best: Candidate = { left, fingering: wanted, ...jumpsIn(left, own, tempo, earlier) };
  const offer = (fingering: Fingering): void => {
    const other = planLeft(left.piece.score, fingering, left.setup, left.memory.clock, {
      memory: best.left.memory,
      ...(before && { was: before.left }),
    });
    const candidate = { left: other, fingering, ...jumpsIn(other, own, tempo, best.memory) };
    if (!isWorse(other, best.left) && costPlayed(candidate) < costPlayed(best) - NEAR_TIE) best = candidate;
  };
  const undecided = [...(before?.closed ?? [])].filter(([id]) => !wanted.choices.has(id));
  if (undecided.length > 0) offer({ ...wanted, choices: new Map([...wanted.choices, ...undecided]) });
  for (const { from, to } of best.jumps.filter(({ price }) => price > WORTH_OF_A_SEAM)) {
    const key = takingOf(best.left, barsAround(best.left, { from, to }));
    if (earlier?.settled.has(key)) {
      settled.add(key);
      continue;
    }
    const known = best;
    for (const freed of new Set([from, to])) offer(aroundJump(best, own, tempo, { from, to }, freed));
    if (best === known) settled.add(key);
  }
  const { fingering, memory } = best;
  const closed = new Map([...fingering.choices].filter(([id, choice]) => wanted.choices.get(id) !== choice));
  return { ...best, closed, memory: { ...memory, settled } };
};

/** The bars of a jump with their neighbours on the page, in the order in which they are played. */
const barsAround = ({ piece }: SolvedLeft, { from, to }: Pick<Jump, 'from' | 'to'>): readonly number[] =>
  [from - 1, from, to, to + 1].filter((bar) => bar >= 0 && bar < piece.score.bars.length);

/** What the hand spends on the whole piece in the order in which it is played, in units of effort. */
const costPlayed = ({ left, jumps }: Candidate): number => {
  const { hands, memory, piece } = left;
  const byBar = new Float64Array(piece.score.bars.length);
  hands.forEach(({ slice }, index) => (byBar[slice.bar]! += memory.accounts[index]!.cost));
  const priceOf = new Map(jumps.map(({ from, to, price }) => [`${from} ${to}`, price]));
  return unfold(piece.score).bars.reduce(
    (sum, { bar }, place, played) =>
      sum + byBar[bar]! + (place > 0 ? (priceOf.get(`${played[place - 1]!.bar} ${bar}`) ?? 0) : 0),
    0,
  );
};

/** What was wanted, with one of the bars of a jump fingered as it would be if the page followed the jump. */
const aroundJump = (
  { left, fingering }: Candidate,
  own: Fingering,
  tempo: number | undefined,
  jump: Pick<Jump, 'from' | 'to'>,
  freed: number,
): Fingering => {
  const { score } = left.piece;
  const bars = barsAround(left, jump);
  const excerpt = excerptOf(score, bars);
  const taken = asTaken(left, excerpt, own);
  const choices = new Map(taken.choices);
  const isFreed = (place: number): boolean => bars[place] === freed;
  for (const note of excerpt.score.notes) {
    if (!isFreed(note.bar)) continue;
    const decided = own.choices.get(score.notes[excerpt.sources[note.index]!]!.id);
    if (decided) choices.set(note.id, decided);
    else choices.delete(note.id);
  }
  const solved = planLeft(excerpt.score, { ...taken, choices }, left.setup, clockOf(excerpt.score, tempo));
  const around = new Map<NoteId, Choice>(fingering.choices);
  for (const { head, index, bar } of solved.sounds) {
    const choice = solved.choices[index];
    const { id } = score.notes[excerpt.sources[head]!]!;
    if (!choice || !isFreed(bar) || own.choices.has(id)) continue;
    around.set(id, { string: choice.string as StringNumber, finger: choice.finger });
  }
  return { ...fingering, choices: around };
};
