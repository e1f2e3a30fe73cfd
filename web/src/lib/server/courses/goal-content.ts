import {
  barLabel,
  CUT_FOR,
  DRILLS_FOR,
  drillName,
  drillSource,
  EMPTY_FINGERING,
  placedMarks,
  planPiece,
  practised,
  proposedMarks,
  readDrill,
  readMusicXml,
  soundOf,
  spotBars,
  spotDrillTitle,
  spotScore,
  WARM_UP_FOR,
  wordingIn,
  type DrillName,
  type Fingering,
  type Language,
  type NoteNames,
  type Plan,
  type Score,
  type Setup,
  type SetupChange,
  type SpotCut,
  type SpotDrill,
  type Wording,
} from '@oculon/core';
import type { GoalSheets, Practised, PracticeSheet, PractisedSpot } from '../../practice/course-content.ts';
import { planSetup } from '../../planner/setup.ts';
import { shownSpans } from '../../sheet/shown-marks.ts';
import { versionForHand } from '../reading/beyond-hand.ts';
import { readVersion, type KeptVersion } from '../reading/version-score.ts';

/** What a goal is cut from, and for whom. */
export interface GoalWork extends KeptVersion {
  readonly title: string;
  readonly composer: string;
  /** For another hand and instrument than the version is for. */
  readonly setup: SetupChange | undefined;
  /** The tempo to be reached, in quarters a minute, where it is not that of the version. */
  readonly tempo: number | undefined;
  readonly language: Language;
  readonly noteNames: NoteNames;
}

export interface GoalContent {
  readonly practised: Practised;
  readonly sheets: GoalSheets;
}

const sheetOf = (plan: Plan, title: string, marks: Fingering['marks'] = new Map()): PracticeSheet => {
  const { indexOf: _, ...score } = plan.score;
  const planned = soundOf(plan);
  return {
    title,
    score,
    notes: plan.notes.map((note) => ({ ...note, locked: false, cost: {} })),
    marks: shownSpans(placedMarks(proposedMarks(plan), new Map(), marks), true),
    sounds: { planned, written: planned },
  };
};

/** Plans a drill for the hand and the instrument of a version; what else was decided of its piece says nothing about it. */
const planDrill = (score: Score, { hand, spans, scaleLength }: Setup, tempo: number): Plan =>
  planPiece(
    score,
    EMPTY_FINGERING,
    planSetup(
      {
        ...(hand && { hand }),
        ...(spans && { spans }),
        ...(scaleLength !== undefined && { scaleLength }),
        tempo,
      },
      score,
    ),
  );

/** A spot in every way in which it is practised. */
const spotSheets = (plan: Plan, setup: Setup, of: Omit<PractisedSpot, 'drills'>, wording: Wording) => {
  const { spot, ladder } = of;
  const target = ladder.rungs.at(-1)!;
  const sheets: Partial<Record<SpotCut, PracticeSheet>> = {};
  const cut = (as: SpotCut, drill: SpotDrill): boolean => {
    if (sheets[as]) return true;
    const title = spotDrillTitle(wording, plan.score, spot, drill);
    const score = spotScore(plan, spot, as, title, target);
    if (score) sheets[as] = sheetOf(planDrill(score, setup, target), title);
    return score !== undefined;
  };
  const drills = DRILLS_FOR[spot.kind].filter((drill) => cut(CUT_FOR[drill], drill));
  cut('as-written', 'together');
  return { drills, sheets };
};

const warmUpSheet = (kind: DrillName, setup: Setup, wording: Wording): PracticeSheet | undefined => {
  const drill = readDrill(kind, {});
  const title = drillName(wording, kind);
  const read = drill.ok && readMusicXml(drillSource(drill.value, title));
  if (!read || !read.ok) return undefined;
  const { score } = read.value;
  return sheetOf(planDrill(score, setup, score.tempi[0]!.quartersPerMinute), title);
};

/** Plans a version and cuts from it what is practised; undefined when the source is no score any more. */
export const goalContent = (work: GoalWork): GoalContent | undefined => {
  const { source, part, edits, setup, tempo, title, composer, language, noteNames } = work;
  const kept = { source, part, edits };
  const version = setup ? versionForHand({ ...kept, setup }) : readVersion(kept);
  if (!version) return undefined;
  const { score, fingering } = version;
  const decided = { ...fingering.setup, ...(tempo !== undefined && { tempo }) };
  const plan = planPiece(score, fingering, planSetup(decided, score));
  const wording = wordingIn(language, noteNames);
  const { target, spots } = practised(plan, title);
  const cuts = spots.map((each) => ({ ...each, ...spotSheets(plan, decided, each, wording) }));
  const warmUps = [...new Set(spots.map(({ spot }) => WARM_UP_FOR[spot.kind]))].flatMap((kind) => {
    const sheet = warmUpSheet(kind, decided, wording);
    return sheet ? [[kind, sheet] as const] : [];
  });
  return {
    practised: {
      title,
      composer,
      labels: plan.score.bars.map(barLabel),
      target,
      bars: Object.fromEntries(spots.map(({ spot }) => [spot.id, spotBars(plan.score, spot)])),
      spots: cuts.map(({ spot, ladder, drills }) => ({ spot, ladder, drills })),
    },
    sheets: {
      piece: sheetOf(plan, title, fingering.marks),
      spots: Object.fromEntries(cuts.map(({ spot, sheets }) => [spot.id, sheets])),
      warmUps: Object.fromEntries(warmUps),
    },
  };
};
