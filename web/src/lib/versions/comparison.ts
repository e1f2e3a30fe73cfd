import {
  applyEdits,
  chooseEdit,
  EMPTY_FINGERING,
  wholeSetup,
  type Choice,
  type Edit,
  type Fingering,
  type NoteId,
  type Score,
} from '@oculon/core';
import type { VersionComparison, VersionMessage } from '../planner/api.ts';
import { takePlanner } from '../planner/client.ts';
import { problemWords } from '../words.ts';

export interface ComparedVersions extends VersionComparison {
  readonly score: Score;
}

/** A fingering as the planner takes it. */
export const messageOf = ({ choices, rules, marks, setup }: Fingering): VersionMessage => ({
  message: { choices: [...choices], rules: [...rules], marks: [...marks] },
  setup: wholeSetup(setup),
});

/** What a version's edits come to, as the planner takes it. */
export const versionMessage = (edits: readonly Edit[]): VersionMessage =>
  messageOf(applyEdits(EMPTY_FINGERING, edits));

/** A fingering with some notes decided otherwise, as the planner takes it. */
export const messageWith = (
  fingering: Fingering,
  choices: readonly (readonly [NoteId, Choice])[],
): VersionMessage =>
  messageOf(choices.reduce((at, [id, change]) => applyEdits(at, [chooseEdit(at, id, change)]), fingering));

/** Plans two versions of a piece in the planner's worker and tells where they differ. */
export const comparison = async (
  piece: string,
  part: string,
  one: readonly Edit[],
  other: readonly Edit[],
): Promise<ComparedVersions> => {
  const response = await fetch(`/api/pieces/${piece}/source`);
  if (!response.ok)
    throw new Error('The piece could not be fetched. Check the connection and load the page again.');
  const bytes = new Uint8Array(await response.arrayBuffer());
  const planner = takePlanner();
  try {
    const opened = await planner.openBytes(bytes, part);
    if (!opened.ok) throw new Error(problemWords(opened.error));
    const compared = await planner.api.compare(versionMessage(one), versionMessage(other));
    return { ...compared, score: opened.value.score };
  } finally {
    planner.release(false);
  }
};
