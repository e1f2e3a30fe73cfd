import {
  difficultyOf,
  markedPage,
  placedMarks,
  planPiece,
  proposedMarks,
  shapeCards,
  signsOnPage,
  soundOf,
  walkHeading,
  walkThrough,
  type SetupChange,
  withOwnWords,
  wordingIn,
  markId,
} from '@oculon/core';
import type { HandoutContent } from '../../handouts/handout.ts';
import { lettersOfHardBars } from '../../lesson/hard-bars.ts';
import type { Lesson } from '../../lesson/lesson.ts';
import { planSetup } from '../../planner/setup.ts';
import type { WalkView } from '../../planner/api.ts';
import { versionForHand } from '../reading/beyond-hand.ts';
import { readVersion, type KeptVersion } from '../reading/version-score.ts';
import { shownSpans } from '../../sheet/shown-marks.ts';

/** What a page is made of. */
export interface HandoutWork extends KeptVersion {
  readonly title: string;
  readonly composer: string;
  readonly lesson: Lesson;
  /** For another hand and instrument than the version is for. */
  readonly setup: SetupChange | undefined;
}

/** Plans a version and sets out what a student's page shows of it; undefined when the source is no score any more. */
export const handoutContent = ({
  source,
  part,
  edits,
  title,
  composer,
  lesson,
  setup,
}: HandoutWork): HandoutContent | undefined => {
  const kept = { source, part, edits };
  const version = setup ? versionForHand({ ...kept, setup }) : readVersion(kept);
  if (!version) return undefined;
  const { score, fingering } = version;
  const plan = planPiece(score, fingering, planSetup(fingering.setup, score));
  const { density, depth, language, noteNames } = lesson;
  const marked = markedPage(plan, density);
  const positions = signsOnPage(plan, marked).filter(
    (mark) => mark.kind === 'position' && fingering.marks.get(markId(mark))?.kind !== 'removed',
  );
  const fromFile = new Map([...version.marks].map(([id, { mark }]) => [id, mark] as const));
  const placed = placedMarks(proposedMarks(plan), fromFile, fingering.marks);
  const wording = wordingIn(language, noteNames);
  const { indexOf: _, ...bare } = plan.score;
  return {
    title,
    composer,
    score: bare,
    notes: plan.notes.map((note) => ({ ...note, locked: false, cost: {} })),
    written:
      density === 'everything'
        ? undefined
        : [...marked.page.at].map(([sound, marks]) => [plan.left.sounds[sound]!.head, marks] as const),
    marks: shownSpans(placed, density === 'everything', positions),
    letters: lesson.hardSpots
      ? [...lettersOfHardBars(difficultyOf(plan.performance, score.tempi[0]!.quartersPerMinute))]
      : [],
    walk:
      depth === null
        ? []
        : told(
            withOwnWords(
              score,
              walkThrough(wording, plan, depth, { withSlow: true }).map((line) => ({
                ...line,
                heading: walkHeading(wording, plan, line),
              })),
              fingering.words,
              language,
              (bar, sentences) => ({
                from: bar,
                to: bar,
                depth,
                sentences,
                heading: walkHeading(wording, plan, { from: bar, to: bar }),
              }),
            ),
          ),
    cards: lesson.cards ? shapeCards(plan) : [],
    sounds: { planned: soundOf(plan), written: soundOf(plan, { asWritten: true }) },
  };
};

/** What is left of a walk-through when the sentences that the teacher leaves out are gone. */
const told = (lines: readonly WalkView[]): readonly WalkView[] =>
  lines
    .map((line) => ({
      ...line,
      sentences: line.sentences
        .filter(({ text }) => text !== '')
        .map(({ planned: _, ...sentence }) => sentence),
    }))
    .filter(({ sentences }) => sentences.length > 0);
