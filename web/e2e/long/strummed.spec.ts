import { writeFile } from 'node:fs/promises';
import { exampleXml } from '../../../core/src/testing/notation.ts';
import { expect, test } from '../test';
import { settled } from '../sheet.ts';
import { plucks, scheduled, watch, type Watched } from '../watched-sound.ts';

/** Ten chords of six strings a second: at 150 quarters a minute, in sixteenths. */
const CHORD = 'E2+B2+E3+G#3+B3+E4/16';
const BARS = 8;
const TEMPO = 150;
const SECONDS = 10;

interface PlaybackStats {
  readonly underrunEvents: number;
  readonly totalDuration: number;
}

test('sixty strings a second are heard without a drop-out', async ({ page }, info) => {
  const file = info.outputPath('strummed.musicxml');
  const bar = Array.from({ length: 16 }, () => CHORD).join(' ');
  await writeFile(
    file,
    exampleXml({ voices: [Array.from({ length: BARS }, () => bar).join(' | ')], tempo: TEMPO }),
  );
  await watch(page);
  await page.goto('/');
  await page.locator('#import-file').setInputFiles(file);
  await expect(page.locator('[data-complete="true"]')).toBeVisible();
  await settled(page);
  await page.keyboard.press('Space');
  await expect(page.locator('[data-playhead]')).toBeVisible();
  await page.waitForTimeout(SECONDS * 1000);
  const told = plucks(await scheduled(page)).map(({ at }) => at);
  const from = Math.min(...told);
  expect(told.filter((at) => at < from + 5).length).toBeGreaterThanOrEqual(5 * 60);
  const stats = await page.evaluate(() => {
    const context = (window as unknown as { watched: Watched }).watched.contexts.at(-1)!;
    // What the browser's audio says of itself (Web Audio API, AudioPlaybackStats).
    const { underrunEvents, totalDuration } = (context as unknown as { playbackStats: PlaybackStats })
      .playbackStats;
    return { underrunEvents, totalDuration };
  });
  expect(stats.totalDuration).toBeGreaterThan(SECONDS / 2);
  expect(stats.underrunEvents).toBe(0);
});
