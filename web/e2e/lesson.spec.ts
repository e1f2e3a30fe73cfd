import { expect, test, type Page } from '@playwright/test';
import { importStudy, STUDIES } from './sheet.ts';

const openLesson = async (page: Page, study: string) => {
  await importStudy(page, `${STUDIES}${study}.musicxml`);
  await page.getByRole('link', { name: 'Lesson sheet' }).click();
  await expect(page.locator('.paper[data-complete="true"]')).toBeVisible();
};
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
  await phone.setOffline(true);
  await student.reload();
  await expect(student.locator('[data-complete="true"]')).toBeVisible();
  await expect(student.getByText('You are offline')).toBeVisible();
  await phone.setOffline(false);

  await student.getByRole('button', { name: 'Ask about this bar' }).nth(1).click();
  await student.getByLabel('Your question').fill('Does 3 really stay down?');
  await student.getByRole('button', { name: 'Send' }).click();
  await expect(student.getByText('Sent. Your teacher sees it')).toBeVisible();

  await page.getByRole('link', { name: 'Workbench' }).click();
  await expect(page.getByTestId('questions')).toContainText('Does 3 really stay down?');
  await page.getByTestId('questions').getByRole('button', { name: 'Bar 2' }).click();
  await expect(page.getByRole('region', { name: 'Note at the caret' })).toContainText('bar 2');
  await page.getByTestId('questions').getByRole('button', { name: 'Done' }).click();
  await expect(page.getByTestId('questions')).toContainText('Questions (0)');

  await page.getByRole('link', { name: 'Lesson sheet' }).click();
  page.on('dialog', (dialog) => void dialog.accept());
  await page.getByRole('button', { name: 'Take back' }).click();
  await expect(page.getByRole('list', { name: 'Links given' })).toContainText('taken back');
  await student.reload();
  await expect(student.getByText('opens nothing any more')).toBeVisible();
  await phone.close();
});
