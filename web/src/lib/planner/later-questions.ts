import {
  CUT_FOR,
  DRILLS_FOR,
  practised,
  shapeCards,
  soundOf,
  spotDrillTitle,
  spotScore,
  spotSource,
  walkHeading,
  walkThrough,
  writeMidi,
  wordingIn,
  type Depth,
  type Language,
  type NoteNames,
  type Plan,
  type ShapeCard,
  type Spot,
  type SpotDrill,
} from '@oculon/core';
import type { PlanSounds } from '../sound/listening.svelte.ts';
import type { SpotDrillView, SpotView, WalkView } from './api.ts';

/** What is heard of a plan: as the strings ring, and with every note as long as it is written. */
export const soundsIn = (plan: Plan): PlanSounds => ({
  planned: soundOf(plan),
  written: soundOf(plan, { asWritten: true }),
});

/**
 * What is asked about a plan when it is told, heard, practised or handed out. Nobody asks it while a piece opens: the code is
 * fetched with the first of these questions.
 */
export const LATER_QUESTIONS = {
  /** The piece as a student is walked through it, each line with its heading; hard bars come in slow motion as well. */
  walk: (plan: Plan, depth: Depth, language: Language, noteNames: NoteNames): readonly WalkView[] => {
    const wording = wordingIn(language, noteNames);
    return walkThrough(wording, plan, depth, { withSlow: true }).map((line) => ({
      ...line,
      heading: walkHeading(wording, plan, line),
    }));
  },
  /** What is heard of the plan. */
  sounds: soundsIn,
  midi: (plan: Plan, asWritten: boolean, once: boolean): Uint8Array => writeMidi(plan, { asWritten, once }),
  /** The shapes of the left hand in playing order. */
  shapes: (plan: Plan): readonly ShapeCard[] => shapeCards(plan),
  /** What of the piece is to be practised, with the drills that there are notes for. */
  spots: (plan: Plan): readonly SpotView[] =>
    practised(plan, '').spots.map(({ spot, ladder }) => ({
      spot,
      ladder,
      drills: DRILLS_FOR[spot.kind].filter(
        (drill) => spotScore(plan, spot, CUT_FOR[drill], '', ladder.rungs[0]!) !== undefined,
      ),
    })),
  /** A drill cut from the piece, as a document. */
  spotDrill: (
    plan: Plan,
    spot: Spot,
    drill: SpotDrill,
    tempo: number,
    language: Language,
    noteNames: NoteNames,
  ): SpotDrillView | undefined => {
    const title = spotDrillTitle(wordingIn(language, noteNames), plan.score, spot, drill);
    const source = spotSource(plan, spot, CUT_FOR[drill], title, tempo);
    return source === undefined ? undefined : { title, source };
  },
};
