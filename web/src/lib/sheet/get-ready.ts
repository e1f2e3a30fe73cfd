import { preloadCode } from '$app/navigation';
import { breather, whenIdle } from '../engraving/drawing-queue.ts';
import { loadMusicFonts } from '../engraving/fonts.ts';
import { readyPlanner } from '../planner/client.ts';

/** Room for two bars nobody sees, in px. */
const BARS = [320, 320];
/** Systems drawn until the engraver's code is compiled: the first of a piece take three times as long as the later ones. */
const SYSTEMS = 6;

/**
 * Fetches and compiles what the next piece needs, planner, fonts and engraving, while the teacher looks for it.
 * Nothing depends on it: whatever fails here is tried again when a piece is opened.
 */
export const getReady = async (): Promise<void> => {
  try {
    const [score] = await Promise.all([
      readyPlanner(),
      loadMusicFonts(),
      preloadCode('/pieces/next/version'),
    ]);
    if (!score) return;
    const { drawSystem, useMusicFonts } = await import('../engraving/vexflow-system.ts');
    useMusicFonts();
    for (let system = 0; system < SYSTEMS; system += 1) {
      await whenIdle();
      await drawSystem(document.createElement('div'), score, system * BARS.length, BARS, breather());
    }
  } catch {
    // Offline or interrupted: opening a piece will say so.
  }
};
