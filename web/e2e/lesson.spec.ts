import { expect, test, type Page } from './test';
import { readFile } from 'node:fs/promises';
import { unzipSync } from 'fflate';
import { expectAccessible } from './axe.ts';
import { openLesson } from './lesson.ts';
import { saved, settled, toStep } from './sheet.ts';

const pagesShown = async (page: Page): Promise<number> =>
  Number(((await page.getByTestId('pages').textContent()) ?? '').match(/\d+/)?.[0]);
/** Pages of a PDF as its own objects count them. */
const pagesOf = (pdf: Buffer): number => pdf.toString('latin1').match(/\/Type\s*\/Page\b(?!s)/g)?.length ?? 0;

test('the lesson sheet prints as it is previewed, with what was asked for', async ({ page }) => {
  await openLesson(page, 'stairs-of-glass');
  await page.getByLabel('Remarks').fill('Slowly first.');
  await expect(page.locator('.paper')).toContainText('Slowly first.');
  await expect(page.locator('.paper')).toContainText('move to position V');
  const essential = await page.locator('.paper [data-finger-of]').count();
  await page.getByLabel(/^Marks/).selectOption('everything');
  await expect.poll(() => page.locator('.paper [data-finger-of]').count()).toBeGreaterThan(2 * essential);

  await page.getByLabel('Strings and frets under the notes').check();
  const struck = await page.locator('.paper [data-finger-of]').count();
  await expect(page.locator('.paper [data-fret-of]')).toHaveCount(struck);
  await page.getByLabel('Shape cards').check();
  await expect(page.locator('.paper figure').first()).toBeVisible();
  await page.getByLabel('Language').selectOption('es');
  await expect(page.locator('.paper')).toContainText('ir a la posición V');

  await expect
    .poll(async () => pagesOf(await page.pdf({ preferCSSPageSize: true })))
    .toBe(await pagesShown(page));
  const pages = await pagesShown(page);
  await expectAccessible(page);

  // The pages as files of their own, with their fonts in them and every digit of the page.
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'SVG of each page' }).click();
  const files = unzipSync(await readFile(await (await download).path()));
  const drawn = Object.values(files).map((bytes) => new TextDecoder().decode(bytes));
  expect(drawn).toHaveLength(pages);
  for (const each of drawn) expect(each).toContain('src:url(data:font/woff2');
  const digits = drawn.flatMap((each) => [...each.matchAll(/data-finger-of="(\d+)"/g)].map(([, id]) => id));
  expect(digits).toHaveLength(struck);
  expect(drawn.join('')).toContain('ir a la posición V');

  // On a phone the same pages are shown smaller, and written in their own size.
  await page.setViewportSize({ width: 390, height: 844 });
  const widthOf = (selector: string): Promise<number> =>
    page.locator(selector).evaluate((each) => each.getBoundingClientRect().width);
  await expect.poll(() => widthOf('.paper')).toBeLessThanOrEqual(390);
  expect(await pagesShown(page)).toBe(pages);
  const onPhone = page.waitForEvent('download');
  await page.getByRole('button', { name: 'SVG of each page' }).click();
  const small = unzipSync(await readFile(await (await onPhone).path()));
  const heightsOf = (each: string): readonly string[] =>
    [...each.matchAll(/<text[^>]* y="([\d.]+)"/g)].map(([, y]) => Number(y).toFixed(0));
  const onDesk = drawn.map(heightsOf);
  expect(onDesk.flat().length).toBeGreaterThan(20);
  expect(Object.values(small).map((bytes) => heightsOf(new TextDecoder().decode(bytes)))).toEqual(onDesk);
  await expect.poll(() => widthOf('.paper')).toBeLessThanOrEqual(390);
  await page.setViewportSize({ width: 1280, height: 800 });

  await page.getByLabel('Large print').check();
  await expect.poll(() => pagesShown(page)).toBeGreaterThan(pages);
  await expect
    .poll(async () => pagesOf(await page.pdf({ preferCSSPageSize: true })))
    .toBe(await pagesShown(page));
});

test('a student opens the link on a phone, goes offline, asks, and the teacher sees it at the bar', async ({
  page,
  browser,
}) => {
  await openLesson(page, 'paper-kites');
  await page.getByLabel('For', { exact: true }).fill('Ivo');
  await page.getByRole('button', { name: 'Make a link' }).click();
  const link = (await page.getByTestId('link').getAttribute('href'))!;
  await expect(page.getByRole('list', { name: 'Links given' })).toContainText('not opened yet');
  await expect(page.getByAltText('Opens this sheet on a phone')).toBeVisible();

  const phone = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const student = await phone.newPage();
  await student.goto(link);
  await expect(student.locator('[data-complete="true"]')).toBeVisible();
  await expect(student.getByRole('heading', { name: 'Paper Kites' })).toBeVisible();
  // The whole music font, seven times as large as the one that has what a guitar piece needs, stays where it is.
  expect(
    await student.evaluate(() => [...document.fonts].map(({ family, status }) => `${family} ${status}`)),
  ).toEqual(expect.arrayContaining(['Oculon Music loaded', 'Bravura unloaded']));
  // Nothing sticks out of the phone.
  expect(await student.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await student.getByRole('button', { name: 'Larger' }).click();
  await student.locator('[data-note="7"]').click();
  await expect(student.locator('article.chosen')).toContainText('Bar 2');

  // What is kept is kept in the background, once the page is there.
  await student.evaluate(() => navigator.serviceWorker.ready);
  await expect
    .poll(() =>
      student.evaluate(async () => (await (await caches.open('oculon-student-pages')).keys()).length),
    )
    .toBe(1);
  await student.reload();
  await expect(student.locator('[data-complete="true"]')).toBeVisible();
  // What is heard is kept as well, though nobody has listened yet.
  const isKept = async (): Promise<boolean> => {
    for (const name of await caches.keys())
      for (const { url } of await (await caches.open(name)).keys())
        if (new URL(url).pathname.endsWith('/sounds')) return true;
    return false;
  };
  await expect.poll(() => student.evaluate(isKept)).toBe(true);
  await phone.setOffline(true);
  await student.reload();
  await expect(student.locator('[data-complete="true"]')).toBeVisible();
  await expect(student.getByText('You are offline')).toBeVisible();
  await student.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(student.locator('[data-playhead]')).toBeVisible();
  await student.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(student.locator('[data-playhead]')).toHaveCount(0);
  await phone.setOffline(false);

  await expectAccessible(student);
  await student.getByRole('button', { name: 'Ask about this bar' }).nth(1).click();
  await student.getByLabel('Your question').fill('Does 3 really stay down?');
  await student.getByRole('button', { name: 'Send' }).click();
  await expect(student.getByText('Sent. Your teacher sees it')).toBeVisible();

  await page.getByRole('link', { name: 'Workbench' }).click();
  await expect(page.getByTestId('status')).toContainText('Planned in');
  await toStep(page, 'Hand over');
  await expect(page.getByTestId('questions')).toContainText('Does 3 really stay down?');
  await page.getByTestId('questions').getByRole('button', { name: 'Bar 2' }).click();
  await expect(page.getByRole('region', { name: 'Note at the caret' })).toContainText('bar 2');
  await page.getByTestId('questions').getByRole('button', { name: 'Done' }).click();
  await expect(page.getByTestId('questions')).toContainText('Questions (0)');

  await page.getByRole('button', { name: 'Hand out' }).click();
  await page.getByRole('link', { name: 'Lesson sheet', exact: true }).click();
  page.on('dialog', (dialog) => void dialog.accept());
  await page.getByRole('button', { name: 'Take back' }).click();
  await expect(page.getByRole('list', { name: 'Links given' })).toContainText('taken back');
  await student.reload();
  await expect(student.getByText('opens nothing any more')).toBeVisible();
  await phone.close();
});

test('a teacher says sentences in their own words; those whose moment goes are listed', async ({ page }) => {
  await openLesson(page, 'stairs-of-glass');
  const paper = page.locator('.paper');
  const sentence = (text: string) => paper.getByRole('button', { name: text });
  const write = async (text: string) => {
    await page.getByLabel('Sentence', { exact: true }).fill(text);
    await page.getByRole('button', { name: 'Save', exact: true }).click();
  };
  const planned = 'Position I: 2 on A, ③ fret 2.';
  // Words selected out over the edge of the dialog stay in it; a click beside it closes it.
  await sentence(planned).click();
  await page.getByLabel('Sentence', { exact: true }).hover();
  await page.mouse.down();
  await page.mouse.move(10, 400);
  await page.mouse.up();
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.mouse.click(10, 400);
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await sentence(planned).click();
  await write('Begin with the second finger, lightly.');
  await expect(paper).toContainText('Begin with the second finger, lightly.');
  await expect(paper).not.toContainText(planned);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(paper).toContainText(planned);
  await sentence(planned).click();
  await write('Begin with the second finger, lightly.');

  const spare = 'Not where you expect it: 4 on E, ② fret 5.';
  await sentence(spare).click();
  await page.getByRole('button', { name: 'Leave out' }).click();
  await expect(paper).not.toContainText(spare);
  await expect(page.getByRole('region', { name: 'Left out' })).toContainText(spare);
  await page.getByRole('button', { name: 'Add a sentence to Bar 5' }).click();
  await write('Listen to the open D.');
  await saved(page);
  await page.reload();
  await expect(paper).toContainText('Listen to the open D.');
  await expect(paper).toContainText('Begin with the second finger, lightly.');
  await page.getByRole('button', { name: 'Say it again' }).click();
  await expect(paper).toContainText(spare);
  await saved(page);

  // The note is taken otherwise: what was said of it is no longer true.
  await page.getByRole('link', { name: 'Workbench' }).click();
  await expect(page.getByTestId('status')).toContainText('Planned in');
  await page.locator('[data-note="7"]').first().click();
  await page.keyboard.press('3');
  await settled(page);
  await page.getByRole('button', { name: 'Hand out' }).click();
  await page.getByRole('link', { name: 'Lesson sheet', exact: true }).click();
  const stray = page.getByRole('region', { name: 'Your words that no longer fit' });
  await expect(stray).toContainText('Begin with the second finger, lightly.');
  await expect(stray).toContainText(planned);
  await expect(paper).not.toContainText('Begin with the second finger');
  await expect(paper).toContainText('Listen to the open D.');
  await stray.getByRole('button', { name: 'Drop' }).click();
  await expect(stray).toHaveCount(0);
});
