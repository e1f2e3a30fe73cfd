import { writeNewMusicXml } from '../formats/musicxml/write-new.ts';
import { readSmallNotation, type SmallNotation } from '../formats/small-notation.ts';
import type { Meter } from '../music/meter.ts';
import { buildScore } from '../score/draft/build-score.ts';

/** Music for a test, in the small notation. */
export type Example = SmallNotation;

/** The example as a MusicXML document. */
export const exampleXml = (example: Example): string =>
  writeNewMusicXml(buildScore(readSmallNotation(example)));

export const exampleMeter = (text: string): Meter => {
  const [beats, beatType] = text.split('/').map(Number);
  return { beats: beats!, beatType: beatType! };
};
