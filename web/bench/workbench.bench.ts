import { chromium, type Page } from '@playwright/test';
import { readdirSync, readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { tiledPiece } from '../../core/bench/pieces.ts';
import { serveForBench } from './server.ts';

const PORT = 4292;
const ADDRESS = `http://127.0.0.1:${PORT}`;
/** How long a teacher looks at a note before a key is pressed, in ms. */
const LOOK = 1500;
const KEYS = 24;
const PREVIEWS = 20;

const sorted = (values: readonly number[]): readonly number[] => values.toSorted((a, b) => a - b);
const median = (values: readonly number[]): number => sorted(values)[Math.floor(values.length / 2)]!;
const worstButOne = (values: readonly number[]): number =>
  sorted(values)[Math.ceil(values.length * 0.95) - 1]!;

interface Watched {
  readonly digits: number[];
  readonly replanned: number[];
  readonly previews: number[];
  readonly frames: number[];
}

/** Keeps the times of a page in the page itself; what is painted is seen in the frame after it was changed. */
const watch = (page: Page) =>
  page.addInitScript(() => {
    const watched: Watched = { digits: [], replanned: [], previews: [], frames: [] };
    let key: { at: number; digit: string; note: string; isSeen: boolean; hasPlanned: boolean } | undefined;
    let pointed: number | undefined;
    Object.assign(window, { watched });
    document.addEventListener(
      'keydown',
      (event) => {
        const caret = document.querySelector('[data-caret]')?.getAttribute('data-caret');
        if (/^[1-4]$/.test(event.key) && caret)
          key = { at: performance.now(), digit: event.key, note: caret, isSeen: false, hasPlanned: false };
      },
      { capture: true },
    );
    document.addEventListener(
      'pointerover',
      (event) => {
        const chip = (event.target as Element).closest('.chip:not(.taken)');
        if (chip && pointed === undefined) pointed = performance.now();
      },
      { capture: true },
    );
    const everyFrame = () => {
      const now = performance.now();
      if (pointed !== undefined && document.querySelector('[data-preview-of]')) {
        watched.previews.push(now - pointed);
        pointed = undefined;
      }
      if (key) {
        if (
          !key.isSeen &&
          document.querySelector(`[data-finger-of="${key.note}"]`)?.textContent === key.digit
        ) {
          watched.digits.push(now - key.at);
          key.isSeen = true;
        }
        const isPlanning = document.querySelector('[data-testid="status"][aria-busy="true"]') !== null;
        key.hasPlanned ||= isPlanning;
        if (key.hasPlanned && !isPlanning) {
          watched.replanned.push(now - key.at);
          key = undefined;
        }
      }
      requestAnimationFrame(everyFrame);
    };
    requestAnimationFrame(everyFrame);
  });

const watched = (page: Page): Promise<Watched> =>
  page.evaluate(() => (window as unknown as { watched: Watched }).watched);

const opened = async (page: Page, bars: number): Promise<void> => {
  const response = await fetch(`${ADDRESS}/api/pieces`, {
    method: 'POST',
    headers: { origin: ADDRESS },
    body: tiledPiece('two voices', { bars }),
  });
  const { id } = (await response.json()) as { id: string };
  await page.goto(`${ADDRESS}/pieces/${id}`);
  await page.locator('[data-complete="true"]').waitFor({ timeout: 120_000 });
  await page.getByTestId('status').filter({ hasText: 'Planned in' }).waitFor({ timeout: 120_000 });
};

const server = await serveForBench(PORT, {});
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run'],
});
const freshPage = async (): Promise<Page> => {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await watch(page);
  return page;
};
const row = (name: string, values: readonly number[]): void =>
  console.log(
    `${name.padEnd(42)} median ${median(values).toFixed(0).padStart(5)}   p95 ${worstButOne(values).toFixed(0).padStart(5)}   n ${values.length}`,
  );

try {
  console.log('The workbench, ms. 64 bars, the lane of the hand shown:');
  const page = await freshPage();
  await opened(page, 64);
  await page.waitForTimeout(3000);
  /** Goes on through the piece and gives a note another finger every time, after looking at it for so many ms. */
  const decide = async (look: number): Promise<void> => {
    const { length } = (await watched(page)).replanned;
    for (let index = 0; index < KEYS; index += 1) {
      for (let step = 0; step < 5; step += 1) await page.keyboard.press('ArrowRight');
      await page.waitForTimeout(look);
      const now = await page.locator('[aria-label^="finger "][aria-pressed="true"]').first().textContent();
      await page.keyboard.press(now === '2' ? '3' : '2');
      await page.waitForFunction(
        (count) => (window as unknown as { watched: Watched }).watched.replanned.length > count,
        length + index,
      );
      await page.waitForTimeout(150);
    }
  };
  await decide(0);
  const keys = await watched(page);
  row('key to the digit', keys.digits);
  row('key to the replanned sheet, at once', keys.replanned);
  await decide(LOOK);
  row(`the same after ${LOOK / 1000} s at the note`, (await watched(page)).replanned.slice(KEYS));

  await page.keyboard.press('PageUp');
  for (let index = 0; index < PREVIEWS; index += 1) {
    await page.mouse.move(500, 400);
    for (let tries = 0; tries < 20; tries += 1) {
      for (let step = 0; step < 3; step += 1) await page.keyboard.press('ArrowLeft');
      const chip = page.locator('.chip:not(.taken)').first();
      if (
        await chip.waitFor({ timeout: 1500 }).then(
          () => true,
          () => false,
        )
      ) {
        await chip.hover();
        break;
      }
    }
    await page.waitForFunction(
      (count) => (window as unknown as { watched: Watched }).watched.previews.length > count,
      index,
    );
  }
  row('pointing at a choice to its preview', (await watched(page)).previews);
  await page.context().close();

  console.log('\n300 bars, all lanes shown:');
  const long = await freshPage();
  await opened(long, 300);
  for (const key of ['8', '9']) await long.keyboard.press(key);
  await long.waitForTimeout(2500);
  const frames = await long.evaluate(async () => {
    const place = document.querySelector('main.music')!;
    const times: number[] = [];
    let last = performance.now();
    for (let top = 0; top < place.scrollHeight - innerHeight; top += 90) {
      place.scrollTop = top;
      await new Promise((resolve) => requestAnimationFrame(resolve));
      const now = performance.now();
      times.push(now - last);
      last = now;
    }
    return times;
  });
  row('a frame while scrolling', frames);
  console.log(`${'the longest of them'.padEnd(42)} ${Math.max(...frames).toFixed(0)}`);

  const scripts = new Set<string>();
  const light = await freshPage();
  light.on('response', (response) => {
    const { pathname } = new URL(response.url());
    if (pathname.endsWith('.js')) scripts.add(pathname);
  });
  await opened(light, 32);
  const root = 'web/build/client';
  const bytes = [...scripts].map((path) => {
    try {
      return gzipSync(readFileSync(`${root}${path}`)).length;
    } catch {
      return 0;
    }
  });
  console.log(
    `\nscripts of the page before sound: ${(bytes.reduce((sum, each) => sum + each, 0) / 1024).toFixed(0)} kB gzip in ${scripts.size} files (of ${readdirSync(root).length > 0 ? 'the build' : 'nothing'})`,
  );
} finally {
  await browser.close();
  server.end();
}
