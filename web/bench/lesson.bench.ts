import { chromium, type Browser, type BrowserContext } from '@playwright/test';
import { tiledPiece } from '../../core/bench/pieces.ts';
import { PLAIN_LESSON, type Lesson } from '../src/lib/lesson/lesson.ts';
import { serveForBench } from './server.ts';

const PORT = 4293;
const BARS = 64;
const TEXTURE = 'two voices';
const ROUNDS = 9;
/** A phone in the hand, as the tests hold it. */
const PHONE = { viewport: { width: 390, height: 844 }, isMobile: true, hasTouch: true } as const;
const LESSON: Lesson = { ...PLAIN_LESSON, density: 'working', cards: true };

const median = (values: readonly number[]): number =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!;
const row = (name: string, values: readonly number[]): void =>
  console.log(
    `${name.padEnd(34)}${median(values).toFixed(0).padStart(8)}${Math.max(...values)
      .toFixed(0)
      .padStart(8)}`,
  );

const server = await serveForBench(PORT, {});
const headers = { origin: server.address, 'content-type': 'application/json' };

/** Imports a piece; gives the address of its fingering. */
const importPiece = async (): Promise<string> => {
  const made = await fetch(`${server.address}/api/pieces`, {
    method: 'POST',
    headers: { origin: server.address },
    body: tiledPiece(TEXTURE, { bars: BARS }),
  });
  const { id } = (await made.json()) as { id: string };
  return new URL((await fetch(`${server.address}/pieces/${id}`)).url).pathname;
};

const handOut = async (path: string): Promise<string> => {
  const response = await fetch(`${server.address}/api/fingerings/${path.split('/').at(-1)}/handouts`, {
    method: 'POST',
    headers,
    body: JSON.stringify({ lesson: LESSON, recipient: 'Bench', remarks: '', days: 30 }),
  });
  return ((await response.json()) as { link: string }).link;
};

/** What passes between the pointer coming to a link and the click, in ms. */
const HOVER = 150;

/** From the desk to the preview of the lesson sheet, in a browser that has the program: to the first systems, and to all; ms. */
const lessonSheet = async (desk: BrowserContext, path: string): Promise<{ first: number; whole: number }> => {
  const page = await desk.newPage();
  await page.goto(server.address + path);
  await page.waitForSelector('[data-complete="true"]');
  await page.getByTestId('status').filter({ hasText: 'Planned in' }).waitFor();
  await page.waitForTimeout(2000);
  await page.evaluate((lesson) => {
    const link = Object.assign(document.createElement('a'), { href: lesson, textContent: 'Lesson sheet' });
    link.id = 'to-lesson';
    link.style.cssText = 'position: fixed; inset: 0 auto auto 0; z-index: 99';
    document.body.append(link);
  }, `${path}/lesson`);
  const times = page.evaluate(async (lesson) => {
    const asked = await new Promise<number>((resolve) =>
      document.getElementById('to-lesson')!.addEventListener('click', () => resolve(performance.now())),
    );
    let first = 0;
    for (;;) {
      await new Promise(requestAnimationFrame);
      if (location.pathname !== lesson || !document.querySelector('.system .layer')) continue;
      first ||= performance.now() - asked;
      if (document.querySelector('[data-complete="true"]'))
        return { first, whole: performance.now() - asked };
    }
  }, `${path}/lesson`);
  await page.hover('#to-lesson');
  await page.waitForTimeout(HOVER);
  await page.mouse.down();
  await page.mouse.up();
  const taken = await times;
  await page.close();
  return taken;
};

/** The student's page on a phone that has nothing of it: to the first system with its fingers, in ms, and what it fetched. */
const studentPage = async (
  browser: Browser,
  link: string,
): Promise<{ first: number; bytes: number; fonts: number }> => {
  const context = await browser.newContext({ ...PHONE, serviceWorkers: 'block' });
  const page = await context.newPage();
  const network = await context.newCDPSession(page);
  await network.send('Network.enable');
  const addresses = new Map<string, string>();
  let [bytes, fonts] = [0, 0];
  network.on('Network.responseReceived', ({ requestId, response }) => addresses.set(requestId, response.url));
  network.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    bytes += encodedDataLength;
    if (addresses.get(requestId)?.endsWith('.woff2')) fonts += encodedDataLength;
  });
  await page.goto(link);
  const first = await page.evaluate(async () => {
    while (!document.querySelector('.system .layer [data-finger-of]'))
      await new Promise(requestAnimationFrame);
    return performance.now();
  });
  await page.waitForSelector('[data-complete="true"]');
  await page.waitForTimeout(500);
  await context.close();
  return { first, bytes, fonts };
};

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-component-update'],
});
try {
  const path = await importPiece();
  const sheets = [];
  const desk = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  for (let round = 0; round <= ROUNDS; round += 1) sheets.push(await lessonSheet(desk, path));
  // The first round fetches the program.
  sheets.shift();
  console.log(`${`${TEXTURE}, ${BARS} bars; ms`.padEnd(34)}  median   worst`);
  row(
    'lesson sheet, first systems',
    sheets.map(({ first }) => first),
  );
  row(
    'lesson sheet, all systems',
    sheets.map(({ whole }) => whole),
  );
  const link = await handOut(path);
  const pages = [];
  for (let round = 0; round < ROUNDS; round += 1) pages.push(await studentPage(browser, link));
  row(
    'student’s page, first system, cold',
    pages.map(({ first }) => first),
  );
  const kilobytes = (values: readonly number[]) => Math.round(median(values) / 1024);
  console.log(
    `student’s page weighs ${kilobytes(pages.map(({ bytes, fonts }) => bytes - fonts))} kB and ${kilobytes(pages.map(({ fonts }) => fonts))} kB of fonts`,
  );
} finally {
  await browser.close();
  server.end();
}
