import { expect, test } from './test';
import { choosingWhatIsShown, DANCE, fingers, importStudy, saved, toStep } from './sheet.ts';

test('findings are stepped through, put aside with a reason that is kept, and shown again', async ({
  page,
}) => {
  await importStudy(page, DANCE);
  await toStep(page, 'Details');
  const findings = page.getByRole('region', { name: 'To look at' });
  const items = findings.getByRole('listitem');
  const count = await items.count();
  expect(count).toBeGreaterThan(0);
  await findings.getByRole('button', { name: 'Next finding' }).click();
  const place = await page.getByRole('region', { name: 'Note at the caret' }).textContent();
  const first = (await items.first().textContent())!.trim();
  expect(place).toContain(/bar \d+/.exec(first.toLowerCase())![0]);

  await items
    .first()
    .getByRole('button', { name: /^Put aside/ })
    .click();
  await items.first().getByLabel('Reason').fill('this hall is dry');
  await items.first().getByRole('button', { name: 'Put aside', exact: true }).click();
  await expect(items).toHaveCount(count - 1);
  await saved(page);

  await page.reload();
  await expect(page.getByText('Put aside (1)')).toBeVisible();
  await page.getByText('Put aside (1)').click();
  await expect(page.getByRole('list', { name: 'Put aside' })).toContainText('this hall is dry');
  await page.getByRole('button', { name: 'Show again' }).click();
  await expect(items).toHaveCount(count);
});

test('fewer marks, the difficulty of the bars and what is to be damped stand on the sheet', async ({
  page,
}) => {
  await importStudy(page, DANCE);
  const all = await fingers(page);
  await choosingWhatIsShown(page, async () => {
    await page.getByRole('radio', { name: 'Essential' }).check();
    await expect.poll(async () => (await fingers(page)).length).toBeLessThan(all.length / 4);
    const essential = await fingers(page);
    await page.getByRole('radio', { name: 'Working' }).check();
    await expect.poll(async () => (await fingers(page)).length).toBeGreaterThan(essential.length);
    await page.getByRole('radio', { name: 'Everything' }).check();
    await expect.poll(() => fingers(page)).toEqual(all);
  });

  const strip = page.getByRole('slider', { name: 'Difficulty of the bars' });
  await expect(strip.locator('[data-bar]')).toHaveCount(24);
  await strip.locator('[data-bar="4"]').click();
  await expect(page.getByRole('region', { name: 'Note at the caret' })).toContainText('bar 5');

  await choosingWhatIsShown(page, () => page.getByLabel('Planting, strokes and damping').check());
  await expect(page.locator('.sign', { hasText: '×⑥' }).first()).toBeVisible();
});
