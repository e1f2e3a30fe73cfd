import {
  applyEdits,
  chooseEdit,
  choicesBeyondHand,
  setupEdit,
  type ChoiceChanges,
  type SetupChange,
} from '@oculon/core';
import { planSetup } from '../../planner/setup.ts';
import { readVersion, type KeptVersion, type ReadVersion } from './version-score.ts';

/** A version, and the hand and instrument for which another is to be made of it. */
export interface OtherHandWork extends KeptVersion {
  readonly setup: SetupChange;
}

const forHand = (work: OtherHandWork): { version: ReadVersion; beyond: ChoiceChanges } | undefined => {
  const version = readVersion(work);
  if (!version) return undefined;
  const { score, fingering } = version;
  const theirs = applyEdits(fingering, [setupEdit(fingering, work.setup)]);
  const beyond = choicesBeyondHand(score, theirs, planSetup(theirs.setup, score));
  return { version: { ...version, fingering: theirs }, beyond };
};

/** A version as another hand plays it; undefined when the source is no score any more. */
export const versionForHand = (work: OtherHandWork): ReadVersion | undefined => {
  const adapted = forHand(work);
  if (!adapted) return undefined;
  const { version, beyond } = adapted;
  return {
    ...version,
    fingering: beyond.reduce(
      (at, [id, change]) => applyEdits(at, [chooseEdit(at, id, change)]),
      version.fingering,
    ),
  };
};

/** What of a version's decisions another hand cannot do; undefined when the source is no score any more. */
export const beyondHand = (work: OtherHandWork): ChoiceChanges | undefined => forHand(work)?.beyond;
