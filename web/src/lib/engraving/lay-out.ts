import type { Score } from '@oculon/core';
import { breakSystems, pieceLine, type SystemPlan } from './breaks.ts';
import { loadMusicFonts } from './fonts.ts';
import { headerWidths, useMusicFonts } from './vexflow-system.ts';
import { naturalWidth } from './widths.ts';

/** The systems of a score on a page so many px wide, once the fonts that measure it are there. */
export const layOut = async (score: Score, width: number): Promise<readonly SystemPlan[]> => {
  await loadMusicFonts();
  useMusicFonts();
  const { header, firstHeader } = headerWidths(score);
  return breakSystems(
    score.bars.map((bar) => naturalWidth(score, bar)),
    width,
    header,
    firstHeader,
  );
};

/** Some bars of a score, counted from 0, on a page so many px wide. */
export const layOutBars = async (
  score: Score,
  { from, to }: { readonly from: number; readonly to: number },
  width: number,
): Promise<readonly SystemPlan[]> => {
  await loadMusicFonts();
  useMusicFonts();
  const { header, firstHeader } = headerWidths(score);
  const natural = score.bars.slice(from, to + 1).map((bar) => naturalWidth(score, bar));
  return breakSystems(natural, width, header, from === 0 ? firstHeader : header).map((system) => ({
    ...system,
    first: system.first + from,
  }));
};

/** Width of the pieces of a line without end, in px. */
const PIECE = 1000;

/** The score as one line without end. */
export const layOutLine = async (score: Score): Promise<readonly SystemPlan[]> => {
  await loadMusicFonts();
  useMusicFonts();
  return pieceLine(
    score.bars.map((bar) => naturalWidth(score, bar)),
    PIECE,
    headerWidths(score).firstHeader,
  );
};

/** The least width in px at which no bar of a score is drawn closer than it wants to be. */
export const roomNeeded = async (score: Score): Promise<number> => {
  await loadMusicFonts();
  useMusicFonts();
  const { header, firstHeader } = headerWidths(score);
  return Math.ceil(
    Math.max(
      ...score.bars.map((bar, index) => naturalWidth(score, bar) + (index === 0 ? firstHeader : header)),
    ),
  );
};
