import { readdirSync } from 'node:fs';
import { writeFile } from 'node:fs/promises';
import { generatedXml } from '../../../core/test/golden/pieces.ts';
import { closeNotation } from '../close-notation.ts';
import { crowdedInk } from '../ink.ts';
import { choosingWhatIsShown, importStudy, STUDIES } from '../sheet.ts';
import { expect, test, type Page } from '../test';

const ZOOMS = [0.7, 1, 2];
const DENSITIES = ['Essential', 'Working', 'Everything'];

/** Goes to a size by the buttons over the music. */
const toZoom = async (page: Page, zoom: number): Promise<number> => {
  const shown = page.getByTestId('zoom');
  for (let step = 0; step < 20; step += 1) {
    const now = Number.parseInt((await shown.textContent())!, 10) / 100;
    const button = page.getByRole('button', { name: now < zoom ? 'Larger' : 'Smaller' });
    // Music of wide bars is not shown so large that they no longer fit.
    if (Math.abs(now - zoom) < 0.02 || (await button.isDisabled())) break;
    await button.click();
  }
  // Another size breaks the lines anew: they begin to be drawn with the next frame.
  await page.waitForTimeout(400);
  await expect(page.locator('[data-complete="true"]')).toBeVisible();
  await page.waitForTimeout(400);
  return Number.parseInt((await shown.textContent())!, 10) / 100;
};

const crowded = async (page: Page): Promise<readonly string[]> => {
  const found: string[] = [];
  for (const density of DENSITIES) {
    await choosingWhatIsShown(page, () => page.getByRole('radio', { name: density }).check());
    await page.waitForTimeout(700);
    for (const zoom of ZOOMS) {
      const size = await toZoom(page, zoom);
      found.push(...(await crowdedInk(page, size)).map((each) => `${density} at ${zoom}: ${each}`));
    }
  }
  return found;
};

for (const study of readdirSync(STUDIES).filter((name) => name.endsWith('.musicxml')))
  test(`every sign has clear ground at every density and size in ${study}`, async ({ page }) => {
    test.setTimeout(180_000);
    await importStudy(page, `${STUDIES}${study}`);
    expect(await crowded(page)).toEqual([]);
  });

test('every sign has clear ground among tuplets, rests, grace notes and endings', async ({
  page,
}, testInfo) => {
  test.setTimeout(180_000);
  const path = testInfo.outputPath('page.musicxml');
  await writeFile(path, closeNotation());
  await importStudy(page, path);
  expect(await crowded(page)).toEqual([]);
});

for (let number = 0; number < 30; number += 1)
  test(`every sign has clear ground on generated page ${number}`, async ({ page }, testInfo) => {
    test.setTimeout(180_000);
    const path = testInfo.outputPath('page.musicxml');
    await writeFile(path, generatedXml(number));
    await importStudy(page, path);
    expect(await crowded(page)).toEqual([]);
  });
