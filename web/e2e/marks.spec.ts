import { readFile, writeFile } from 'node:fs/promises';
import { closeNotation } from './close-notation.ts';
import { crowdedInk } from './ink.ts';
import { expect, test, type Page } from './test';
import {
  atFullSize,
  choosingWhatIsShown,
  DANCE,
  finger,
  importStudy,
  saved,
  settled,
  STUDIES,
  toStep,
} from './sheet.ts';

const note = (page: Page, index: number) => page.locator(`[data-note="${index}"]`).first();
const mark = (page: Page, id: RegExp) => page.locator('[data-mark]').filter({ hasText: id });

test('marks are set, changed, taken away and back, kept, exported and read again', async ({
  page,
}, testInfo) => {
  await importStudy(page, DANCE);
  await toStep(page, 'Details');
  const panel = page.getByTestId('marks');

  // A word at a note.
  await note(page, 4).click();
  await page.keyboard.press('n');
  await page.keyboard.type('sing out');
  await page.keyboard.press('Enter');
  await expect(mark(page, /sing out/)).toBeVisible();
  await settled(page);

  // A barre from the note to a later one, walked to on the sheet.
  await panel.getByRole('button', { name: 'New mark at the caret' }).click();
  await panel.getByLabel('Kind of mark').selectOption('barre');
  await panel.getByLabel('Fret').selectOption('5');
  await note(page, 9).click();
  await panel.getByRole('button', { name: 'Set the mark' }).click();
  await expect(mark(page, /^C V/)).toBeVisible();
  await settled(page);

  // Changed to a partial one; undo and redo.
  await note(page, 4).click();
  const barre = panel.getByRole('listitem').filter({ hasText: 'Barre' });
  await barre.getByRole('button', { name: 'Change' }).click();
  await panel.getByLabel('Extent').selectOption('partial');
  await note(page, 9).click();
  await panel.getByRole('button', { name: 'Change it' }).click();
  await expect(mark(page, /^½C V/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(mark(page, /^½C V/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(mark(page, /^½C V/)).toBeVisible();

  // What Oculon proposes can be taken away and put back.
  await note(page, 0).click();
  const position = panel.getByRole('listitem').filter({ hasText: 'Position' });
  await position.getByRole('button', { name: 'Remove' }).click();
  await expect(panel.getByText('taken away')).toBeVisible();
  await panel.getByRole('button', { name: 'Put back' }).click();
  await expect(panel.getByText('taken away')).toHaveCount(0);
  await settled(page);

  await page.reload();
  await expect(mark(page, /sing out/)).toBeVisible();
  await expect(mark(page, /^½C V/)).toBeVisible();
  await expect(page.getByTestId('status')).toContainText('Planned in');

  await page.getByRole('button', { name: 'Hand out' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'MusicXML with the fingering' }).click();
  const xml = await readFile(await (await download).path(), 'utf8');
  expect(xml).toContain('<words>sing out</words>');
  expect(xml).toContain('<words>½C V</words>');
  const again = testInfo.outputPath('again.musicxml');
  await writeFile(again, xml);
  await importStudy(page, again);
  await note(page, 4).click();
  await toStep(page, 'Details');
  await expect(page.getByTestId('marks').getByRole('listitem').filter({ hasText: '½C V' })).toContainText(
    'in the file',
  );
});

test('a slur that a teacher sets is played: the second note is not plucked', async ({ page }) => {
  await importStudy(page, DANCE);
  const pluck = page.locator('[data-pluck-of="3"]');
  await expect(pluck).toHaveCount(1);
  await note(page, 2).click();
  await toStep(page, 'Details');
  const panel = page.getByTestId('marks');
  await panel.getByRole('button', { name: 'New mark at the caret' }).click();
  await panel.getByLabel('Kind of mark').selectOption('slur');
  await expect(panel.getByRole('button', { name: 'Set the mark' })).toBeDisabled();
  await note(page, 3).click();
  await panel.getByRole('button', { name: 'Set the mark' }).click();
  await settled(page);
  await expect(page.locator('path.slur.teacher')).toHaveCount(1);
  await expect(pluck).toHaveCount(0);
});

test('movements are told at the caret; shifts have other places; a return takes over a fingering', async ({
  page,
}) => {
  await importStudy(page, `${STUDIES}moth-hour.musicxml`);
  await toStep(page, 'Shifts');
  await expect(page.getByTestId('movements')).toContainText('⑤0');
  await page.getByTestId('movements').getByRole('button', { name: 'One by one' }).click();
  await expect(page.getByRole('list', { name: 'Set one by one' })).toBeVisible();

  const shifts = page.getByRole('list', { name: 'Shifts', exact: true });
  await expect(shifts.getByRole('button', { name: /→/ }).first()).toContainText('mm/s');
  await shifts.getByRole('button', { name: 'Other places' }).first().click();
  const places = page.getByRole('list', { name: 'Other places for the shift' });
  await expect(places.getByRole('listitem').first()).toBeVisible();

  await toStep(page, 'Read');
  const returns = page.getByRole('list', { name: 'Passages that return' });
  await expect(returns).toContainText('over another bass');
  await returns.getByRole('button', { name: 'Carry the right hand here' }).first().click();
  await settled(page);
  await expect(page.locator('.pluck.teacher').first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();

  await choosingWhatIsShown(page, async () => {
    await page.getByLabel('Chord names').check();
    await page.getByLabel('Guides, fingers that stay, slurs that would help').check();
  });
  await expect(page.locator('[data-mark^="hold@"]').first()).toBeVisible();
  await saved(page);
  expect(await finger(page, 0).textContent()).toBe('0');
});

test('a barre comes with care for the hand and with a way without it', async ({ page }) => {
  await importStudy(page, `${STUDIES}salt-lanterns.musicxml`);
  await toStep(page, 'Details');
  const barres = page.getByTestId('barres');
  await expect(barres).toContainText('doctor or hand therapist');
  await barres.getByRole('button', { name: 'Without it' }).first().click();
  const take = barres.getByRole('button', { name: 'Take it' });
  await expect(take.or(barres.getByText('cannot be held without one'))).toBeVisible();
});

/** Signs on the sheet whose ink touches that of another, as `place: sign × sign`. */
const touching = (page: Page) =>
  page.locator('.system .layer').evaluateAll((layers) =>
    layers.flatMap((layer) => {
      const boxes = [...layer.querySelectorAll('text')].map((text) => {
        const { left, right, top, bottom, height } = text.getBoundingClientRect();
        // A line of text is taller than its letters.
        const air = height * 0.22;
        return {
          name: text.firstChild?.textContent ?? '',
          left,
          right,
          top: top + air,
          bottom: bottom - air,
        };
      });
      return boxes.flatMap((a, index) =>
        boxes
          .slice(index + 1)
          .filter((b) => a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom)
          .map((b) => `${a.name} × ${b.name}`),
      );
    }),
  );

for (const study of ['salt-lanterns', 'slow-ferry'])
  test(`no sign touches another when everything is shown in ${study}`, async ({ page }) => {
    await importStudy(page, `${STUDIES}${study}.musicxml`);
    await choosingWhatIsShown(page, async () => {
      for (const name of [
        'Guides, fingers that stay, slurs that would help',
        'Chord names',
        'Planting, strokes and damping',
        'Every string number',
      ])
        await page.getByLabel(name).check();
    });
    await expect(page.locator('[data-mark^="chord@"]').first()).toBeVisible();
    expect(await page.locator('.system .layer text').count()).toBeGreaterThan(100);
    expect(await touching(page)).toEqual([]);
  });

test('grace notes are fingered and can be chosen, numbers of tuplets and endings are clear of all signs', async ({
  page,
}, testInfo) => {
  const path = testInfo.outputPath('close.musicxml');
  await writeFile(path, closeNotation());
  await importStudy(page, path);
  const pitches = closeNotation().split('<pitch>').length - 1;
  await expect(page.locator('[data-note]')).toHaveCount(pitches);
  await expect(page.locator('.ending-number')).toHaveText(['1.', '2.']);
  expect(await crowdedInk(page, 0.8)).toEqual([]);
});

/** Half a staff space, less what rounding takes, in px. */
const CLEAR = 4.5;

/** Digits that come nearer than half a staff space to a notehead or to each other, as `digit of note × what`. */
const crowded = (page: Page) =>
  page.locator('.system .layer').evaluateAll(
    (layers, clear) =>
      layers.flatMap((layer) => {
        const { left: originX, top: originY } = layer.getBoundingClientRect();
        const boxOf = (element: Element, rise = 0) => {
          const { left, right, top, bottom } = element.getBoundingClientRect();
          const air = (bottom - top) * rise;
          return {
            left: left - originX,
            right: right - originX,
            top: top - originY + air,
            bottom: bottom - originY - air,
          };
        };
        // The area for the pointer reaches 2 px to the right of its head; a head is a staff space high.
        const heads = [...layer.querySelectorAll('[data-note]')].map((area) => {
          const { right, top, bottom } = boxOf(area);
          const middle = (top + bottom) / 2;
          return { left: right - 14, right: right - 2, top: middle - 5, bottom: middle + 5, name: 'head' };
        });
        const digits = [...layer.querySelectorAll('.finger')].map((digit) => ({
          ...boxOf(digit, 0.25),
          name: `${digit.textContent} of ${digit.getAttribute('data-finger-of')}`,
        }));
        const isNear = (a: (typeof digits)[number], b: (typeof digits)[number], room: number) =>
          a.left - room < b.right && b.left - room < a.right && a.top < b.bottom && b.top < a.bottom;
        return digits.flatMap((digit, index) => [
          ...heads.filter((head) => isNear(digit, head, clear)).map((head) => `${digit.name} × ${head.name}`),
          ...digits
            .slice(index + 1)
            .filter((other) => isNear(digit, other, 0))
            .map((other) => `${digit.name} × ${other.name}`),
        ]);
      }),
    CLEAR,
  );

for (const study of ['salt-lanterns', 'paper-kites', 'two-bells', 'stairs-of-glass'])
  test(`every digit stands half a staff space from the noteheads in ${study}`, async ({ page }) => {
    await importStudy(page, `${STUDIES}${study}.musicxml`);
    await atFullSize(page);
    expect(await page.locator('.finger').count()).toBeGreaterThan(40);
    expect(await crowded(page)).toEqual([]);
    await choosingWhatIsShown(page, () => page.getByRole('radio', { name: 'Essential' }).check());
    await expect.poll(() => page.locator('.finger').count()).toBeLessThan(30);
    expect(await crowded(page)).toEqual([]);
  });
