import type { Choice, Fingering } from '../fingering/fingering.ts';
import type { StringNumber } from '../instrument/guitar.ts';
import { planLeft, type SolvedLeft } from '../left/plan-left.ts';
import { clockOf } from '../score/clock.ts';
import { excerptOf, type Excerpt } from '../score/excerpt.ts';
import type { NoteId } from '../score/score.ts';
import { seamsOf, unfold, type Seam } from '../score/unfold/unfold.ts';
import type { Jump } from '../technique/jumps.ts';
import { shiftsOf, type Shift } from '../technique/shifts.ts';

/** Two bars planned one after the other, as far as it tells of the jump between them. */
interface Joined {
  readonly cost: number;
  readonly shift: Shift | undefined;
  readonly cuts: boolean;
}

/** The jumps of a piece that were looked at, by bars and how they are taken. */
export interface JumpMemory {
  readonly joined: ReadonlyMap<string, Joined | undefined>;
  /** Jumps around which no other fingering is worth its price. */
  readonly settled: ReadonlySet<string>;
}

const NO_JUMPS: JumpMemory = { joined: new Map(), settled: new Set() };

export interface JumpPlan {
  readonly jumps: readonly Jump[];
  readonly memory: JumpMemory;
}

/**
 * How the left hand makes the jumps of a piece: for each, the bar before it and those it leads to are planned one after
 * the other as the plan takes them. The search follows the page; this tells where the page misleads it. `tempo` in quarters a minute, the
 * piece's own when missing.
 */
export const jumpsIn = (
  left: SolvedLeft,
  fingering: Fingering,
  tempo: number | undefined,
  earlier: JumpMemory = NO_JUMPS,
): JumpPlan => {
  const seen = new Map<string, Joined | undefined>();
  const jumps = seamsOf(unfold(left.piece.score)).flatMap((seam): Jump[] => {
    const arrival = left.hands.findIndex(({ slice }) => slice.bar === seam.to);
    if (arrival < 0) return [];
    const key = takingOf(left, [seam.from, ...ledTo(left, seam)]);
    const joined = earlier.joined.has(key) ? earlier.joined.get(key) : join(left, fingering, tempo, seam);
    seen.set(key, joined);
    if (!joined) return [];
    const { cost, shift, cuts } = joined;
    const price = cost - costIn(left, ledTo(left, seam));
    return [{ ...seam, sound: left.hands[arrival]!.slice.struck[0]!, price, shift, cuts }];
  });
  return { jumps, memory: { joined: seen, settled: earlier.settled } };
};

/** Some bars and how their notes are taken. */
export const takingOf = (left: SolvedLeft, bars: readonly number[]): string =>
  `${bars.join(' ')} ${left.sounds
    .filter(({ bar }) => bars.includes(bar))
    .map(({ index }) => `${left.choices[index]?.string}/${left.choices[index]?.finger}`)
    .join(' ')}`;

/** The bars in which it is felt where the hand comes from: the one that a jump leads to, and the next. */
const ledTo = ({ piece }: SolvedLeft, { to }: Seam): readonly number[] =>
  [to, to + 1].filter((bar) => bar < piece.score.bars.length);

/** What the hand spends in some bars, in units of effort. */
const costIn = ({ hands, memory }: SolvedLeft, bars: readonly number[]): number =>
  hands.reduce(
    (sum, { slice }, index) => sum + (bars.includes(slice.bar) ? memory.accounts[index]!.cost : 0),
    0,
  );

const join = (
  left: SolvedLeft,
  fingering: Fingering,
  tempo: number | undefined,
  seam: Seam,
): Joined | undefined => {
  const excerpt = excerptOf(left.piece.score, [seam.from, ...ledTo(left, seam)]);
  const clock = clockOf(excerpt.score, tempo);
  const joined = planLeft(excerpt.score, asTaken(left, excerpt, fingering), left.setup, clock);
  const arrival = joined.hands.findIndex(({ slice }) => slice.bar === 1);
  if (arrival <= 0) return undefined;
  const isCutAnyway = (sound: number): boolean => {
    const head = excerpt.sources[joined.sounds[sound]!.head]!;
    return left.cut.some((each) => left.sounds[each]!.noteheads.includes(head));
  };
  return {
    cost: costIn(joined, [1, 2]),
    shift: shiftsOf(joined, clock).find(({ slice }) => slice === arrival),
    cuts: joined.cut.some((sound) => joined.sounds[sound]!.bar === 0 && !isCutAnyway(sound)),
  };
};

/** Everything that a plan took, as decisions for the same notes in an excerpt. */
export const asTaken = (left: SolvedLeft, { score, sources }: Excerpt, base: Fingering): Fingering => {
  const choices = new Map<NoteId, Choice>();
  for (const note of score.notes) {
    const source = sources[note.index]!;
    const choice = left.choices[left.piece.soundOf.get(source)!];
    const remedy = base.choices.get(left.piece.score.notes[source]!.id)?.remedy;
    choices.set(note.id, {
      ...(choice && { string: choice.string as StringNumber, finger: choice.finger }),
      ...(remedy && { remedy }),
    });
  }
  return { ...base, choices, rules: new Map(), marks: new Map() };
};
