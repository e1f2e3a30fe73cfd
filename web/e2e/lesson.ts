import { expect, type Page } from './test';
import { importStudy, STUDIES } from './sheet.ts';

/** Opens the lesson sheet of a study and waits until all of it is drawn. */
export const openLesson = async (page: Page, study: string) => {
  await importStudy(page, `${STUDIES}${study}.musicxml`);
  await page.getByRole('button', { name: 'Hand out' }).click();
  await page.getByRole('link', { name: 'Lesson sheet', exact: true }).click();
  await expect(page.locator('.paper[data-complete="true"]')).toBeVisible();
};
