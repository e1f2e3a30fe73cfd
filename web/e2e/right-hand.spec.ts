import { expect, test, type Page } from './test';
import { choosingWhatIsShown, importStudy, settled, STUDIES, toStep } from './sheet.ts';

const ARPEGGIO = `${STUDIES}stairs-of-glass.musicxml`;
const TREMOLO = `${STUDIES}moth-hour.musicxml`;

const plucks = (page: Page) => page.locator('[data-pluck-of]').allTextContents();
/** Letters of the first system from left to right. */
const firstLetters = (page: Page) =>
  page
    .locator('.system')
    .first()
    .locator('[data-pluck-of]')
    .evaluateAll((marks) =>
      marks
        .map((mark) => ({ x: Number(mark.getAttribute('x')), text: mark.textContent }))
        .sort((a, b) => a.x - b.x)
        .map(({ text }) => text)
        .join(''),
    );
const openPanel = async (page: Page) => {
  await toStep(page, 'Right hand');
  return page.getByTestId('right-hand');
};

test('a typed pattern is compared, used for its bars, kept over a reload, and taken back', async ({
  page,
}) => {
  await importStudy(page, ARPEGGIO);
  const proposed = await plucks(page);
  const panel = await openPanel(page);
  await panel.getByLabel('Pattern').fill('pax');
  await expect(panel).toContainText('Only the letters p, i, m and a');
  await panel.getByLabel('Pattern').fill('p a m i m a');
  await panel.getByRole('button', { name: 'Compare patterns' }).click();
  const ways = panel.getByTestId('right-ways').getByRole('listitem');
  await expect(ways.first()).toContainText('as planned');
  await expect(ways.nth(1)).toContainText('p-a-m-i-m-a');
  await expect(ways.nth(1)).toContainText('crossings');
  await expect(ways.nth(1)).toContainText(/costs most at bar 1, .+ \+\d/);
  await expect(panel.getByRole('img', { name: 'Strokes by finger for each way' })).toBeVisible();

  await ways.nth(1).getByRole('button', { name: 'Use for these bars' }).click();
  await settled(page);
  expect(await firstLetters(page)).toMatch(/^pamima/);
  await expect(panel.getByRole('list', { name: 'Rules' })).toContainText('Bar 1: p a m i m a');

  await page.reload();
  await expect(page.locator('[data-pluck-of]')).toHaveCount(proposed.length);
  expect(await firstLetters(page)).toMatch(/^pamima/);
  await openPanel(page);
  await panel.getByRole('button', { name: /^Take away/ }).click();
  await settled(page);
  expect(await plucks(page)).toEqual(proposed);
});

test('planting stands on the sheet when asked for, and the order of tremolo is chosen for the piece', async ({
  page,
}) => {
  await importStudy(page, ARPEGGIO);
  const panel = await openPanel(page);
  await panel.getByLabel('Planting for these bars').selectOption('full');
  await panel.getByRole('button', { name: 'Plant so' }).click();
  await settled(page);
  await expect(page.locator('.sign')).toHaveCount(0);
  await choosingWhatIsShown(page, () => page.getByLabel('Planting, strokes and damping').check());
  await expect(page.locator('.sign').first()).toContainText('ima');

  await importStudy(page, TREMOLO);
  expect(await firstLetters(page)).toContain('pamipami');
  await toStep(page, 'Read');
  await page.getByLabel('Tremolo').fill('p-i-m-a');
  await page.getByLabel('Tremolo').press('Enter');
  await settled(page);
  expect(await firstLetters(page)).toContain('pimapima');
});

test('the caret shows what each finger would cost to pluck, and a click takes one', async ({ page }) => {
  await importStudy(page, ARPEGGIO);
  await page.keyboard.press('ArrowRight');
  const choices = page.getByTestId('plucks').getByRole('button');
  await expect(choices.filter({ hasText: 'best' })).toHaveCount(1);
  const dearer = choices.filter({ hasText: /\+\d/ }).first();
  const second = (await dearer.textContent())!.trim()[0]!;
  await dearer.click();
  await settled(page);
  await expect(page.locator('.pluck.teacher')).toHaveText(second);
});
