import { readFile } from 'node:fs/promises';
import { expectAccessible } from './axe.ts';
import { settled } from './sheet.ts';
import { expect, test } from './test';
import { plucks, scheduled, watch } from './watched-sound.ts';

test('a teacher sets up a drill, hears it, takes it along and keeps it as a piece', async ({ page }) => {
  await watch(page);
  await page.goto('/');
  await page.getByRole('link', { name: 'Drills' }).click();
  const sheet = page.locator('.paper[data-complete="true"]');
  await expect(sheet.getByRole('heading')).toHaveText('C major in position V');
  await page.getByRole('combobox', { name: 'Key' }).selectOption('Eb');
  await page.getByRole('combobox', { name: 'Scale' }).selectOption('harmonic-minor');
  await page.getByRole('combobox', { name: 'Position' }).selectOption('6');
  await expect(sheet.getByRole('heading')).toHaveText('E♭ harmonic minor in position VI');
  await expect(page).toHaveURL(/tonic=Eb/);
  await expectAccessible(page);

  // Another kind and back: what was chosen is still there, also after the page is loaded again.
  await page.getByRole('combobox', { name: 'Drill' }).selectOption('right-orders');
  await expect(sheet.getByRole('heading')).toHaveText('p i m a, alone: open strings');
  const chart = page.getByRole('group', { name: 'The twenty-four orders' });
  await expect(chart.getByRole('button')).toHaveCount(24);
  await chart.getByRole('button', { name: 'i a p m' }).click();
  await expect(sheet.getByRole('heading')).toHaveText('i a p m, alone: open strings');
  await page.getByRole('combobox', { name: 'Drill' }).selectOption('scale-in-position');
  await expect(sheet.getByRole('heading')).toHaveText('E♭ harmonic minor in position VI');
  await page.reload();
  await expect(sheet.getByRole('heading')).toHaveText('E♭ harmonic minor in position VI');

  await page.keyboard.press('Space');
  await expect(page.locator('[data-playhead]')).toBeVisible();
  const [first] = plucks(await scheduled(page));
  // E♭3 on ⑤, or B♭2 … the lowest tonic that the position has.
  expect(Math.round(12 * Math.log2(first!.hertz! / 440) + 69) % 12).toBe(3);
  await page.keyboard.press('Space');

  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'MusicXML' }).click();
  const text = await readFile(await (await saved).path(), 'utf8');
  expect(text).toContain('<work-title>E♭ harmonic minor in position VI</work-title>');
  // One octave up and down is what the position has of the two asked for.
  expect(text.match(/<fingering>/g)).toHaveLength(15);

  await page.getByRole('button', { name: 'Keep in the library' }).click();
  await page.getByRole('link', { name: 'In the library: open it' }).click();
  await settled(page);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('E♭ harmonic minor in position VI');
});

test('a sequence is put in order, thinned out and filled again', async ({ page }) => {
  await page.goto('/drills?kind=finger-pairs&pairs=34%2B12&nonsense=1');
  // What the address asks for and no drill has is said, and the rest can be changed.
  await expect(page.getByTestId('drill-state')).toContainText('nothing called “nonsense” to set');
  await page.goto('/drills?kind=finger-pairs&pairs=34%2B12');
  const title = page.locator('.paper[data-complete="true"]').getByRole('heading');
  await expect(title).toHaveText('Finger pairs 3–4 1–2 in position VII');
  await page.getByRole('button', { name: '3–4 later' }).click();
  await expect(title).toHaveText('Finger pairs 1–2 3–4 in position VII');
  await page.getByRole('button', { name: 'take 2–4 in' }).click();
  await page.getByRole('button', { name: 'leave 1–2 out' }).click();
  await expect(title).toHaveText('Finger pairs 3–4 2–4 in position VII');
  // What cannot be is told with what can.
  await page.getByRole('spinbutton', { name: 'Tempo' }).fill('900');
  await page.getByRole('spinbutton', { name: 'Tempo' }).press('Enter');
  await expect(page.getByTestId('drill-state')).toContainText('It may be: 30–160');
});
