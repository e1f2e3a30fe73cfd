import { expectAccessible } from './axe.ts';
import { expect, test } from './test';
import { settled, toStep } from './sheet.ts';

test('a piece is typed, seen as music, corrected where it says so, and made into a piece', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Type one in' }).click();
  const field = page.getByLabel('The piece in ABC');
  await expect(field).toHaveValue(/T:Untitled/);
  await expect(page.locator('[data-note]')).toHaveCount(15);
  await field.fill('X:1\nT:Weir Air\nM:3/4\nL:1/4\nK:Am\nV:1\nA B c | e2 | c3 |]\nV:2\nA,3 | E,3 | A,3 |]\n');
  const problems = page.getByRole('list', { name: 'What cannot be read' });
  await expect(problems).toContainText('Bar 2 holds 6 eighths, here are only 4 eighths');
  await expect(problems).toContainText('Line 7');
  await expect(page.getByRole('button', { name: 'Make it a piece' })).toBeDisabled();
  await expectAccessible(page);
  // Nothing typed is nothing to make, whatever stood there before.
  const wrong = await field.inputValue();
  await field.fill('');
  await expect(page.getByRole('button', { name: 'Make it a piece' })).toBeDisabled();
  await field.fill(wrong);
  await expect(problems).toBeVisible();
  // What was typed is there again.
  await page.reload();
  await expect(field).toHaveValue(/Weir Air/);
  await problems.getByRole('button').first().click();
  await expect(field).toBeFocused();
  await field.fill((await field.inputValue()).replace('e2 |', '^g e2 |').replace('!', ''));
  await field.fill((await field.inputValue()).replace('^g e2 |', 'e2 ^G |'));
  await expect(page.getByText('3 bars, 9 notes. Ready.')).toBeVisible();
  await page.keyboard.press('Control+Enter');
  await expect(page).toHaveURL(/\/pieces\//);
  await expect(page.getByRole('heading', { name: 'Weir Air' })).toBeVisible();
  await settled(page);
  await expect(page.locator('[data-finger-of]')).toHaveCount(9);

  // Corrected later: what was decided stays at the notes that stayed.
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('4');
  await settled(page);
  const decided = page.locator('.finger.teacher');
  await expect(decided).toHaveText('4');
  await toStep(page, 'Read');
  await page.getByRole('link', { name: 'Correct what was typed' }).click();
  await expect(field).toHaveValue(/e2 \^G/);
  await field.fill((await field.inputValue()).replace('c3 |]', 'c2 d |]'));
  await expect(page.getByText('3 bars, 10 notes. Ready.')).toBeVisible();
  // Opened again, what was typed is there, what the piece says can be looked at, and nothing typed is lost by it.
  await page.reload();
  await expect(field).toHaveValue(/c2 d \|\]/);
  await page.getByRole('button', { name: 'Show what the piece says' }).click();
  await expect(field).toHaveValue(/c3 \|\]/);
  await page.getByRole('button', { name: 'Back to what you typed' }).click();
  await expect(field).toHaveValue(/c2 d \|\]/);
  await expect(page.getByText('3 bars, 10 notes. Ready.')).toBeVisible();
  await page.getByRole('button', { name: 'Correct the piece' }).click();
  await expect(page).toHaveURL(/\/pieces\/[^/]+(\/[^/]+)?$/);
  await expect(page.locator('[data-finger-of]')).toHaveCount(10);
  await expect(decided).toHaveText('4');
});
