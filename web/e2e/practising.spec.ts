import type { Browser, BrowserContext } from '@playwright/test';
import { expectAccessible } from './axe.ts';
import { importStudy, STUDIES } from './sheet.ts';
import { expect, test, type Page } from './test';

const DAY = 86_400_000;
/** The days of the test end today: so many before it. */
const dayBefore = (days: number): Date => new Date(Date.now() - days * DAY);
const nameOf = (date: Date): string =>
  new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long' }).format(date);

/** Lets a browser's calendar be some days behind, as its storage says; its clock runs on. */
const setDate = () => {
  const Real = Date;
  const offset = -Number(localStorage.getItem('days-behind') ?? 0) * 86_400_000;
  globalThis.Date = class extends Real {
    constructor(...asked: []) {
      if (asked.length === 0) super(Real.now() + offset);
      else super(...asked);
    }
    static override now(): number {
      return Real.now() + offset;
    }
  } as DateConstructor;
};

const newStudent = async (page: Page, name: string): Promise<void> => {
  await page.goto('/students');
  await page.getByLabel('New student: name or initials').fill(name);
  await page.getByRole('button', { name: 'Add' }).click();
  await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();
};

const takeIn = async (page: Page, piece: string): Promise<void> => {
  const card = page.getByRole('article', { name: piece });
  const pieces = page.getByRole('combobox', { name: 'Piece' });
  if (!(await pieces.isVisible())) await page.getByText('Take a piece in', { exact: true }).click();
  await pieces.selectOption({ label: piece });
  await page.getByRole('button', { name: 'Take in' }).click();
  await expect(card).toBeVisible();
};

const phoneAt = async (browser: Browser, baseURL: string, link: string) => {
  const phone: BrowserContext = await browser.newContext({ baseURL, viewport: { width: 390, height: 844 } });
  const page = await phone.newPage();
  await phone.addInitScript(setDate);
  await page.goto(link);
  await turnTo(page, 3);
  return { phone, page };
};

/** Another day begins on the phone. */
const turnTo = async (page: Page, daysBehind: number): Promise<void> => {
  await page.evaluate((days) => localStorage.setItem('days-behind', String(days)), daysBehind);
  await page.reload();
  await expect(page.locator('main[data-ready="true"]')).toBeVisible();
  await expect(page.getByText(nameOf(dayBefore(daysBehind)))).toBeVisible();
};

/** Waits until the page, the music and what draws it are kept for a day without a network. */
const kept = async (page: Page): Promise<void> => {
  await page.evaluate(() => navigator.serviceWorker.ready);
  await expect
    .poll(() =>
      page.evaluate(async () => {
        const names = await caches.keys();
        const addresses = await Promise.all(
          names.map(async (name) => (await (await caches.open(name)).keys()).map(({ url }) => url)),
        );
        const all = addresses.flat();
        return (
          all.some((url) => url.includes('/sheets/')) && all.some((url) => url.endsWith(location.pathname))
        );
      }),
    )
    .toBe(true);
};

/** Goes through what is left of the day; on every ladder one rung is passed. */
const practise = async (page: Page): Promise<number> => {
  await page.getByRole('button', { name: /^(Begin|Go on) · / }).click();
  const step = page.locator('section.step');
  const clean = page.getByRole('button', { name: 'clean', exact: true });
  const next = page.getByRole('button', { name: 'Done, next' });
  const keep = page.getByRole('button', { name: 'Keep and go on' });
  for (let steps = 0; ; steps += 1) {
    await expect(step.or(page.getByText('That is all for today.'))).toBeVisible();
    const kind = (await step.isVisible()) ? await step.getAttribute('data-step') : undefined;
    if (kind === undefined) return steps;
    if (kind === 'climb') for (let time = 0; time < 3; time += 1) await clean.click();
    await (kind === 'drill' ? clean : next).click();
    if (kind === 'break') continue;
    await keep.click();
    await expect(keep).toHaveCount(0);
  }
};

test('a week of practice: planned, printed, practised on the phone with and without a network, logged, adapted', async ({
  page,
  browser,
  baseURL,
}) => {
  test.setTimeout(120_000);
  await importStudy(page, `${STUDIES}one-thread.musicxml`);
  const name = `Ada ${Date.now()}`;
  await newStudent(page, name);
  await page.getByRole('link', { name: 'Practice plan' }).click();
  await expect(page.getByText('Take a piece in, and the days fill.')).toBeVisible();
  await takeIn(page, 'One Thread');
  await expect(page.getByRole('heading', { name: nameOf(dayBefore(0)) })).toBeVisible();
  await expectAccessible(page);

  // The teacher wants a spot tomorrow and not before; it can be taken back.
  await page.getByText('2 hard spots').click();
  const wish = page
    .getByRole('article', { name: 'One Thread' })
    .getByRole('combobox', { name: 'When it is met' })
    .first();
  await wish.selectOption('next on a day');
  await page.getByLabel('The day', { exact: true }).fill(dayBefore(-1).toISOString().slice(0, 10));
  await page.getByRole('button', { name: 'Plan', exact: true }).click();
  await expect(page.getByText('Planned anew.')).toBeVisible();
  if (dayBefore(0).getDay() === 0) await page.getByRole('button', { name: 'The week after' }).click();
  const tomorrow = page.locator('section.day', { hasText: nameOf(dayBefore(-1)) }).first();
  await expect(tomorrow).toContainText('your teacher wants it today');
  await wish.selectOption('as it comes');
  await expect(page.getByText('your teacher wants it today')).toHaveCount(0);

  // A week fits one page.
  const printed = await page.pdf({ format: 'A4' });
  expect(printed.toString('latin1').match(/\/Type\s*\/Page\b/g)).toHaveLength(1);

  await page.getByRole('button', { name: 'Make the link' }).click();
  const link = (await page.getByTestId('practice-link').getAttribute('href'))!;
  const { phone, page: student } = await phoneAt(browser, baseURL!, link);
  await expectAccessible(student);
  expect(await student.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await kept(student);

  // The first day, with a network.
  await student.getByRole('button', { name: /^Begin · / }).click();
  await expect(student.getByRole('heading', { name: 'warm-up' })).toBeVisible();
  await expect(student.locator('[data-complete="true"]')).toBeVisible();
  await expectAccessible(student);
  await student.getByRole('button', { name: 'Back to the list' }).click();
  const first = await practise(student);
  expect(first).toBeGreaterThan(3);
  // The tempo of a rung is not taken for the one at which the student likes to listen.
  const rate = await student.evaluate(
    () => (JSON.parse(localStorage.getItem('oculon-sound') ?? '{}') as { rate?: number }).rate ?? 1,
  );
  expect(rate).toBe(1);
  await expect(student.getByTestId('waiting')).toHaveCount(0);

  // Two days without one: the days are planned on the phone from what was logged on it.
  await phone.setOffline(true);
  for (const day of [2, 1]) {
    await turnTo(student, day);
    await expect(student.getByText('You are offline')).toBeVisible();
    await student.getByRole('button', { name: /^Begin · / }).click();
    await expect(student.locator('[data-complete="true"]')).toBeVisible();
    await student.getByRole('button', { name: 'Back to the list' }).click();
    expect(await practise(student)).toBeGreaterThan(2);
  }
  const waiting = Number((await student.getByTestId('waiting').textContent())!.match(/\d+/)![0]);
  expect(waiting).toBeGreaterThan(5);
  await phone.setOffline(false);
  await student.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(student.getByTestId('waiting')).toHaveCount(0);

  // Today something hurts, and what asks for it rests.
  await turnTo(student, 0);
  await student.getByRole('tab', { name: 'Days ahead' }).click();
  await expect(student.getByRole('heading', { name: nameOf(dayBefore(-1)) })).toBeVisible();
  await expectAccessible(student);
  await student.getByRole('tab', { name: 'Logbook' }).click();
  await expect(student.getByRole('table')).toContainText('One Thread, bars');
  await student.getByRole('button', { name: 'Add something' }).click();
  await student.getByRole('combobox', { name: 'Did something hurt or go numb?' }).selectOption('left wrist');
  await expect(student.getByText('see a doctor or a hand therapist. This is general advice')).toBeVisible();
  await student.getByRole('textbox', { name: 'A remark' }).fill('too long on Saturday');
  await student.getByRole('button', { name: 'Keep', exact: true }).click();
  await student.getByRole('tab', { name: 'Today' }).click();
  await expect(student.getByRole('alert')).toContainText('rests for two days at least');
  const usual = Number(
    (await student.getByRole('button', { name: / · \d+ min/ }).textContent())!.match(/\d+/)![0],
  );
  await student.getByRole('button', { name: 'A gentler day' }).click();
  await expect(student.getByRole('button', { name: / · \d+ min/ })).not.toContainText(`· ${usual} min`);
  // An entry is corrected; what stood there is kept for the teacher.
  await student.getByRole('tab', { name: 'Logbook' }).click();
  await student.getByRole('button', { name: 'Correct' }).first().click();
  await student.getByRole('spinbutton', { name: 'Minutes' }).fill('4');
  await student.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(student.getByText('corrected')).toBeVisible();
  await expectAccessible(student);

  // The teacher sees the week, and the plan follows it.
  await page.getByRole('link', { name: 'Logbook' }).click();
  const week = page.getByTestId('week');
  await expect(week).toContainText(`It hurt on ${nameOf(dayBefore(0))}: left wrist.`);
  await expect(week).toContainText('One Thread, bars');
  await expect(page.locator('canvas').first()).toBeVisible();
  // What is taken out can be put back.
  await page.getByRole('button', { name: 'Correct', exact: true }).first().click();
  await page.getByRole('button', { name: 'Take it out of the log' }).click();
  await expect(week).not.toContainText('left wrist');
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(week).toContainText('left wrist');
  await page.getByRole('link', { name: 'corrected' }).click();
  await expect(page.getByText('How this entry was written')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('link', { name: 'Practice plan' }).click();
  await page.getByText('2 hard spots').click();
  await expect(page.getByRole('article', { name: 'One Thread' })).toContainText(/at ♩ = \d+ of/);

  // Before the lesson, on one page; notes by bar during it.
  await page.getByRole('link', { name: 'Lesson', exact: true }).click();
  await expect(page.getByTestId('since')).toContainText('left wrist');
  await page.getByRole('combobox', { name: 'Piece' }).selectOption({ label: 'One Thread' });
  await page.getByRole('combobox', { name: 'Bar' }).selectOption({ label: '9' });
  await page.getByRole('textbox', { name: 'Note' }).fill('let the thumb follow');
  await page.getByRole('button', { name: 'Note it' }).click();
  await expect(page.getByText('One Thread, bar 9:')).toBeVisible();
  await page.getByRole('button', { name: 'Tick off: let the thumb follow' }).click();
  await expect(page.getByText('Done (1)')).toBeVisible();
  await expectAccessible(page);

  // A drill that is kept goes into the plan, to warm up with; the phone has it.
  await page.goto('/drills?kind=finger-pairs');
  await page.getByRole('button', { name: 'Keep in the library' }).click();
  await page.getByRole('combobox', { name: 'Put it into a plan' }).selectOption({ label: name });
  await page.getByRole('button', { name: 'Take in' }).click();
  const drill = page.getByRole('article', { name: /Finger pairs/ });
  await expect(drill.getByRole('combobox', { name: 'Use' })).toHaveValue('warm-up');
  await student.reload();
  await student.getByRole('tab', { name: 'Today' }).click();
  await student.getByRole('button', { name: 'warm-up' }).click();
  await expect(student.getByRole('group', { name: /Finger pairs/ })).toBeVisible();
  await phone.close();
});
