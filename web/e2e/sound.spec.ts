import { readFile } from 'node:fs/promises';
import { expect, test } from './test';
import { importStudy, settled, STUDIES, toStep } from './sheet.ts';
import { forget, plucks, scheduled, watch } from './watched-sound.ts';

/** The frequency near `hertz` in the left channel of a file of 44.1 kHz, by how far its phase turns in 50 ms. */
const frequency = (samples: Int16Array, hertz: number, from: number): number => {
  const phaseAt = (second: number): number => {
    const [start, count] = [Math.round(second * 44_100), Math.round(0.4 * 44_100)];
    let [re, im] = [0, 0];
    for (let index = 0; index < count; index += 1) {
      const window = 0.5 - 0.5 * Math.cos((2 * Math.PI * index) / count);
      const angle = (2 * Math.PI * hertz * (start + index)) / 44_100;
      re += samples[2 * (start + index)]! * window * Math.cos(angle);
      im -= samples[2 * (start + index)]! * window * Math.sin(angle);
    }
    return Math.atan2(im, re);
  };
  const turned = phaseAt(from + 0.05) - phaseAt(from);
  return hertz + Math.atan2(Math.sin(turned), Math.cos(turned)) / (2 * Math.PI * 0.05);
};

test('a teacher plays from the caret, loops, changes the tempo, the balance and what is heard', async ({
  page,
}) => {
  await watch(page);
  await importStudy(page, `${STUDIES}slow-ferry.musicxml`);
  const status = page.getByTestId('playing');
  await page.keyboard.press('Space');
  await expect(page.locator('[data-playhead]')).toBeVisible();
  await expect(status).toContainText('Bar 1');
  const first = plucks(await scheduled(page));
  expect(first.length).toBeGreaterThan(3);
  await page.keyboard.press('Space');
  await expect(page.locator('[data-playhead]')).toHaveCount(0);
  expect((await scheduled(page)).at(-1)).toMatchObject({ kind: 'hush' });

  // From the caret, over and over, at half the tempo.
  await page.keyboard.press('PageDown');
  await page.keyboard.press('l');
  await expect(page.getByLabel('From bar')).toHaveValue('2');
  await page.getByRole('slider', { name: 'Speed' }).fill('1.3');
  await expect(page.getByRole('button', { name: 'Tap the tempo' })).toContainText('130 %');
  await forget(page);
  await page.keyboard.press('Space');
  await expect(status).toContainText('Bar 2');
  await expect
    .poll(async () => plucks(await scheduled(page)).length, { timeout: 20_000 })
    .toBeGreaterThan(25);
  const looped = plucks(await scheduled(page));
  const begun = looped.filter(({ hertz }) => hertz === looped[0]!.hertz);
  expect(begun.length).toBeGreaterThan(2);
  await page.keyboard.press(',');
  await expect(page.getByRole('button', { name: 'Tap the tempo' })).toContainText('125 %');

  // Without the bass; then the click alone.
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('slider', { name: 'Bass' }).fill('0');
  await page.waitForTimeout(300);
  await forget(page);
  await expect.poll(async () => plucks(await scheduled(page)).length).toBeGreaterThan(5);
  expect(plucks(await scheduled(page)).every(({ string }) => string! < 3)).toBe(true);
  await page.getByRole('slider', { name: 'Bass' }).fill('1');
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.keyboard.press('c');
  await page.keyboard.press('c');
  await page.waitForTimeout(300);
  await forget(page);
  await expect
    .poll(async () => (await scheduled(page)).filter(({ kind }) => kind === 'click').length)
    .toBeGreaterThan(3);
  expect(plucks(await scheduled(page))).toHaveLength(0);
  await page.keyboard.press('c');
  await page.keyboard.press('Space');
  await page.keyboard.press('l');
});

test('the ladder climbs, and another fingering is heard in turn with the one before', async ({ page }) => {
  await watch(page);
  await importStudy(page, `${STUDIES}slow-ferry.musicxml`);
  await page.keyboard.press('l');
  await page.getByRole('slider', { name: 'Speed' }).fill('0.9');
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByLabel('Each time a step faster').check();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.keyboard.press('Space');
  const rate = page.getByRole('button', { name: 'Tap the tempo' });
  await expect(rate).toContainText('95 %', { timeout: 15_000 });
  await page.keyboard.press('b');
  await page.keyboard.press('Space');

  const before = await page.locator('[data-string-of]').count();
  await page.keyboard.press('Shift+Digit2');
  await settled(page);
  await expect.poll(() => page.locator('[data-string-of]').count()).not.toBe(before);
  const openStrings = async () => {
    await forget(page);
    await page.keyboard.press('Space');
    await expect.poll(async () => plucks(await scheduled(page)).length).toBeGreaterThan(1);
    await page.keyboard.press('Space');
    return plucks(await scheduled(page)).map(({ string }) => string);
  };
  const now = await openStrings();
  await page.keyboard.press('b');
  const then = await openStrings();
  expect(now[1]).not.toEqual(then[1]);

  // Another way of the passage is heard before it is taken.
  await page.getByRole('button', { name: 'Other ways' }).click();
  await page.getByRole('button', { name: 'Hear it' }).first().click();
  await expect(page.locator('[data-playhead]')).toBeVisible();
  await expect(page.getByRole('button', { name: 'The sound remembered' })).toBeVisible();
  await page.keyboard.press('b');
  await expect(page.getByRole('button', { name: 'The sound now' })).toBeVisible();
  await page.keyboard.press('Space');
});

test('a passage is written as WAV and the piece as MIDI', async ({ page }) => {
  await importStudy(page, `${STUDIES}slow-ferry.musicxml`);
  await page.keyboard.press('l');
  await page.getByRole('button', { name: 'More', exact: true }).click();
  const wav = page.waitForEvent('download');
  await page.getByRole('button', { name: 'WAV file' }).click();
  const bytes = await readFile(await (await wav).path());
  expect(bytes.subarray(0, 4).toString('latin1')).toBe('RIFF');
  expect(bytes.readUInt32LE(4)).toBe(bytes.length - 8);
  const samples = new Int16Array(bytes.buffer, bytes.byteOffset + 44, (bytes.length - 44) >> 1);
  const loudest = samples.reduce((most, each) => Math.max(most, Math.abs(each)), 0);
  expect(loudest).toBeGreaterThan(1500);
  expect(loudest).toBeLessThan(32_767);
  // The bass of its first chord, rendered by this browser, is in tune: A2 within 3 cents.
  const heard = frequency(samples, 110, 0.3);
  expect(Math.abs(1200 * Math.log2(heard / 110))).toBeLessThan(3);
  // One bar of four quarters at 84, and time to ring out.
  expect(samples.length / 2 / 44_100).toBeCloseTo((4 * 60) / 84 + 3.1, 1);

  const midi = page.waitForEvent('download');
  await page.getByRole('button', { name: 'MIDI file' }).click();
  expect((await readFile(await (await midi).path())).subarray(0, 4).toString('latin1')).toBe('MThd');
});

test('a browser without audio says so, and everything else works', async ({ page }) => {
  await page.addInitScript(() => {
    delete (window as { AudioWorkletNode?: unknown }).AudioWorkletNode;
  });
  await importStudy(page, `${STUDIES}slow-ferry.musicxml`);
  await page.keyboard.press('Space');
  await expect(page.getByRole('alert')).toContainText('This browser cannot play sound');
  await page.keyboard.press('PageDown');
  await expect(page.getByRole('region', { name: 'Note at the caret' })).toContainText('bar 2');
  await toStep(page, 'Hard bars');
  await expect(page.getByTestId('walk')).toContainText(/Bar 2|nothing new/);
});

test('the words of the bars are said before they are played, and can be hushed', async ({ page }) => {
  await watch(page);
  // A voice of the test: it keeps what it is to say, and is done when it is told.
  await page.addInitScript(() => {
    const said: { text: string; lang: string; onend?: () => void; onstart?: () => void }[] = [];
    const voice = {
      getVoices: () => [],
      cancel: () => said.at(-1)?.onend?.(),
      speak: (utterance: (typeof said)[number]) => {
        said.push(utterance);
        utterance.onstart?.();
      },
    };
    Object.defineProperty(window, 'speechSynthesis', { value: voice });
    (window as unknown as { said: typeof said }).said = said;
  });
  const said = () =>
    page.evaluate(() =>
      (window as unknown as { said: SpeechSynthesisUtterance[] }).said.map(({ text, lang }) => ({
        text,
        lang,
      })),
    );
  await importStudy(page, `${STUDIES}slow-ferry.musicxml`);
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByLabel('Say it before it is played').check();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.locator('[data-note="0"]').first().click();
  await page.keyboard.press('Space');
  await expect.poll(async () => (await said()).length).toBe(1);
  const [first] = await said();
  expect(first!.lang).toBe('en');
  expect(first!.text.length).toBeGreaterThan(20);
  expect(first!.text).not.toMatch(/[①-⑥♯♭]/);
  await page.waitForTimeout(900);
  expect(plucks(await scheduled(page))).toHaveLength(0);
  await page.evaluate(() => (window as unknown as { said: { onend?: () => void }[] }).said.at(-1)!.onend!());
  await expect(page.locator('[data-playhead]')).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.locator('[data-playhead]')).toHaveCount(0);

  // Hushed while it speaks, it does not play.
  await forget(page);
  await page.keyboard.press('Space');
  await expect.poll(async () => (await said()).length).toBe(2);
  await page.keyboard.press('Space');
  await page.waitForTimeout(600);
  expect(plucks(await scheduled(page))).toHaveLength(0);
});
