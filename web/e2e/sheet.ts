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
