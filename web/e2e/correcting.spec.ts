import { readFile } from 'node:fs/promises';
import { expectAccessible } from './axe.ts';
import { expect, test, type Page } from './test';
import { DANCE, finger, importStudy, settled, toStep } from './sheet.ts';

const correcting = (page: Page) => page.getByLabel('Is the note wrong in the file?');

test('a note that the file has wrong is put right in the file, and can be put back', async ({ page }) => {
  await importStudy(page, DANCE);
  await settled(page);
  // What is decided elsewhere stays.
  for (let step = 0; step < 4; step += 1) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('4');
  await settled(page);
  const decided = page.locator('.finger.teacher');
  await expect(decided).toHaveText('4');
  for (let step = 0; step < 3; step += 1) await page.keyboard.press('ArrowLeft');
  await toStep(page, 'Read');
  const panel = correcting(page);
  const shown = panel.locator('form span').first();
  const before = (await shown.textContent())!;
  await expect(panel.getByRole('button', { name: 'Correct' })).toBeDisabled();
  await panel.getByLabel('Accidental it should have').selectOption({ label: '♯' });
  await panel.getByRole('button', { name: 'Correct' }).click();
  await expect(panel.getByRole('status')).toContainText('became');
  await settled(page);
  await expect(shown).not.toHaveText(before);
  await expect(decided).toHaveText('4');
  await expect(finger(page, 0)).toBeVisible();

  // The file that is exported says so too.
  await page.getByRole('button', { name: 'Hand out' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'MusicXML with the fingering' }).click();
  expect(await readFile(await (await download).path(), 'utf8')).toContain('<alter>1</alter>');

  await toStep(page, 'Read');
  await panel.getByRole('button', { name: 'Take it back' }).click();
  await expect(panel.getByRole('status')).toBeHidden();
  await settled(page);
  await expect(shown).toHaveText(before);
  await expect(decided).toHaveText('4');
});

test('of two windows the one that comes later is told, and undoes nothing', async ({ page, context }) => {
  await importStudy(page, DANCE);
  await settled(page);
  const later = await context.newPage();
  await later.goto(page.url());
  await settled(later);
  for (const [window, sign] of [
    [page, '♯'],
    [later, '♭'],
  ] as const) {
    await window.keyboard.press('ArrowRight');
    await toStep(window, 'Read');
    await correcting(window).getByLabel('Accidental it should have').selectOption({ label: sign });
    await correcting(window).getByRole('button', { name: 'Correct' }).click();
    if (window === page) await expect(correcting(page).getByRole('status')).toContainText('became');
  }
  await expect(correcting(later).getByRole('alert')).toContainText('corrected in another window');
  const shown = correcting(later).locator('form span').first();
  await later.reload();
  await settled(later);
  await toStep(later, 'Read');
  await expect(shown).toContainText('♯');
});

test('a link that was given before says that the piece was corrected since, and can be read', async ({
  page,
}) => {
  await importStudy(page, DANCE);
  await settled(page);
  const workbench = page.url();
  const toLesson = async () => {
    await page.goto(`${workbench}/lesson`);
    await expect(page.locator('.paper[data-complete="true"]')).toBeVisible();
  };
  await toLesson();
  await page.getByRole('button', { name: 'Make a link' }).click();
  await expect(page.getByTestId('link')).toBeVisible();
  await page.goto(workbench);
  await settled(page);
  await toStep(page, 'Read');
  await correcting(page).getByLabel('Accidental it should have').selectOption({ label: '♯' });
  await correcting(page).getByRole('button', { name: 'Correct' }).click();
  await expect(correcting(page).getByRole('status')).toContainText('became');
  await toLesson();
  await expect(page.getByRole('list', { name: 'Links given' })).toContainText('corrected since');
  await expectAccessible(page);
});
