import { chromium, type Page } from '@playwright/test';
import { TEXTURES, tiledPiece, type Texture } from '../../core/bench/pieces.ts';
import { serveForBench } from './server.ts';

const PORT = 4291;
const ADDRESS = `http://127.0.0.1:${PORT}`;
const ROUNDS = 7;

const median = (values: readonly number[]): number =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!;

const server = await serveForBench(PORT, {});

const importPiece = async (texture: Texture): Promise<string> => {
  const response = await fetch(`${ADDRESS}/api/pieces`, {
    method: 'POST',
    headers: { origin: ADDRESS },
    body: tiledPiece(texture, { bars: 32 }),
  });
  return ((await response.json()) as { id: string }).id;
};

interface Watched {
  /** When the piece was asked for, and when every struck note on the screen carried its finger; ms. */
  asked: number;
  shown: number;
  /** When every system, also those far below, was engraved with its fingers. */
  whole: number;
  /** When a key was pressed, and when the plan that follows it stood on the sheet. */
  pressed: number;
  replanned: number;
  wasPlanning: boolean;
  /** Longest task since planning began, or since the key. */
  longest: number;
  planningSince: number;
}

/** Keeps the times of a page in the page itself. */
const watch = (page: Page) =>
  page.addInitScript(() => {
    const watched: Watched = {
      asked: 0,
      shown: 0,
      whole: 0,
      pressed: 0,
      replanned: 0,
      wasPlanning: false,
      longest: 0,
      planningSince: Infinity,
    };
    Object.assign(window, { watched });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries())
        if (entry.startTime >= watched.planningSince)
          watched.longest = Math.max(watched.longest, entry.duration);
    }).observe({ type: 'longtask', buffered: true });
    document.addEventListener(
      'keydown',
      ({ key }) => {
        if (!/^[1-4]$/.test(key)) return;
        Object.assign(watched, { pressed: performance.now(), replanned: 0, wasPlanning: false, longest: 0 });
      },
      { capture: true },
    );
    new MutationObserver(() => {
      watched.wasPlanning ||= document.querySelector('[aria-busy="true"]') !== null;
    }).observe(document, { subtree: true, attributes: true, attributeFilter: ['aria-busy'] });
    const look = () => {
      const status = document.querySelector('[data-testid="status"]')?.textContent;
      if (!status) return;
      const isPlanning = document.querySelector('[data-testid="status"][aria-busy="true"]') !== null;
      if (isPlanning && watched.planningSince === Infinity) watched.planningSince = performance.now();
      if (isPlanning || !status.includes('Planned in')) return;
      if (watched.wasPlanning && watched.pressed > 0) watched.replanned ||= performance.now();
      if (watched.whole > 0) return;
      const onScreen = [...document.querySelectorAll('.system')].filter(
        (system) => system.getBoundingClientRect().top < innerHeight,
      );
      const isFull = (within: Element) =>
        within.querySelectorAll('[data-finger-of]').length ===
          within.querySelectorAll('[data-note]').length && within.querySelector('[data-note]') !== null;
      if (watched.shown === 0 && onScreen.length > 0 && onScreen.every(isFull))
        watched.shown = performance.now();
      if (document.querySelector('[data-complete="true"]')) watched.whole = performance.now();
    };
    // Once a frame, whatever happened in it: a look asks for the layout, which must not be asked for in between.
    const everyFrame = () => {
      look();
      requestAnimationFrame(everyFrame);
    };
    requestAnimationFrame(everyFrame);
  });

const watched = (page: Page): Promise<Watched> =>
  page.evaluate(() => (window as unknown as { watched: Watched }).watched);
const until = (page: Page, what: 'shown' | 'whole' | 'replanned') =>
  page.waitForFunction((name) => (window as unknown as { watched: Watched }).watched[name] > 0, what);

/** What the planner says it took, in ms. */
const plannerTime = async (page: Page): Promise<number> =>
  Number(/(\d+) ms/.exec((await page.getByTestId('status').textContent()) ?? '')?.[1]);

/** Time in the library before a piece is chosen, in ms: a quick teacher. */
const IN_THE_LIBRARY = 2500;

const openFromLibrary = async (page: Page, title: string): Promise<void> => {
  await page.goto(ADDRESS);
  await page.waitForTimeout(IN_THE_LIBRARY);
  await page.evaluate((wanted) => {
    (window as unknown as { watched: Watched }).watched.asked = performance.now();
    [...document.querySelectorAll('a')].find((link) => link.textContent === wanted)!.click();
  }, title);
};

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
});
try {
  const heads = ['library', 'address', 'whole', 'task', 'replan', 'worst', 'planner', 'task'];
  console.log(
    'ms; library, address: click or page load to every finger on the screen; whole: library to the last system\n' +
      'task: longest task from the start of planning on, and after the key; replan, worst: key to the new plan shown; planner: its own share\n' +
      'texture'.padEnd(14) +
      heads.map((head) => head.padStart(10)).join(''),
  );
  for (const texture of Object.keys(TEXTURES) as Texture[]) {
    const id = await importPiece(texture);
    const figures: number[][] = heads.map(() => []);
    for (let round = 0; round < ROUNDS; round += 1) {
      const fresh = async (): Promise<Page> => {
        const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
        const page = await context.newPage();
        await watch(page);
        return page;
      };
      const direct = await fresh();
      await direct.goto(`${ADDRESS}/pieces/${id}`);
      await until(direct, 'shown');
      figures[1]!.push((await watched(direct)).shown);
      await direct.context().close();

      const page = await fresh();
      await openFromLibrary(page, `Bench, ${texture}`);
      await until(page, 'whole');
      const opened = await watched(page);
      figures[0]!.push(opened.shown - opened.asked);
      figures[2]!.push(opened.whole - opened.asked);
      figures[3]!.push(opened.longest);
      for (let step = 0; step <= round * 12; step += 1) await page.keyboard.press('ArrowRight');
      const current = await page
        .locator('[aria-label^="finger "][aria-pressed="true"]')
        .first()
        .textContent();
      await page.keyboard.press(current === '2' ? '3' : '2');
      await until(page, 'replanned');
      const { pressed, replanned, longest } = await watched(page);
      figures[4]!.push(replanned - pressed);
      figures[6]!.push(await plannerTime(page));
      figures[7]!.push(longest);
      // Leave the piece as it was found.
      await page.keyboard.press('Control+z');
      await page.waitForSelector('[data-save-state="saved"]');
      await page.context().close();
    }
    figures[5] = [Math.max(...figures[4]!)];
    console.log(
      texture.padEnd(14) + figures.map((values) => median(values).toFixed(0).padStart(10)).join(''),
    );
  }
} finally {
  await browser.close();
  server.end();
}
