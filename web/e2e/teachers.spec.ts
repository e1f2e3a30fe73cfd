import { expect, test } from './test';
import { DANCE, finger, importStudy, saved, settled, toStep } from './sheet.ts';

test('a version for a student is planned for their hand, compared, renamed, deleted and taken back', async ({
  page,
}) => {
  const name = `Tilo ${Date.now()}`;
  await page.goto('/students');
  await page.getByLabel('New student: name or initials').fill(name);
  await page.getByRole('button', { name: 'Add' }).click();
  await expect(page.getByRole('heading', { name })).toBeVisible();
  await page.locator('select[name="hand"]').selectOption('small');
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect(page.locator('select[name="hand"]')).toHaveValue('small');

  await importStudy(page, DANCE);
  await page.locator('[data-note="3"]').click();
  await page.keyboard.press('4');
  await saved(page);
  await page.locator('a[href$="/versions"]').click();
  await page.locator('select[name="student"]').selectOption({ label: name });
  await page.getByRole('button', { name: 'Make it' }).click();
  const version = page.getByRole('link', { name: `For ${name}`, exact: true });
  // What was made is opened.
  await expect(page).toHaveURL(/\/pieces\/[^/]+\/(?!versions)[^/]+$/);

  // What was decided came along, and the hand is the student's.
  await expect(page.locator('[data-complete="true"]')).toBeVisible();
  await expect(finger(page, 3)).toHaveText('4');
  // What differs for this hand is told, and each point can be kept or taken as before.
  const hand = page.getByTestId('hand');
  await expect(hand).toContainText(`For ${name}’s hand`);
  await expect(hand.getByText(/^(What differs|Every note is taken)/)).toBeVisible();
  const open = hand.getByRole('button', { name: 'As before' });
  for (let left = await open.count(); left > 0; left = await open.count()) {
    await open.first().click();
    await settled(page);
    await expect.poll(() => open.count()).toBeLessThan(left);
  }
  await expect(hand).toContainText('Every note is taken as in');
  await toStep(page, 'Read');
  await expect(page.getByLabel('Hand size')).toHaveValue('small');

  await page.locator('a[href$="/versions"]').click();
  await page.getByRole('button', { name: 'Compare' }).click();
  await expect(page.getByTestId('compared').or(page.getByText('Both take every note alike.'))).toBeVisible();

  await page.getByRole('link', { name: 'Versions', exact: true }).click();
  const entry = page.getByRole('listitem').filter({ has: version });
  await entry.getByText('Name, label, delete').click();
  await entry.getByLabel('Name').fill('Tilo, small hand');
  await entry.getByRole('button', { name: 'Rename' }).click();
  const renamed = page.getByRole('listitem').filter({ hasText: 'Tilo, small hand' }).first();
  await renamed.getByText('Name, label, delete').click();
  await renamed.getByRole('button', { name: 'Delete' }).click();
  await expect(page.getByText('“Tilo, small hand” is deleted.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: 'Tilo, small hand' })).toBeVisible();
});

test('what is typed and chosen before the page has come alive stays', async ({ page }) => {
  await page.goto('/students');
  await page.getByLabel('New student: name or initials').fill('Early bird');
  await page.getByRole('button', { name: 'Add' }).click();
  await expect(page.getByRole('heading', { name: 'Early bird' })).toBeVisible();
  const student = page.url();

  let release = (): void => undefined;
  const held = new Promise<void>((resolve) => (release = resolve));
  await page.route('**/*.js', async (route) => {
    await held;
    await route.continue();
  });
  await page.goto(student, { waitUntil: 'commit' });
  await page.locator('input[name="level"]').fill('third year');
  await page.locator('select[name="hand"]').selectOption('small');
  await page.locator('input[name="span-1-2"]').fill('61');
  await page.locator('input[value="7"]').setChecked(true);
  await page.locator('textarea[name="notes"]').fill('plays the piano too');
  release();
  await page.waitForLoadState('networkidle');
  await expect(page.locator('select[name="hand"]')).toHaveValue('small');
  await expect(page.locator('input[name="level"]')).toHaveValue('third year');
  await expect(page.locator('input[name="span-1-2"]')).toHaveValue('61');
  await expect(page.locator('input[value="7"]')).toBeChecked();
  await expect(page.locator('textarea[name="notes"]')).toHaveValue('plays the piano too');
});

test('a new teacher registers by letter, has a library of their own, signs out and in again', async ({
  page,
}) => {
  const address = `browser-${Date.now()}@example.org`;
  await page.goto('/register');
  await page.getByLabel('Mail address').fill(address);
  await page.getByRole('button', { name: 'Send me the link' }).click();
  await expect(page.getByText(address)).toBeVisible();

  await page.goto('/outbox');
  await page.getByRole('listitem').filter({ hasText: address }).getByRole('link').click();
  await page.getByLabel('Your name').fill('Nele Fern');
  await page.getByLabel('Password').fill('four plain words here');
  await page.getByRole('button', { name: 'Create the account' }).click();
  await expect(page.getByText('Nele Fern')).toBeVisible();
  await expect(page.locator('a[href^="/pieces/"]')).toHaveCount(0);

  await page.getByRole('button', { name: 'Sign out' }).click();
  await page.goto('/students');
  await expect(page).toHaveURL(/\/sign-in\?to=%2Fstudents/);
  await page.getByLabel('Mail address').fill(address);
  await page.getByLabel('Password').fill('five plain words, and wrong');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert')).toBeVisible();
  await page.getByLabel('Password').fill('four plain words here');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page).toHaveURL(/\/students$/);

  const download = page.waitForEvent('download');
  await page.goto('/account');
  await page.locator('a[href="/api/archive"], a[download]').first().click();
  expect((await download).suggestedFilename()).toMatch(/\.zip$/);
});
