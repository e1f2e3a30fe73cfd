import type { Plan } from '../plan/plan.ts';
import { phrasesOf } from '../score/phrases.ts';
import { hardBars } from '../review/difficulty.ts';
import { positionsToldAt } from '../plan/proposed-marks.ts';
import { fewestLeftMarks } from './fewest-marks.ts';
import { readLeft } from './left-reader.ts';
import { MARK_FIELDS, Page, type MarkField } from './page-marks.ts';
import { readerView, type ReaderView } from './reader-view.ts';
import { fewestRightMarks, readRight } from './right-reader.ts';

export const DENSITIES = ['essential', 'working', 'everything'] as const;
/**
 * How much stands on the page: what a trained player needs; besides, the first bar of each phrase and the hard bars in
 * full; or every mark there is. Handbook §9.
 */
export type Density = (typeof DENSITIES)[number];

/** The marks of a page, and whether a reader gets the whole plan from them without stopping to think. */
export interface MarkedPage {
  readonly density: Density;
  readonly page: Page;
  readonly reads: boolean;
}

/** What stands on the page of a plan at a density. */
export const markedPage = (plan: Plan, density: Density): MarkedPage => {
  const { performance, barres } = plan;
  const view = readerView(performance, barres);
  const page = density === 'everything' ? fullPage(plan, view) : new Page(barres);
  // Strings stand where a reader needs them, also in a full bar: digits tell the others.
  if (density === 'working') fillBars(plan, view, page, barsToFill(plan), ['finger', 'pluck']);
  if (density === 'everything') return { density, page, reads: isReadRight(plan, view, page) };
  // What is written already changes what a reader takes for granted after it: the rest is found around it.
  const whole = fewestLeftMarks(view, barres, page);
  fewestRightMarks(performance, view, whole);
  return { density, page: whole, reads: isReadRight(plan, view, whole) };
};

const isReadRight = ({ performance }: Plan, view: ReaderView, page: Page): boolean => {
  const { reading, thinks } = readLeft(view, page);
  let isRight = thinks.size === 0;
  for (const note of view.notes)
    if (note && (reading.strings[note.sound] !== note.string || reading.fingers[note.sound] !== note.finger))
      isRight = false;
  readRight(performance, view, page, () => (isRight = false));
  return isRight;
};

/** Everything: each finger, string and letter, and a numeral for each position that no barre tells. */
const fullPage = (plan: Plan, view: ReaderView): Page => {
  const page = new Page(plan.barres);
  fillBars(plan, view, page, new Set(plan.score.bars.map(({ index }) => index)), MARK_FIELDS);
  for (const slice of positionsToldAt(plan)) page.positions.add(slice);
  return page;
};

/** Writes some fields at every note of some bars. */
const fillBars = (
  { left, right }: Plan,
  view: ReaderView,
  page: Page,
  bars: ReadonlySet<number>,
  fields: readonly MarkField[],
): void => {
  for (const { index, bar } of left.sounds) {
    if (!bars.has(bar) || !view.notes[index]) continue;
    for (const field of fields) if (field !== 'pluck' || right.choices[index]) page.write(index, field);
  }
};

/** Bars in which a student wants to see everything while learning. */
const barsToFill = ({ performance, score, left }: Plan): ReadonlySet<number> => {
  const firsts = phrasesOf(score, left.sounds).map(({ from }) => from);
  return new Set([...firsts, ...hardBars(performance)]);
};
