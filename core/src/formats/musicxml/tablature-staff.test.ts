import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import createVerovioModule from 'verovio/wasm';
import { VerovioToolkit } from 'verovio/esm';
import { beforeAll, describe, expect, it } from 'vitest';
import { generatedXml } from '../../../test/golden/pieces.ts';
import type { Midi } from '../../music/pitch.ts';
import { planPiece, setupFor, type Plan } from '../../plan/plan.ts';
import { exampleXml } from '../../testing/notation.ts';
import { marksOf, tablatureOf } from '../plan-marks.ts';
import { parseXml, type XmlElement } from '../xml/tree.ts';
import { readMusicXml } from './read.ts';
import { withTablatureStaff } from './tablature-staff.ts';
import { writeMusicXml } from './write.ts';

const STUDIES = fileURLToPath(new URL('../../../../demo/studies', import.meta.url));
const GENERATED = 20;

const PIECES: readonly (readonly [string, string])[] = [
  ...readdirSync(STUDIES).map((name) => [name, readFileSync(`${STUDIES}/${name}`, 'utf8')] as const),
  ...Array.from({ length: GENERATED }, (_, seed) => [`generated piece ${seed}`, generatedXml(seed)] as const),
];

const written = (
  source: string,
): { readonly plan: Plan; readonly marked: string; readonly output: string } => {
  const read = readMusicXml(source);
  if (!read.ok) throw new Error(read.error.code);
  const plan = planPiece(read.value.score);
  const marked = writeMusicXml(source, marksOf(plan));
  if (!marked.ok) throw new Error(marked.error.code);
  const output = withTablatureStaff(marked.value, tablatureOf(plan), setupFor(plan.score).guitar);
  if (!output.ok) throw new Error(output.error.code);
  return { plan, marked: marked.value, output: output.value };
};

const everyNamed = (element: XmlElement, name: string): XmlElement[] =>
  element.children.flatMap((child) => [...(child.name === name ? [child] : []), ...everyNamed(child, name)]);

const placesIn = (plan: Plan): string[] =>
  plan.notes.flatMap(({ string, fret }) => (string === undefined ? [] : [`${string}/${fret}`])).toSorted();

describe('a staff of six lines under the notes', () => {
  let toolkit: VerovioToolkit;
  beforeAll(async () => {
    toolkit = new VerovioToolkit(await createVerovioModule());
  });

  it.each(PIECES)(
    'says the string and the fret of every note to an independent reader (Verovio): %s',
    (_, source) => {
      const { plan, output } = written(source);
      expect(Boolean(toolkit.loadData(output))).toBe(true);
      const mei = parseXml(toolkit.getMEI({ removeIds: false }));
      if (!mei.ok) throw new Error(mei.error.detail);
      const definitions = everyNamed(mei.value, 'staffDef');
      expect(definitions.map(({ attributes }) => attributes.lines)).toEqual(['5', '6']);
      const staves = everyNamed(mei.value, 'staff');
      const onLines = staves.filter(({ attributes }) => attributes.n === '2');
      const theirs = onLines.flatMap((staff) =>
        everyNamed(staff, 'note').map(
          ({ attributes }) => `${attributes['tab.course']}/${attributes['tab.fret']}`,
        ),
      );
      expect(theirs.toSorted()).toEqual(placesIn(plan));
      // Every bar has both.
      expect(staves.length).toBe(2 * plan.score.bars.length);
    },
  );

  it.each(PIECES)(
    'leaves the notes as they were, and is read again as tablature of them: %s',
    (_, source) => {
      const { plan, marked, output } = written(source);
      const [before, after] = [readMusicXml(marked), readMusicXml(output)];
      if (!before.ok || !after.ok) throw new Error('not read');
      const { tuning, capo } = setupFor(plan.score).guitar;
      expect(after.value.score).toEqual({ ...before.value.score, tuning, capo });
      const repeated = [...after.value.tablature.values()].filter((elements) => elements.length > 0);
      expect(repeated).toHaveLength(placesIn(plan).length);
    },
  );

  it('comes once, and not beside tablature that is there', () => {
    const { plan, output } = written(PIECES[0]![1]);
    const again = withTablatureStaff(output, tablatureOf(plan), setupFor(plan.score).guitar);
    expect(again).toEqual({ ok: true, value: output });
  });

  it('names the strings of another tuning and the capo', () => {
    const source = exampleXml({ voices: ['D3/4 A3/4 D4/4 F4/4'] });
    const read = readMusicXml(source);
    if (!read.ok) throw new Error(read.error.code);
    const setup = setupFor(read.value.score);
    const guitar = {
      ...setup.guitar,
      tuning: [64, 59, 55, 50, 45, 38] as readonly number[] as readonly Midi[],
      capo: 2,
    };
    const plan = planPiece(read.value.score, undefined, { ...setup, guitar });
    const output = withTablatureStaff(source, tablatureOf(plan), guitar);
    if (!output.ok) throw new Error(output.error.code);
    const again = readMusicXml(output.value);
    expect(again.ok && again.value.score.tuning).toEqual([64, 59, 55, 50, 45, 38]);
    expect(again.ok && again.value.score.capo).toBe(2);
  });
});
