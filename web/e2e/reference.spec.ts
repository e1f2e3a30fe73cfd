import { expectAccessible } from './axe.ts';
import { expect, test } from './test';

test('measures, stretches, pitches, harmonics, tempi and tensions are looked up', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Reference' }).click();
  await expect(page.getByTestId('instrument')).toHaveText('650 mm, 19 frets, E2 A2 D3 G3 B3 E4');
  await expectAccessible(page);

  // The twelfth fret lies at half the string.
  await expect(page.getByRole('region', { name: 'Measures of the frets' })).toContainText('325.0');
  await page.getByRole('spinbutton', { name: 'from fret' }).fill('7');
  await page.getByRole('spinbutton', { name: 'to fret' }).fill('11');
  await expect(page.getByTestId('stretch')).toContainText('mm between the fingertips; over 4 frets');
  // What is empty or beyond the neck is said, not computed.
  for (const fret of ['', '30', '7']) {
    await page.getByRole('spinbutton', { name: 'to fret' }).fill(fret);
    await expect(page.getByRole('alert')).toHaveText('Two frets from 1 to 19, the lower one first.');
  }
  await page.getByRole('spinbutton', { name: 'to fret' }).fill('11');

  await page.getByRole('textbox', { name: 'Sounding pitch' }).fill('C4');
  await expect(page.getByTestId('places')).toHaveText('C4: ② fret 1, ③ fret 5, ④ fret 10, ⑤ fret 15');
  await page.getByRole('textbox', { name: 'Sounding pitch' }).fill('H4');
  await expect(page.getByTestId('places')).toContainText('A pitch is a letter');

  await page.getByRole('combobox', { name: 'Nodes of partial' }).selectOption('3');
  await expect(page.getByTestId('nodes')).toContainText(
    'fret 7.02, 19.02 (1/3, 2/3 of the string): 2 cents high',
  );
  await page.getByRole('textbox', { name: 'To sound' }).fill('B3');
  await expect(page.getByTestId('harmonic-ways')).toContainText('⑥: touch fret 7.02 – partial 3');

  await page.getByRole('spinbutton', { name: 'Beats a minute' }).fill('60');
  await expect(page.getByTestId('tempo-rows')).toContainText('250');
  await page.getByRole('spinbutton', { name: 'Beats a minute' }).fill('5');
  await expect(page.getByRole('alert')).toContainText('A tempo from 10 to 400');
  await expect(page.getByTestId('tension')).toContainText('79 % of its tension');
});
