import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { TEXTURES, tiledPiece, type Texture } from '../../core/bench/pieces.ts';

const PORT = 4291;
const ADDRESS = `http://127.0.0.1:${PORT}`;
const ROUNDS = 3;

const median = (values: readonly number[]): number =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!;

const server = spawn(process.execPath, [join('web', 'e2e', 'serve.mjs')], {
  stdio: ['ignore', 'ignore', 'inherit'],
  env: { ...process.env, PORT: String(PORT), OCULON_TEACHER: '1d7a3a52-0c55-4b7e-8a53-9c1f3f7a2b10' },
});

const waitUntilUp = async (): Promise<void> => {
  for (let attempt = 0; attempt < 600; attempt += 1) {
    const answer = await fetch(`${ADDRESS}/health`).catch(() => undefined);
    if (answer?.ok) return;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  throw new Error('the server did not answer');
};

const importPiece = async (texture: Texture): Promise<string> => {
  const response = await fetch(`${ADDRESS}/api/pieces`, {
    method: 'POST',
    headers: { origin: ADDRESS },
    body: tiledPiece(texture, { bars: 32 }),
  });
  return ((await response.json()) as { id: string }).id;
};

/** Notes the time at which every struck note first carries its finger, and the longest task since the page began. */
const watch = (page: Page) =>
  page.addInitScript(() => {
    const watched = { planned: 0, longest: 0 };
    Object.assign(window, { watched });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) watched.longest = Math.max(watched.longest, entry.duration);
    }).observe({ type: 'longtask', buffered: true });
    new MutationObserver(() => {
      // The cheap questions first: the watch must not slow what it watches.
      if (watched.planned > 0 || !document.querySelector('[data-complete="true"]')) return;
      if (!document.querySelector('[data-testid="status"]')?.textContent?.includes('Planned in')) return;
      const heads = document.querySelectorAll('[data-note]').length;
      if (document.querySelectorAll('[data-finger-of]').length === heads) watched.planned = performance.now();
    }).observe(document, { childList: true, subtree: true, attributes: true, characterData: true });
  });

const watched = (page: Page) =>
  page.evaluate(() => (window as unknown as { watched: { planned: number; longest: number } }).watched);

await waitUntilUp();
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
  console.log(
    'texture          open to planned ms   longest task ms   replan ms   longest task while replanning ms',
  );
  for (const texture of Object.keys(TEXTURES) as Texture[]) {
    const id = await importPiece(texture);
    const opens: number[] = [];
    const tasks: number[] = [];
    const replans: number[] = [];
    const replanTasks: number[] = [];
    for (let round = 0; round < ROUNDS; round += 1) {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
      const page = await context.newPage();
      await watch(page);
      await page.goto(`${ADDRESS}/pieces/${id}`);
      await page.waitForFunction(
        () => (window as unknown as { watched: { planned: number } }).watched.planned > 0,
      );
      const opened = await watched(page);
      opens.push(opened.planned);
      tasks.push(opened.longest);
      await page.evaluate(
        () => ((window as unknown as { watched: { longest: number } }).watched.longest = 0),
      );
      for (let step = 0; step <= round * 12; step += 1) await page.keyboard.press('ArrowRight');
      const current = await page
        .locator('[aria-label="Note at the caret"] [aria-pressed="true"]')
        .first()
        .textContent();
      await page.keyboard.press(current === '2' ? '3' : '2');
      await page.waitForSelector('.finger.teacher');
      await page.waitForFunction(() =>
        document.querySelector('[data-testid="status"]')?.textContent?.includes('Planned in'),
      );
      const text = (await page.getByTestId('status').textContent()) ?? '';
      replans.push(Number(/Planned in (\d+)/.exec(text)?.[1]));
      replanTasks.push((await watched(page)).longest);
      // Leave the piece as it was found.
      await page.keyboard.press('Control+z');
      await page.waitForSelector('[data-save-state="saved"]');
      await context.close();
    }
    const cells = [median(opens), median(tasks), median(replans), median(replanTasks)].map((value) =>
      value.toFixed(0).padStart(16),
    );
    console.log(texture.padEnd(16) + cells.join(' '));
  }
} finally {
  await browser.close();
  server.kill('SIGTERM');
}
