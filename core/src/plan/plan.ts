import { EMPTY_FINGERING, locksOf, type Fingering } from '../fingering/fingering.ts';
import { STANDARD_GUITAR, type Guitar } from '../instrument/guitar.ts';
import { likenReturns, type AlikePlan, type BeforeLikening } from './alike.ts';
import { handOf, type Hand } from '../left/hand/hand.ts';
import { planLeft, type LeftMemory } from '../left/plan-left.ts';
import type { LeftPlan, LeftSetup } from '../left/left-plan.ts';
import type { LeftSchool, LeftWeights } from '../fingering/vocabulary.ts';
import type { Pattern } from '../fingering/rules.ts';
import type { RightSchool } from '../fingering/vocabulary.ts';
import { DEFAULT_RIGHT_SETUP, type RightSetup } from '../right/events/setup.ts';
import type { CellsPlayed } from '../right/events/demands.ts';
import type { Played } from '../right/keep-what-was.ts';
import { planRight, type RightMemory } from '../right/plan-right.ts';
import type { RightPlan } from '../right/right-plan.ts';
import { performanceOf, type Performance } from '../performance/performance.ts';
import type { Finding } from '../review/finding.ts';
import { findingsOf } from '../review/findings.ts';
import { clockOf, type Clock } from '../score/clock.ts';
import type { NoteId, Score } from '../score/score.ts';
import { slurKey, slurredScore } from '../fingering/slurred.ts';
import type { Jump } from '../technique/jumps.ts';
import type { JumpMemory } from './jumps.ts';
import { closeSeams, type BeforeDecisions } from './seams.ts';
import { withSameBars } from './same-as.ts';
import { barresOf, type Barre } from '../technique/barres.ts';
import { dampingOf, type Damping } from '../technique/damping.ts';
import { shiftsOf, type Shift } from '../technique/shifts.ts';
import { techniqueOf, type Technique } from '../technique/technique.ts';

/** For whom and on what a piece is fingered. */
export interface PlanSetup {
  readonly guitar: Guitar;
  readonly hand: Hand;
  readonly left: LeftSchool;
  readonly leftWeights?: LeftWeights;
  readonly right: RightSchool;
  /** Order of the fingers in tremolo; the planner's own choice when missing. */
  readonly tremolo?: Pattern;
  /** Whether the thumb may play twice running in a line; yes when missing. */
  readonly doubleThumb?: boolean;
  /** Whether equal cells keep one order of fingers; yes when missing. */
  readonly keepOrder?: boolean;
  /** Working tempo in quarters a minute; the piece's own when missing. */
  readonly tempo?: number;
}

export const DEFAULT_SETUP: PlanSetup = {
  guitar: STANDARD_GUITAR,
  hand: handOf('medium'),
  left: 'balanced',
  right: 'free',
};

/** The setup with the tuning and capo that a piece itself asks for. */
export const setupFor = (score: Score, setup: PlanSetup = DEFAULT_SETUP): PlanSetup => ({
  ...setup,
  guitar: {
    ...setup.guitar,
    ...(score.tuning && { tuning: score.tuning }),
    capo: score.capo || setup.guitar.capo,
  },
});

/** What a plan decided for one notehead. */
export interface NotePlan {
  readonly id: NoteId;
  readonly string: number | undefined;
  readonly fret: number | undefined;
  /** 0 for an open string. */
  readonly finger: number | undefined;
  readonly barre: boolean;
  /** Missing for tied, slurred and strummed notes. */
  readonly pluck: string | undefined;
  readonly locked: boolean;
  /** The notehead is tied to the one before and not struck. */
  readonly tied: boolean;
  readonly cost: Readonly<Record<string, number>>;
}

/** A whole fingering of a piece with everything derived from it. */
export interface Plan {
  readonly score: Score;
  readonly setup: PlanSetup;
  /** What both hands do over time; `left` and `right` are its halves. */
  readonly performance: Performance;
  readonly left: LeftPlan;
  /** The teacher's fingering. */
  readonly fingering: Fingering;
  /** The teacher's fingering with what was fixed so that bars that come back are alike and jumps are near. */
  readonly alike: Fingering;
  readonly right: RightPlan;
  /** By notehead, as in `score.notes`. */
  readonly notes: readonly NotePlan[];
  readonly shifts: readonly Shift[];
  readonly barres: readonly Barre[];
  readonly damping: readonly Damping[];
  /** Jumps in the order of the bars, and how the left hand makes them. */
  readonly jumps: readonly Jump[];
  readonly findings: readonly Finding[];
  /** All movements of both hands; worked out when first asked for. */
  readonly technique: Technique;
  readonly memory: PlanMemory;
}

/** What both hands do while the teacher has decided nothing: what decisions leave alone stays so. */
interface Undecided extends BeforeDecisions, BeforeLikening {
  readonly right: Played & CellsPlayed;
}

/** What the next plan of the same piece under the same setup can reuse. */
export interface PlanMemory {
  readonly setup: PlanSetup;
  /** The score as it was given, and with the teacher's slurs. */
  readonly source: Score;
  readonly score: Score;
  readonly slurs: string;
  readonly leftSetup: LeftSetup;
  readonly rightSetup: RightSetup;
  readonly clock: Clock;
  /** Of the left hand before bars that come back were likened, and as it stands in the plan. */
  readonly free: LeftMemory;
  readonly left: LeftMemory;
  readonly unlike: AlikePlan['unlike'];
  readonly likening: AlikePlan['rounds'];
  readonly right: RightMemory;
  readonly undecided: Undecided & { readonly rules: string };
  readonly jumps: JumpMemory;
}

export interface PlanOptions {
  readonly memory?: PlanMemory;
  /** Called with the share that is done, 0 to 1. */
  readonly onProgress?: (share: number) => void;
  /** Reads a clock in ms, to report how long each hand took. */
  readonly now?: () => number;
  readonly onTiming?: (timing: { readonly left: number; readonly right: number }) => void;
}

/** What planning the left hand again goes on from. */
type LeftReuse = Pick<PlanMemory, 'free' | 'likening'>;

/**
 * The left hand around what is fixed, with bars that come back likened to each other. What the decisions leave alone stays as it
 * was before the returns are compared: they would follow bars that are taken back to it afterwards.
 */
const leftHandFor = (
  score: Score,
  fingering: Fingering,
  setup: LeftSetup,
  clock: Clock,
  undecided: Undecided | undefined,
  reuse: LeftReuse | undefined,
  { onProgress }: PlanOptions = {},
) => {
  const was = undecided && { was: undecided.left };
  const base = planLeft(score, fingering, setup, clock, {
    ...was,
    ...(reuse && { memory: reuse.free }),
    ...(onProgress && { onProgress }),
  });
  const wanted = withSameBars(fingering, base);
  const same =
    wanted === fingering ? base : planLeft(score, wanted, setup, clock, { ...was, memory: base.memory });
  return { base, ...likenReturns(wanted, same, undecided, reuse?.likening) };
};

/** Both hands of a piece with its rules but without the teacher's choices, with what planning them with those can go on from. */
const undecidedHands = (
  score: Score,
  fingering: Fingering,
  leftSetup: LeftSetup,
  rightSetup: RightSetup,
  clock: Clock,
  tempo: number | undefined,
  options: PlanOptions,
): { readonly undecided: Undecided; readonly reuse: LeftReuse } => {
  const open: Fingering = { ...fingering, choices: new Map() };
  const onPage = leftHandFor(score, open, leftSetup, clock, undefined, undefined, options);
  const { unlike } = onPage;
  const { closed, left } = closeSeams(onPage.left, onPage.fingering, open, tempo);
  const right = planRight(score, open, left, rightSetup, clock);
  return {
    undecided: { left: left.choices, closed, unlike, right },
    reuse: { free: onPage.base.memory, likening: onPage.rounds },
  };
};

/** Plans both hands for a piece around what the source and the teacher have fixed. */
export const planPiece = (
  source: Score,
  fingering: Fingering = EMPTY_FINGERING,
  setup: PlanSetup = setupFor(source),
  options: PlanOptions = {},
): Plan => {
  const slurs = slurKey(fingering);
  const earlier = options.memory;
  // A slur changes what is plucked and on which string a note can lie: everything is planned anew.
  const reuse =
    earlier?.setup === setup &&
    (earlier.source === source || earlier.score === source) &&
    earlier.slurs === slurs
      ? earlier
      : undefined;
  const score = reuse?.score ?? slurredScore(source, fingering);
  const clock = reuse?.clock ?? clockOf(score, setup.tempo);
  const leftSetup = reuse?.leftSetup ?? {
    guitar: setup.guitar,
    hand: setup.hand,
    school: setup.left,
    ...(setup.leftWeights && { weights: setup.leftWeights }),
  };
  const rightSetup = reuse?.rightSetup ?? {
    school: setup.right,
    doubleThumb: setup.doubleThumb ?? DEFAULT_RIGHT_SETUP.doubleThumb,
    keepOrder: setup.keepOrder ?? DEFAULT_RIGHT_SETUP.keepOrder,
    ...(setup.tremolo !== undefined && { tremolo: setup.tremolo }),
  };
  const now = options.now ?? (() => 0);
  const started = now();
  const rules = JSON.stringify([...fingering.rules]);
  const known = reuse?.undecided.rules === rules ? reuse.undecided : undefined;
  const open =
    known || fingering.choices.size === 0
      ? undefined
      : undecidedHands(score, fingering, leftSetup, rightSetup, clock, setup.tempo, options);
  const undecided = known ?? (open && { rules, ...open.undecided });
  const {
    base,
    left: onPage,
    fingering: likened,
    unlike,
    rounds,
  } = leftHandFor(score, fingering, leftSetup, clock, undecided, reuse ?? open?.reuse, open ? {} : options);
  const seamed = closeSeams(onPage, likened, fingering, setup.tempo, reuse?.jumps, undecided);
  const { left, fingering: alike, jumps } = seamed;
  const between = now();
  const right = planRight(score, fingering, left, rightSetup, clock, reuse?.right, undecided?.right);
  options.onTiming?.({ left: between - started, right: now() - between });

  const locks = locksOf(score, fingering);
  const notes: NotePlan[] = new Array<NotePlan>(score.notes.length);
  for (const sound of left.sounds)
    sound.noteheads.forEach((index, place) => {
      const { id } = score.notes[index]!;
      const choice = left.choices[sound.index];
      const pluck = right.choices[sound.index];
      notes[index] = {
        id,
        string: choice?.string,
        fret: choice?.fret,
        finger: choice?.finger,
        barre: choice?.barre ?? false,
        pluck: place === 0 ? pluck?.pluck : undefined,
        locked: locks.has(id),
        tied: place > 0,
        cost: place === 0 ? { ...choice?.cost, ...pluck?.cost } : {},
      };
    });
  const performance = performanceOf(score, clock, fingering.rules.values(), left, right);
  const shifts = shiftsOf(left, clock);
  const barres = barresOf(left);
  const damping = dampingOf(performance);
  let technique: Technique | undefined;
  return {
    score,
    setup,
    performance,
    left,
    right,
    fingering,
    alike,
    notes,
    shifts,
    barres,
    damping,
    jumps,
    findings: findingsOf(performance, fingering, unlike, { shifts, barres, damping, jumps }),
    get technique() {
      return (technique ??= techniqueOf(performance, { shifts, barres }));
    },
    memory: {
      setup,
      source,
      score,
      slurs,
      leftSetup,
      rightSetup,
      clock,
      free: base.memory,
      left: left.memory,
      unlike,
      likening: rounds,
      right: right.memory,
      undecided: undecided ?? { rules, left: left.choices, closed: seamed.closed, unlike, right },
      jumps: seamed.memory,
    },
  };
};
