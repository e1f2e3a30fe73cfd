import { expect, test } from '../test';
import { openLesson } from '../lesson.ts';
import { settled } from '../sheet.ts';

test('a newer version is given in place of an older one, to several students at once', async ({
  page,
  browser,
}) => {
  const names = ['Ada', 'Bo'].map((name) => `${name} ${Date.now()}`);
  for (const name of names) {
    await page.goto('/students');
    await page.getByLabel('New student: name or initials').fill(name);
    await page.getByRole('button', { name: 'Add' }).click();
    await expect(page.getByRole('heading', { name })).toBeVisible();
  }
  await openLesson(page, 'paper-kites');
  await page.getByText('To several students at once').click();
  for (const name of names) await page.getByLabel(name).check();
  await page.getByRole('button', { name: 'Make 2 links' }).click();
  await expect(page.getByTestId('link')).toHaveCount(2);
  const link = (await page.getByTestId('link').first().getAttribute('href'))!;
  const student = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await student.goto(link);
  await expect(student.getByText(`For ${names[0]}.`)).toBeVisible();
  await expect(student.getByRole('heading', { name: 'What is new' })).toHaveCount(0);

  await page.getByRole('link', { name: 'Workbench' }).click();
  await expect(page.getByTestId('status')).toContainText('Planned in');
  const before = await page.locator('[data-finger-of="1"]').textContent();
  await page.locator('[data-note="1"]').first().click();
  await page.keyboard.press(before === '4' ? '3' : '4');
  await settled(page);
  await page.getByRole('button', { name: 'Hand out' }).click();
  await page.getByRole('link', { name: 'Lesson sheet', exact: true }).click();
  await expect(page.locator('.paper[data-complete="true"]')).toBeVisible();
  page.on('dialog', (dialog) => void dialog.accept());
  const entry = page
    .getByRole('list', { name: 'Links given' })
    .getByRole('listitem')
    .filter({ hasText: names[0]! });
  await entry.getByRole('button', { name: 'Give as it stands now' }).click();
  await expect(entry).toContainText('Instead of what was given on');
  await student.reload();
  await expect(student.getByRole('heading', { name: 'What is new' })).toBeVisible();
  await expect(student.locator('.news')).toContainText('; before, ');
  await student.context().close();
});
