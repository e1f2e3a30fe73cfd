import { expectAccessible } from './axe.ts';
import { expect, test } from './test';
import { DANCE, finger, fingers, importStudy, saved, settled, STUDIES, toStep } from './sheet.ts';

test('a choice shows what it would change before it is taken, on the axis, on the neck and by keys', async ({
  page,
}) => {
  await importStudy(page, DANCE);
  const proposed = await fingers(page);
  await page.keyboard.press('ArrowRight');
  const ways = page.getByTestId('ways').getByRole('button');
  await expect(ways.nth(1)).toContainText(/\+\d/);
  const preview = page.locator('[data-preview-of]');

  // By the pointer: what stands now steps back, what would stand shows beside it, and nothing is decided.
  await ways.nth(1).hover();
  await expect(preview.first()).toBeVisible();
  await expect(page.locator('.finger.going').first()).toBeVisible();
  const shown = await preview.count();
  await page.mouse.move(400, 500);
  await expect(preview).toHaveCount(0);
  expect(await fingers(page)).toEqual(proposed);
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();

  // By keys: the same, then Escape lets go, and Enter takes it.
  await page.keyboard.press('y');
  await expect(preview).toHaveCount(shown);
  await page.keyboard.press('Escape');
  await expect(preview).toHaveCount(0);
  await page.keyboard.press('y');
  await expect(preview).toHaveCount(shown);
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(page.locator('.finger.teacher')).toHaveCount(1);
  await page.keyboard.press('Control+z');
  await settled(page);
  expect(await fingers(page)).toEqual(proposed);

  // The neck tells the hand, lights up the places that can be reached, and a click takes one.
  const neck = page.getByTestId('neck');
  await expect(neck.getByRole('img')).toHaveAttribute('aria-label', /^The hand in position I: /);
  const places = neck.getByRole('button', { name: /^Take it at/ });
  await expect(places.first()).toBeVisible();
  const other = neck.locator('.place:not(.taken)').first();
  await expect(async () => {
    await page.keyboard.press('ArrowRight');
    await expect(other).toBeVisible({ timeout: 1000 });
  }).toPass();
  const place = (await other.getAttribute('aria-label'))!;
  await other.click();
  await settled(page);
  await expect(page.locator('.string.teacher')).toHaveText(/[①②③④⑤⑥]/.exec(place)![0]);
});

test('the steps bring up their lanes and lists; size, step, lanes and caret are found again', async ({
  page,
}) => {
  await importStudy(page, `${STUDIES}salt-lanterns.musicxml`);
  const lanes = (name: string) => page.locator(`[data-lane="${name}"]`);
  await toStep(page, 'Shifts');
  await expect(lanes('hand').first()).toBeVisible();
  await expect(page.locator('[data-shift]').first()).toBeVisible();
  await expect(page.getByRole('list', { name: 'Shifts', exact: true }).getByRole('listitem')).toHaveCount(6);
  await page.keyboard.press('j');
  await expect(
    page.getByRole('list', { name: 'Shifts', exact: true }).locator('[aria-current="true"]'),
  ).toHaveCount(1);
  await toStep(page, 'Right hand');
  await expect(lanes('pluck').first()).toBeVisible();
  await expect(lanes('hand')).toHaveCount(0);
  await toStep(page, 'Details');
  await expect(lanes('ringing').first()).toBeVisible();
  // What rings is clicked like the notes.
  await page
    .locator('.lanes')
    .first()
    .click({ position: { x: 300, y: 20 } });
  await expect(page.getByRole('region', { name: 'Note at the caret' })).toContainText('bar 2');
  // Three systems of two voices fit with this lane and without.
  expect(
    await page.locator('.system').evaluateAll(
      (systems) =>
        systems.filter((system) => {
          const { top, bottom } = system.getBoundingClientRect();
          return top >= 0 && bottom <= innerHeight + 8;
        }).length,
    ),
  ).toBeGreaterThanOrEqual(2);

  await page.keyboard.press('7');
  await page.keyboard.press('+');
  await page.keyboard.press('6');
  await expect(page.locator('.sheet.in-line')).toBeVisible();
  await page.reload();
  await expect(page.getByTestId('status')).toContainText('Planned in');
  await expect(page.locator('.sheet.in-line')).toBeVisible();
  await expect(page.getByTestId('zoom')).toHaveText('90 %');
  await expect(lanes('hand').first()).toBeVisible();
  await expect(lanes('ringing').first()).toBeVisible();
  await expect(page.getByRole('region', { name: 'Note at the caret' })).toContainText('bar 2');
  await page.keyboard.press('6');
  await expect(page.locator('[data-complete="true"]')).toBeVisible();
  await expectAccessible(page);

  // A turned tablet moves the transport to another place; it plays there too.
  await page.keyboard.press('Space');
  await expect(page.locator('[data-playhead]')).toBeVisible();
  await page.setViewportSize({ width: 820, height: 1180 });
  await expect(page.locator('[data-playhead]')).toHaveCount(0);
  await page.keyboard.press('Space');
  await expect(page.locator('[data-playhead]')).toBeVisible();
  await page.keyboard.press('Space');
});

test('a selection is fixed and freed as one deed, and another way of it is kept as a version', async ({
  page,
}) => {
  await importStudy(page, DANCE);
  // Dragged over the notes.
  const from = (await page.locator('[data-note="2"]').boundingBox())!;
  const to = (await page.locator('[data-note="5"]').boundingBox())!;
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 12 });
  await page.mouse.up();
  await expect(page.locator('[data-selection]')).toHaveCount(1);
  await expect(page.getByText(/\d selected/)).toBeVisible();
  await page.keyboard.press('g');
  await settled(page);
  const fixed = await page.locator('.finger.teacher').count();
  expect(fixed).toBeGreaterThan(2);
  await page.keyboard.press('Control+z');
  await settled(page);
  await expect(page.locator('.finger.teacher')).toHaveCount(0);

  // The fingering of a bar is taken up and laid on its equal; what is asked of bars comes from the list.
  await page.locator('[data-bar="0"]').click();
  await page.keyboard.press('u');
  await expect(page.getByTestId('status')).toContainText('is taken up');
  await page.locator('[data-bar="4"]').click();
  await page.keyboard.press('Shift+U');
  await settled(page);
  expect(await page.locator('.finger.teacher').count()).toBeGreaterThan(3);
  await page.keyboard.press('Control+z');
  await settled(page);
  await expect(page.locator('.finger.teacher')).toHaveCount(0);
  await expect(page.getByTestId('read-out')).toHaveText(
    /^A3, bar 5, beat 1: finger 2, string ③ fret 2, plucked with [ima]$/,
  );

  // By the list of deeds: the other ways of what is selected.
  await page.keyboard.press('k');
  await page.getByPlaceholder('What do you want to do?').fill('other ways');
  await page.keyboard.press('Enter');
  const ways = page.getByTestId('other-ways').getByRole('listitem');
  await expect(ways.first()).toContainText('as before from bar');
  await expect(ways.first().locator('[data-finger-of]').first()).toBeVisible();
  await expectAccessible(page);
  await ways.first().getByRole('button', { name: 'Keep as a version' }).click();
  await ways.first().getByLabel('Name of the version').fill('Higher up');
  await ways.first().getByRole('button', { name: 'Keep', exact: true }).click();
  await page.getByRole('link', { name: '“Higher up”' }).click();
  await expect(page.locator('a[href$="/versions"]')).toHaveText('Higher up');
  await expect(page.locator('.finger.teacher').first()).toBeVisible();

  // Laid beside the version it came from: on the sheet, in words, in a list and in a chart.
  await page.getByRole('button', { name: 'Versions', exact: true }).click();
  await page.getByRole('button', { name: 'Compare with First fingering' }).click();
  const against = page.getByTestId('against');
  await expect(against).toContainText(/\d+ of \d+ notes are taken otherwise there/);
  await expect(against.getByRole('img', { name: /^How hard the bars are/ })).toBeVisible();
  await expect(page.locator('[data-preview-of]').first()).toBeVisible();
  await against.getByRole('list', { name: 'Notes that differ' }).getByRole('button').first().click();
  await against.getByRole('button', { name: 'Close' }).click();
  await expect(page.locator('[data-preview-of]')).toHaveCount(0);
});

test('a version is made, renamed, deleted and taken back where one works', async ({ page }) => {
  await importStudy(page, DANCE);
  const title = page.locator('a[href$="/versions"]').first();
  const open = () => page.getByRole('button', { name: 'Versions', exact: true }).click();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('4');
  // It is made from what has just been decided.
  await open();
  await page.getByLabel('Name of a new version').fill('For the hall');
  await page.getByRole('button', { name: 'Make it' }).click();
  await expect(title).toHaveText('For the hall');
  await expect(page.locator('.finger.teacher')).toHaveText('4');

  await open();
  await page.getByLabel('Name of this version').fill('For the large hall');
  await page.getByRole('button', { name: 'Rename' }).click();
  await expect(title).toHaveText('For the large hall');

  await open();
  await page.getByRole('button', { name: 'Delete this version' }).click();
  await expect(page.getByText('deleted', { exact: true })).toBeVisible();
  await open();
  await page.getByRole('button', { name: 'Take this version back' }).click();
  await expect(page.getByText('deleted', { exact: true })).toBeHidden();

  // The last one is kept.
  await open();
  await page.getByRole('button', { name: 'Delete this version' }).click();
  await expect(page.getByText('deleted', { exact: true })).toBeVisible();
  await open();
  await page.getByRole('link', { name: 'First fingering' }).click();
  await expect(title).toHaveText('First fingering');
  await open();
  await page.getByRole('button', { name: 'Delete this version' }).click();
  await expect(page.getByRole('alert')).toContainText('A piece keeps one version at least');
});

test('what was done is told, looked at on the sheet, brought back, and named', async ({ page }) => {
  await importStudy(page, DANCE);
  const proposed = await fingers(page);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('4');
  await settled(page);
  const decided = await fingers(page);
  await page.getByRole('button', { name: 'What was done' }).click();
  const past = page.getByTestId('past');
  await expect(past.getByRole('listitem').first()).toContainText('bar 1, C4: finger 4');
  await past.getByRole('button', { name: 'Label …' }).click();
  await past.getByLabel('Label').fill('before the lesson');
  await past.getByLabel('Label').press('Enter');
  await expect(past.getByText('before the lesson')).toBeVisible();

  await page.locator('[data-note="2"]').click();
  await page.keyboard.press('Delete');
  await settled(page);
  expect(await fingers(page)).toEqual(proposed);
  // The list follows what is done while it is open.
  await expect(past.getByRole('listitem').first()).toContainText('left to Oculon');
  const named = past.getByRole('listitem').filter({ hasText: 'before the lesson' });
  await named.getByRole('button', { name: 'Look at it' }).click();
  await expect(page.locator('[data-preview-of="2"]')).toContainText('4');
  expect(await fingers(page)).toEqual(proposed);
  await named.getByRole('button', { name: 'Bring it back' }).click();
  await settled(page);
  expect(await fingers(page)).toEqual(decided);
  await expect(finger(page, 2)).toHaveClass(/teacher/);
  await page.keyboard.press('Control+z');
  await settled(page);
  expect(await fingers(page)).toEqual(proposed);
});

test('a part that cannot be fetched when it is opened says so', async ({ page }) => {
  await importStudy(page, DANCE);
  await settled(page);
  await page.route(/\/_app\/immutable\/chunks\//, (route) => route.abort());
  await page.keyboard.press('k');
  await expect(page.getByRole('alert').filter({ hasText: 'could not be fetched' })).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('3');
  await saved(page);
});

test('a teacher is led through the first minute, on a tablet, by touch', async ({ browser, baseURL }) => {
  const tablet = await browser.newContext({
    viewport: { width: 820, height: 1180 },
    hasTouch: true,
    isMobile: true,
    ...(baseURL && { baseURL }),
  });
  const page = await tablet.newPage();
  await page.addInitScript(() => {
    if (!localStorage.getItem('oculon-first-minute')) localStorage.setItem('oculon-first-minute', 'wanted');
  });
  await importStudy(page, `${STUDIES}one-thread.musicxml`);
  const card = page.getByTestId('first-minute');
  await expect(card).toContainText('This is the proposal');
  await page.locator('[data-note="3"]').tap();
  await expect(card).toContainText('Change one finger');
  const keys = page.getByRole('group', { name: 'Finger and string' }).getByRole('button');
  const box = (await keys.first().boundingBox())!;
  expect(Math.min(box.width, box.height)).toBeGreaterThanOrEqual(44);
  await page
    .getByRole('button', { name: /^finger [1-4]$/ })
    .and(page.locator('[aria-pressed="false"]:enabled'))
    .first()
    .tap();
  await expect(card).toContainText('See what gives way');
  await card.getByRole('button', { name: 'Go on' }).tap();
  await page.getByRole('button', { name: 'Undo' }).tap();
  await expect(card).toContainText('Look at the hard bars');
  await page
    .getByRole('navigation', { name: 'Steps of the work' })
    .getByRole('button', { name: /^Hard bars/ })
    .tap();
  await expect(card).toContainText('That was the first minute');
  await card.getByRole('button', { name: 'Close' }).tap();
  await expect(card).toHaveCount(0);

  // Two fingers zoom.
  const sheet = page.locator('.sheet');
  const { x, y } = (await sheet.boundingBox())!;
  const session = await tablet.newCDPSession(page);
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', apart: number) =>
    session.send('Input.dispatchTouchEvent', {
      type,
      touchPoints:
        type === 'touchEnd'
          ? []
          : [
              { x: x + 300 - apart, y: y + 60, id: 1 },
              { x: x + 300 + apart, y: y + 60, id: 2 },
            ],
    });
  await touch('touchStart', 50);
  for (const apart of [55, 60, 65, 70, 75]) await touch('touchMove', apart);
  await touch('touchEnd', 0);
  await expect(page.getByTestId('zoom')).toHaveText(/^1[12]\d %$/);
  await page.reload();
  await expect(page.getByTestId('status')).toContainText('Planned in');
  await expect(card).toHaveCount(0);
  await expectAccessible(page);
  await tablet.close();
});
