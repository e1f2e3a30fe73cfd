import { readFileSync } from 'node:fs';
import { expect, test, type Page, type Route } from './test';
import { exampleXml } from '../../core/src/testing/notation.ts';
import { DANCE, STUDIES, finger, importStudy, saved, settled, triedNow, toStep } from './sheet.ts';

const importText = async (page: Page, name: string, text: string): Promise<void> => {
  await page.goto('/');
  await page.locator('#import-file').setInputFiles({ name, mimeType: 'text/xml', buffer: Buffer.from(text) });
  await expect(page).toHaveURL(/\/pieces\//);
  await expect(page.locator('[data-complete="true"]')).toBeVisible();
  await expect(page.getByTestId('status')).toContainText('Planned in');
};

test('the same sign in two voices, and the same repair twice, leave sheet and panels whole', async ({
  page,
}) => {
  const f = '<direction><direction-type><dynamics><f/></dynamics></direction-type></direction>';
  const xml = exampleXml({ voices: ['E4/4 F4/4 G4/4 A4/4 | E4/1', 'C3/1 | C3/1'] })
    .replaceAll(/(<measure [^>]*>[\s\S]*?)<note>/g, `$1${f}<note>`)
    .replaceAll('</backup>', `</backup>${f}`)
    // Two ties that begin nowhere, in the same words.
    .replaceAll('<type>whole</type>', '<tie type="stop"/><type>whole</type>');
  await importText(page, 'twice.musicxml', xml);
  await expect(page.locator('[data-finger-of]')).toHaveCount(7);
  await expect(page.locator('text.dynamics')).toHaveCount(2);
  await toStep(page, 'Read');
  await expect(page.getByText('a tie begins nowhere')).not.toHaveCount(0);
  await expect(page.locator('[data-failed]')).toHaveCount(0);
  await expect(page.getByText('Hand, instrument, schools')).toBeVisible();
});

test('bars that cannot be engraved say so where they stand, and everything else works on', async ({
  page,
}) => {
  await page.addInitScript(() => {
    // A fault in the engraving of some systems, whatever its cause.
    const place = Element.prototype.replaceChildren;
    let systems = 0;
    Element.prototype.replaceChildren = function (...nodes) {
      if (nodes.length > 0 && this.matches('.system > .engraving')) {
        systems += 1;
        if (systems % 3 === 2) throw new Error('no room for this');
      }
      place.apply(this, nodes);
    };
  });
  await page.goto('/');
  await page.locator('#import-file').setInputFiles(DANCE);
  await expect(page).toHaveURL(/\/pieces\//);
  await expect(page.getByTestId('status')).toContainText('Planned in');
  await expect(page.locator('[data-complete="true"]')).toBeVisible();
  const failed = page.locator('[data-failed]');
  await expect(failed.first()).toContainText(/Bars? \d+.* cannot be engraved \(no room for this\)/);
  expect(await failed.count()).toBeLessThan(await page.locator('.system').count());
  // It stands across the page, where it can be read.
  expect((await failed.first().boundingBox())!.width).toBeGreaterThan(400);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('3');
  await saved(page);
});

test('an edit made offline is there when the piece is opened again in the same tab', async ({
  page,
  context,
}) => {
  await importStudy(page, DANCE);
  const address = page.url();
  await context.route('**/api/fingerings/*/edits', (route) => route.abort());
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('3');
  await expect(page.locator('[data-save-state]')).toHaveAttribute('data-save-state', 'offline');
  await page.getByRole('link', { name: 'Library' }).click();
  await expect(page).toHaveURL(/\/$/);
  await page.locator(`a[href="${new URL(address).pathname}"]`).click();
  await expect(page).toHaveURL(address);
  await expect(page.locator('.finger.teacher')).toHaveText('3');
  await expect(page.locator('[data-save-state]')).toHaveAttribute('data-save-state', 'offline');
  await context.unroute('**/api/fingerings/*/edits');
  await triedNow(page);
});

test('going back through history from one piece to another shows and changes the right one', async ({
  page,
}) => {
  await importStudy(page, DANCE);
  const dance = new URL(page.url()).pathname;
  await importStudy(page, `${STUDIES}one-thread.musicxml`);
  const thread = new URL(page.url()).pathname;
  // From piece to piece without the library between, as the browser's history may go.
  for (const path of [dance, thread]) {
    await page.evaluate((to) => {
      const link = document.createElement('a');
      link.href = to;
      document.body.append(link);
      link.click();
    }, path);
    await expect(page).toHaveURL(path);
  }
  await expect(page.locator('[data-finger-of]')).toHaveCount(101);
  await page.goBack();
  await expect(page).toHaveURL(dance);
  await expect(page.getByRole('heading', { name: 'Low Meadow Dance' })).toBeVisible();
  await expect(page.locator('[data-finger-of]')).toHaveCount(108);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('3');
  await settled(page);
  await page.goForward();
  await expect(page.locator('[data-finger-of]')).toHaveCount(101);
  await expect(page.locator('.finger.teacher')).toHaveCount(0);
  await page.goBack();
  await expect(page.locator('.finger.teacher')).toHaveText('3');
});

test('choices of hand and school are kept in the order they were made, and one undo takes one back', async ({
  page,
}) => {
  await importStudy(page, DANCE);
  // Earlier requests take longer: what overtakes on the way must not win.
  let delay = 900;
  await page.route('**/api/fingerings/*/edits', async (route: Route) => {
    const wait = delay;
    delay = Math.max(0, delay - 450);
    await new Promise((resolve) => setTimeout(resolve, wait));
    await route.continue();
  });
  await toStep(page, 'Read');
  const left = page.getByLabel('Left hand', { exact: true });
  for (const school of ['legato', 'campanella', 'positional']) {
    await left.selectOption(school);
    await page.waitForTimeout(350);
  }
  await settled(page);
  await page.reload();
  await expect(page.locator('[data-finger-of]')).toHaveCount(108);
  await toStep(page, 'Read');
  await expect(left).toHaveValue('positional');
  await left.selectOption('legato');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(left).toHaveValue('positional');
  await settled(page);
});

test('an export that is asked for while a plan is under way carries the last decision', async ({
  page,
}, info) => {
  await importStudy(page, DANCE);
  await toStep(page, 'Read');
  await page.locator('[data-note="2"]').click();
  await page.keyboard.press('a');
  await page.getByLabel('Left hand', { exact: true }).selectOption('campanella');
  await page.locator('[data-note="2"]').click();
  await page.keyboard.press('p');
  await page.getByRole('button', { name: 'Hand out' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'The plan as JSON' }).click();
  const path = info.outputPath('plan.json');
  await (await download).saveAs(path);
  const plan = JSON.parse(readFileSync(path, 'utf8')) as { notes: { pluck: string }[] };
  await settled(page);
  expect(plan.notes[2]!.pluck).toBe('p');
});

test('what the server refuses is set aside and shown, and the rest is saved', async ({ page }) => {
  await importStudy(page, DANCE);
  await page.route('**/api/fingerings/*/edits', async (route: Route) => {
    const body = route.request().postDataJSON() as { edits: { edit: { after?: { finger?: number } } }[] };
    if (body.edits.some(({ edit }) => edit.after?.finger === 4))
      await route.fulfill({ status: 400, json: {} });
    else await route.continue();
  });
  await page.locator('[data-note="2"]').click();
  await page.keyboard.press('4');
  await page.keyboard.press('PageDown');
  await page.keyboard.press('a');
  await expect(page.getByTestId('aside')).toHaveText('One change was not accepted');
  await settled(page);
  await expect(page.locator('.finger.teacher')).toHaveCount(0);
  await expect(page.locator('.pluck.teacher')).toHaveText('a');
  await page.reload();
  await expect(page.getByTestId('aside')).toBeVisible();
  await page.unroute('**/api/fingerings/*/edits');
  await page.getByTestId('aside').click();
  await page.getByRole('button', { name: 'Send again' }).click();
  await settled(page);
  await expect(finger(page, 2)).toHaveText('4');
  await expect(page.getByTestId('aside')).toHaveCount(0);
});

test('a server in trouble is told from no connection', async ({ page }) => {
  await importStudy(page, DANCE);
  await page.route('**/api/fingerings/*/edits', (route) => route.fulfill({ status: 503, json: {} }));
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('3');
  await expect(page.locator('[data-save-state="trouble"]')).toContainText('the server is in trouble');
  await page.unroute('**/api/fingerings/*/edits');
  await triedNow(page);
});

test('without site data everything works, and it is said once what is not kept', async ({ page }) => {
  await page.addInitScript(() => {
    const refuse = (): never => {
      throw new DOMException('The operation is insecure.', 'SecurityError');
    };
    for (const name of ['localStorage', 'sessionStorage', 'indexedDB'])
      Object.defineProperty(window, name, { get: refuse });
  });
  await importStudy(page, DANCE);
  await expect(page.getByTestId('storage-notice')).toContainText('keeps nothing for Oculon');
  await page.getByRole('button', { name: 'I see' }).click();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('3');
  await settled(page);
  await page.getByRole('link', { name: 'Library' }).click();
  await expect(page.getByRole('heading', { name: 'Pieces' })).toBeVisible();
  await expect(page.getByTestId('storage-notice')).toHaveCount(0);
});

test('a piece can be read an octave lower or higher, and what was decided stays', async ({ page }) => {
  await importText(page, 'octave.musicxml', exampleXml({ voices: ['E4/4 F4/4 G4/4 A4/4'] }));
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('a');
  await settled(page);
  const heading = page.getByRole('region', { name: 'Note at the caret' }).getByRole('heading', { level: 2 });
  await expect(heading).toContainText('F4');
  await toStep(page, 'Read');
  await page.getByLabel('Octave', { exact: true }).selectOption('-1');
  await settled(page);
  await expect(heading).toContainText('F3');
  await expect(page.locator('.pluck.teacher')).toHaveText('a');
  await page.reload();
  await expect(page.locator('[data-finger-of]')).toHaveCount(4);
  await expect(heading).toContainText('F3');
});
