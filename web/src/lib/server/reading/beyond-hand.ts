import { applyEdits, choicesBeyondHand, setupEdit, type ChoiceChanges, type SetupChange } from '@oculon/core';
import { planSetup } from '../../planner/setup.ts';
import { readVersion, type KeptVersion } from './version-score.ts';

/** A version, and the hand and instrument for which another is to be made of it. */
export interface OtherHandWork extends KeptVersion {
  readonly setup: SetupChange;
}

/** What of a version's decisions another hand cannot do; undefined when the source is no score any more. */
export const beyondHand = (work: OtherHandWork): ChoiceChanges | undefined => {
  const version = readVersion(work);
  if (!version) return undefined;
  const { score, fingering } = version;
  const theirs = applyEdits(fingering, [setupEdit(fingering, work.setup)]);
  return choicesBeyondHand(score, theirs, planSetup(theirs.setup, score));
};
