import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { EMPTY_FINGERING } from '../fingering/fingering.ts';
import { readMusicXml } from '../formats/musicxml/read.ts';
import { planPiece, setupFor, type Plan } from '../plan/plan.ts';
import type { Score } from '../score/score.ts';

/** One of the studies that ship with the demo as it is written, by the name of its file. */
export const studyXml = (name: string): string =>
  readFileSync(fileURLToPath(new URL(`../../../demo/studies/${name}.musicxml`, import.meta.url)), 'utf8');

/** The score of one of those studies. */
export const studyScore = (name: string): Score => {
  const read = readMusicXml(studyXml(name));
  if (!read.ok) throw new RangeError(read.error.code);
  return read.value.score;
};

/** Its plan with nothing decided, for a medium hand. */
export const studyPlan = (name: string): Plan => {
  const score = studyScore(name);
  return planPiece(score, EMPTY_FINGERING, setupFor(score));
};
