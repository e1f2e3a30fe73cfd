import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readMusicXml } from '../src/formats/musicxml/read.ts';
import { markedPage } from '../src/page/density.ts';
import { planPiece, type Plan } from '../src/plan/plan.ts';
import { planOf } from './judge-passage.ts';
import { planTextured } from './judge-textured.ts';
import { REPORTED, TUNED_ON } from './passages.ts';
import { TEXTURED } from './textured.ts';

const STUDIES = join(import.meta.dirname, '../../demo/studies');

/** How many marks the essential pages of some plans carry. */
const row = (name: string, plans: readonly Plan[]): string => {
  const sums = { stopped: 0, digits: 0, zeros: 0, strings: 0, numerals: 0, plucked: 0, letters: 0, read: 0 };
  for (const plan of plans) {
    const { page, reads } = markedPage(plan, 'essential');
    sums.stopped += plan.left.choices.filter((choice) => choice && choice.finger > 0).length;
    sums.plucked += plan.right.choices.filter((choice) => choice).length;
    sums.numerals += page.positions.size;
    if (reads) sums.read += 1;
    for (const [sound, { finger, string, pluck }] of page.at) {
      const isOpen = plan.left.choices[sound]!.finger === 0;
      if (finger && isOpen) sums.zeros += 1;
      if (finger && !isOpen) sums.digits += 1;
      if (string) sums.strings += 1;
      if (pluck) sums.letters += 1;
    }
  }
  const share = (some: number, all: number): string =>
    `${some} of ${all} (${((100 * some) / all).toFixed(0)} %)`;
  const cells = [
    share(sums.digits, sums.stopped),
    sums.zeros,
    sums.strings,
    sums.numerals,
    share(sums.letters, sums.plucked),
    `${sums.read} of ${plans.length}`,
  ];
  return `| ${name} | ${cells.join(' | ')} |`;
};

/** What the essential marks come to, for the studies and all passages. */
export const pageReport = (): string => {
  const studies = readdirSync(STUDIES).map((file) => {
    const read = readMusicXml(readFileSync(join(STUDIES, file), 'utf8'));
    if (!read.ok) throw new Error(read.error.code);
    return planPiece(read.value.score);
  });
  return `## Essential marks

Written so that a reader who goes from left to right by rules gets the whole plan (handbook §9). Rule of thumb there: a digit on a fifth to a third of the stopped notes, hardly any 0, never 1 under a barre.

| | digits on stopped notes | zeros | strings | numerals | letters | read back whole |
| --- | --- | --- | --- | --- | --- | --- |
${studies.map((plan) => row(plan.score.title, [plan])).join('\n')}
${row(
  'short passages',
  [...TUNED_ON, ...REPORTED].map((passage) => planOf(passage)),
)}
${row(
  'textured passages',
  TEXTURED.map((passage) => planTextured(passage)),
)}`;
};
