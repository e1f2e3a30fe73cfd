import { expectAccessible } from './axe.ts';
import { importStudy, settled, STUDIES } from './sheet.ts';
import { expect, test } from './test';
import { forget, plucks, scheduled, watch } from './watched-sound.ts';

test('hard spots of a piece are practised by drills cut from the version', async ({ page }) => {
  await watch(page);
  await importStudy(page, `${STUDIES}one-thread.musicxml`);
  await page.getByRole('button', { name: 'Hand out' }).click();
  await page.getByRole('link', { name: 'Practice', exact: true }).click();
  const spots = page.getByRole('complementary', { name: 'Hard spots' });
  await expect(spots.getByRole('heading', { level: 2 })).toHaveCount(2);
  // Of two places that are alike one is enough.
  await expect(spots).toContainText('The same again in bar');
  const sheet = page.locator('.paper[data-complete="true"]');
  await expect(sheet.getByRole('heading')).toContainText('One Thread, bars 9–10: the two shapes as blocks');
  await expect(spots.getByRole('button', { name: 'The two shapes as blocks' }).first()).toHaveAttribute(
    'aria-current',
    'true',
  );
  await expectAccessible(page);

  // It is heard at the rung of the ladder that is chosen.
  await page.getByRole('combobox', { name: 'Tempo' }).selectOption({ label: '♩ = 76' });
  await expect(page.getByRole('button', { name: 'Tap the tempo' })).toContainText('♩ = 76');
  await spots.getByRole('button', { name: 'Staccato' }).first().click();
  await expect(sheet.getByRole('heading')).toContainText('staccato');
  await forget(page);
  await page.keyboard.press('Space');
  await expect.poll(async () => plucks(await scheduled(page)).length).toBeGreaterThan(3);
  await page.keyboard.press('Space');

  await page.getByRole('button', { name: 'Keep in the library' }).click();
  await page.getByRole('link', { name: 'In the library: open it' }).click();
  await settled(page);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('One Thread, bar');
});

test('another hard spot begins at the foot of its own ladder', async ({ page }) => {
  await importStudy(page, `${STUDIES}salt-lanterns.musicxml`);
  await page.getByRole('button', { name: 'Hand out' }).click();
  await page.getByRole('link', { name: 'Practice', exact: true }).click();
  const spots = page.getByRole('complementary', { name: 'Hard spots' });
  await expect(spots.getByRole('heading', { level: 2 })).toHaveCount(2);
  const tempo = page.getByRole('combobox', { name: 'Tempo' });
  const rung = () => tempo.evaluate((select: HTMLSelectElement) => select.selectedIndex);
  await tempo.selectOption({ index: 2 });
  expect(await rung()).toBe(2);
  await spots.getByRole('button', { name: 'Legato' }).last().click();
  await expect.poll(rung).toBe(0);
});
