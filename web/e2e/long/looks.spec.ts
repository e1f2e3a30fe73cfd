import { expectAccessible } from '../axe.ts';
import { importStudy, STUDIES } from '../sheet.ts';
import { expect, test } from '../test';

const STEPS = ['Read', 'Shapes', 'Left hand', 'Shifts', 'Right hand', 'Details', 'Hard bars', 'Hand over'];
const SIZES = [
  { width: 1600, height: 900 },
  { width: 1280, height: 800 },
  { width: 820, height: 1180 },
  { width: 390, height: 844 },
];

for (const viewport of SIZES)
  test(`every step of the workbench shuts nobody out at ${viewport.width} px, by daylight and lamp light`, async ({
    page,
  }) => {
    test.setTimeout(180_000);
    await page.setViewportSize(viewport);
    await importStudy(page, `${STUDIES}salt-lanterns.musicxml`);
    for (const theme of ['stand', 'lamp']) {
      await page.evaluate((name) => document.documentElement.setAttribute('data-theme', name), theme);
      for (const step of STEPS) {
        await page
          .getByRole('navigation', { name: 'Steps of the work' })
          .getByRole('button', { name: new RegExp(`^${step}`) })
          .click();
        await expect(page.locator('[data-step]')).toBeVisible();
        await page.waitForTimeout(400);
        await expectAccessible(page);
      }
    }
    // Nothing scrolls in two directions.
    expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(
      0,
    );
    expect(
      await page.evaluate(() => document.documentElement.scrollHeight - innerHeight),
    ).toBeLessThanOrEqual(0);
  });
