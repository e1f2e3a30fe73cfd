import { fileURLToPath } from 'node:url';
import { expect, type Page } from './test';

export const STUDIES = fileURLToPath(new URL('../../demo/studies/', import.meta.url));
export const DANCE = `${STUDIES}low-meadow-dance.musicxml`;

/** Imports a file through the library and waits for the whole proposal. */
export const importStudy = async (page: Page, path: string): Promise<void> => {
  await page.goto('/');
  await page.locator('#import-file').setInputFiles(path);
  await expect(page).toHaveURL(/\/pieces\//);
  await expect(page.locator('[data-complete="true"]')).toBeVisible();
  await expect(page.locator('[data-pluck-of]').first()).toBeVisible();
  await expect(page.getByTestId('status')).toContainText('Planned in');
};

export const finger = (page: Page, note: number) => page.locator(`[data-finger-of="${note}"]`);
export const fingers = (page: Page) => page.locator('[data-finger-of]').allTextContents();
export const saved = (page: Page) =>
  expect(page.locator('[data-save-state]')).toHaveAttribute('data-save-state', 'saved');
/** Has what waits sent now; it may have gone by itself since, for it is tried again all the time. */
export const triedNow = (page: Page) =>
  expect(async () => {
    const button = page.getByRole('button', { name: 'try now' });
    if (await button.isVisible()) await button.click({ timeout: 1000 });
    await expect(page.locator('[data-save-state]')).toHaveAttribute('data-save-state', 'saved', {
      timeout: 1000,
    });
  }).toPass({ timeout: 15_000 });
export const settled = async (page: Page) => {
  await expect(page.getByTestId('status')).toHaveAttribute('aria-busy', 'false');
  await saved(page);
};

/** Goes to a step of the work. */
export const toStep = (page: Page, name: string) =>
  page
    .getByRole('navigation', { name: 'Steps of the work' })
    .getByRole('button', { name: new RegExp(`^${name}`) })
    .click();
/** Opens what can be shown on the sheet, does something there and closes it again. */
export const choosingWhatIsShown = async (page: Page, choose: () => Promise<void>): Promise<void> => {
  await page.getByRole('button', { name: 'Shown' }).click();
  await choose();
  await page.keyboard.press('Escape');
};
/** One staff space is 10 px then. */
export const atFullSize = async (page: Page): Promise<void> => {
  const larger = page.getByRole('button', { name: 'Larger' });
  await larger.click();
  await larger.click();
  await expect(page.getByTestId('zoom')).toHaveText('100 %');
  await expect(page.locator('[data-complete="true"]')).toBeVisible();
};
