import { readFileSync } from 'node:fs';
import { expect, test } from './test';
import { DANCE, finger, fingers, importStudy, saved, settled, STUDIES } from './sheet.ts';

test('a teacher imports a piece, changes a finger, sees the rest give way, and finds it again', async ({
  page,
}) => {
  await importStudy(page, DANCE);
  await expect(page.getByRole('heading', { name: 'Low Meadow Dance' })).toBeVisible();
  await expect(page.locator('[data-finger-of]')).toHaveCount(108);
  const proposed = await fingers(page);

  const target = await page
    .locator('[data-finger-of]')
    .evaluateAll((marks) => Number(marks[7]!.getAttribute('data-finger-of')));
  await page.locator(`[data-note="${target}"]`).click();
  const before = await finger(page, target).textContent();
  await page.keyboard.press(before === '4' ? '3' : '4');
  await settled(page);
  await expect(finger(page, target)).toHaveText(before === '4' ? '3' : '4');
  await expect(finger(page, target)).toHaveClass(/teacher/);
  await expect(page.getByTestId('changes')).toBeVisible();
  const changed = await fingers(page);
  expect(changed).not.toEqual(proposed);

  await page.keyboard.press('Control+z');
  await settled(page);
  expect(await fingers(page)).toEqual(proposed);
  await page.keyboard.press('Control+Shift+Z');
  await settled(page);
  expect(await fingers(page)).toEqual(changed);

  await page.reload();
  await expect(page.locator('[data-finger-of]')).toHaveCount(108);
  await expect(finger(page, target)).toHaveClass(/teacher/);
  expect(await fingers(page)).toEqual(changed);
});

test('a piece opens from the library at its version, without waiting for code', async ({ page }) => {
  await importStudy(page, DANCE);
  const opened = page.url();
  await page.goto('/');
  // What the workbench needs is fetched while the teacher looks for the piece.
  await page.waitForLoadState('networkidle');
  const asked: string[] = [];
  page.on('request', (request) => asked.push(new URL(request.url()).pathname));
  await page.getByRole('link', { name: 'Low Meadow Dance' }).first().click();
  await expect(page.locator('[data-finger-of]')).toHaveCount(108);
  expect(page.url()).toBe(opened);
  expect(asked.filter((path) => path.includes('/nodes/'))).toEqual([]);
  expect(asked.filter((path) => path.endsWith('/source'))).toHaveLength(1);
});

test('the export carries the fingering and is read back as it was', async ({ page }, info) => {
  await importStudy(page, `${STUDIES}one-thread.musicxml`);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+Digit5');
  await settled(page);
  const shown = await fingers(page);
  await page.getByRole('button', { name: 'Hand out' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'MusicXML with the fingering' }).click();
  const path = info.outputPath('exported.musicxml');
  await (await download).saveAs(path);
  const xml = readFileSync(path, 'utf8');
  expect(xml.match(/<fingering>/g)).toHaveLength(101);
  expect(xml.match(/<pluck>/g)).toHaveLength(101);

  await importStudy(page, path);
  expect(await fingers(page)).toEqual(shown);
  await expect(page.locator('.finger.source')).toHaveCount(101);
});

test('the keyboard walks, decides strings and plucks, and says what cannot be', async ({ page }) => {
  await importStudy(page, DANCE);
  const heading = page.getByRole('region', { name: 'Note at the caret' }).getByRole('heading', { level: 2 });
  await expect(heading).toContainText('A3');
  await page.keyboard.press('ArrowDown');
  await expect(heading).toContainText('A2');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowRight');
  await expect(heading).toContainText('C4 bar 1, beat 2');
  await page.keyboard.press('PageDown');
  await expect(heading).toContainText('bar 2');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('a');
  await settled(page);
  await expect(page.locator('.pluck.teacher')).toHaveText('a');
  await page.keyboard.press('Shift+Digit1');
  await expect(page.getByTestId('status')).toContainText('does not lie on ①');
  await page.keyboard.press('Shift+Digit4');
  await settled(page);
  await expect(page.locator('.string.teacher')).toHaveText('④');
  await page.keyboard.press('Delete');
  await settled(page);
  await expect(page.locator('.teacher')).toHaveCount(0);
  await page.keyboard.press('?');
  await expect(page.getByRole('heading', { name: 'Keys on the sheet' })).toBeVisible();
});

test('a broken file gets one clear message and changes nothing', async ({ page }) => {
  await page.goto('/');
  const pieces = await page.getByRole('row').count();
  await page.locator('#import-file').setInputFiles({
    name: 'broken.musicxml',
    mimeType: 'text/xml',
    buffer: Buffer.from('<score-partwise><part'),
  });
  await expect(page.getByRole('alert')).toContainText('“broken.musicxml” was not imported');
  await expect(page.getByRole('alert')).toContainText('Export the piece again');
  expect(await page.getByRole('row').count()).toBe(pieces);
});

test('a lost connection keeps the edits, also over a closed page, and sends them later', async ({
  page,
  context,
}) => {
  await importStudy(page, DANCE);
  await page.route('**/api/fingerings/*/edits', (route) => route.abort());
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('3');
  await expect(page.locator('[data-save-state]')).toHaveAttribute('data-save-state', 'offline');
  await expect(page.locator('.finger.teacher')).toHaveText('3');
  const address = page.url();
  await page.close();
  const again = await context.newPage();
  await again.goto(address);
  await expect(again.locator('.finger.teacher')).toHaveText('3');
  await saved(again);
  await again.reload();
  await expect(again.locator('.finger.teacher')).toHaveText('3');
});

test('two windows do not overwrite each other, and a disputed note is asked about', async ({
  page,
  context,
}) => {
  await importStudy(page, DANCE);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.locator('[data-finger-of]')).toHaveCount(108);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('4');
  await settled(page);

  // Another note: both stand.
  await other.keyboard.press('PageDown');
  await other.keyboard.press('PageDown');
  await other.keyboard.press('2');
  await settled(other);
  await expect(other.locator('.finger.teacher')).toHaveCount(2);

  // The same note: the later window is asked.
  await page.keyboard.press('2');
  await expect(page.locator('.finger.teacher')).toHaveCount(2);
  await settled(page);
  await other.locator('[data-note="2"]').click();
  await other.keyboard.press('3');
  await expect(other.getByRole('heading', { name: 'Decided in two places' })).toBeVisible();
  // It stays until something is chosen: without an answer nothing more would be saved.
  for (let press = 0; press < 3; press += 1) await other.keyboard.press('Escape');
  await expect(other.getByRole('heading', { name: 'Decided in two places' })).toBeVisible();
  await other.getByRole('button', { name: 'Keep what is here' }).click();
  await settled(other);
  await other.reload();
  await expect(finger(other, 2)).toHaveText('3');
});

test('the library finds, and asks before it deletes', async ({ page }) => {
  await importStudy(page, DANCE);
  await page.goto('/');
  await page.getByPlaceholder('Title or composer').fill('zzz');
  await expect(page.getByText('Nothing here is called')).toBeVisible();
  await page.getByPlaceholder('Title or composer').fill('meadow');
  const rows = page.getByRole('row', { name: /Low Meadow Dance/ });
  const count = await rows.count();
  await rows
    .first()
    .getByRole('button', { name: /Delete/ })
    .click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(rows).toHaveCount(count);
  await rows
    .first()
    .getByRole('button', { name: /Delete/ })
    .click();
  await page.getByRole('dialog').getByRole('button', { name: 'Delete', exact: true }).click();
  await expect(rows).toHaveCount(count - 1);
});

test('a piece can be dropped anywhere on the library, and renamed', async ({ page }) => {
  await page.goto('/');
  const xml = readFileSync(DANCE, 'utf8').replaceAll('Low Meadow Dance', 'Dropped Dance');
  const files = await page.evaluateHandle((text) => {
    const transfer = new DataTransfer();
    transfer.items.add(new File([text], 'dropped.musicxml', { type: 'text/xml' }));
    return transfer;
  }, xml);
  // Nothing listens before the page has come alive; nobody drags a file as quickly as a test.
  await expect(async () => {
    await page.dispatchEvent('body', 'dragover', { dataTransfer: files });
    await page.dispatchEvent('body', 'drop', { dataTransfer: files });
    await expect(page).toHaveURL(/\/pieces\//, { timeout: 5000 });
  }).toPass();
  await expect(page.getByRole('heading', { name: 'Dropped Dance' })).toBeVisible();
  await page.getByRole('link', { name: 'Library' }).click();
  await page.getByRole('button', { name: 'Rename Dropped Dance' }).first().click();
  await page.getByLabel('Title', { exact: true }).fill('Dance by the Weir');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('link', { name: 'Dance by the Weir' }).first()).toBeVisible();
});

test('of several parts the teacher chooses one', async ({ page }) => {
  await page.goto('/');
  const xml = readFileSync(DANCE, 'utf8');
  const list = /<score-part id="([^"]+)">[\s\S]*?<\/score-part>/.exec(xml)!;
  const part = /<part id="[^"]+">[\s\S]*<\/part>/.exec(xml)![0];
  const named = (id: string, name: string) =>
    `<score-part id="${id}"><part-name>${name}</part-name></score-part>`;
  const two = xml
    .replace(list[0], named('A', 'Upper hand') + named('B', 'Lower hand'))
    .replace(part, part.replace(list[1]!, 'A') + part.replace(list[1]!, 'B'));
  await page.locator('#import-file').setInputFiles({
    name: 'two-parts.musicxml',
    mimeType: 'text/xml',
    buffer: Buffer.from(two),
  });
  await expect(page.getByRole('alert')).toContainText('part');
  await page.getByRole('button', { name: 'Lower hand' }).click();
  await expect(page).toHaveURL(/\/pieces\//);
  await expect(page.locator('[data-finger-of]')).toHaveCount(108);
});

test('the plan leaves as JSON', async ({ page }, info) => {
  await importStudy(page, DANCE);
  await page.getByRole('button', { name: 'Hand out' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'The plan as JSON' }).click();
  const path = info.outputPath('plan.json');
  await (await download).saveAs(path);
  const plan = JSON.parse(readFileSync(path, 'utf8')) as { schema: string; notes: { finger: number }[] };
  expect(plan.schema).toBe('oculon.plan/1');
  expect(plan.notes.every((note) => Number.isInteger(note.finger))).toBe(true);
});

test('the caret shows the price of every way, and a key takes one', async ({ page }) => {
  await importStudy(page, DANCE);
  await page.keyboard.press('ArrowRight');
  const ways = page.getByTestId('ways');
  await expect(ways.getByRole('listitem').first()).toContainText('best');
  await expect(ways.getByRole('listitem').nth(1)).toContainText(/\+\d/);
  // Why it costs more, in words: what every way would bring about is worked out after the prices.
  await expect(ways.getByRole('button').nth(1)).toContainText(/: .*(finger|hand|shift|home)/);
  const second = (await ways.getByRole('button').nth(1).textContent())!;
  const way = /finger (\d)/.exec(second)!;
  await page.keyboard.press('w');
  await settled(page);
  await expect(page.locator('.finger.teacher')).toHaveText(way[1]!);
  await expect(ways.locator('[aria-pressed="true"]')).toContainText(way[0]);
});

test('a passage takes rules and other ways, and one undo takes each back', async ({ page }) => {
  await importStudy(page, DANCE);
  const proposed = await fingers(page);
  const panel = page.getByTestId('passage');
  await panel.getByRole('spinbutton').nth(1).fill('3');
  await panel.getByRole('button', { name: 'No open strings' }).click();
  await settled(page);
  await expect(panel.getByRole('list', { name: 'Rules' })).toContainText('Bars 1–3: no open strings');
  expect(await fingers(page)).not.toEqual(proposed);
  await page.keyboard.press('Control+z');
  await settled(page);
  expect(await fingers(page)).toEqual(proposed);

  await panel.getByRole('button', { name: 'Other ways' }).click();
  const ways = page.getByTestId('other-ways').getByRole('listitem');
  await expect(ways.first()).toContainText('as before from bar');
  await ways.first().getByRole('button', { name: 'Take this way' }).click();
  await settled(page);
  const taken = await fingers(page);
  expect(taken).not.toEqual(proposed);
  await page.reload();
  await expect(page.locator('[data-finger-of]')).toHaveCount(108);
  expect(await fingers(page)).toEqual(taken);
  await page.locator('[data-note]').first().click();
});
