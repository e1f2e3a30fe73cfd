import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import createVerovioModule from 'verovio/wasm';
import { VerovioToolkit } from 'verovio/esm';
import { beforeAll, describe, expect, it } from 'vitest';
import { planPiece } from '../../plan/plan.ts';
import { marksOf } from '../plan-marks.ts';
import { childNamed, parseXml, type XmlElement } from '../xml/tree.ts';
import { readMusicXml } from './read.ts';
import { writeMusicXml } from './write.ts';

const STUDIES = fileURLToPath(new URL('../../../../demo/studies', import.meta.url));

const everyNamed = (element: XmlElement, name: string): XmlElement[] =>
  element.children.flatMap((child) => [...(child.name === name ? [child] : []), ...everyNamed(child, name)]);

const STEPS: Readonly<Record<string, number>> = { c: 0, d: 2, e: 4, f: 5, g: 7, a: 9, b: 11 };

/** Reads our output with Verovio, an independent engraving library, and looks at the MEI it makes of it. */
describe('an independent reader (Verovio)', () => {
  let toolkit: VerovioToolkit;
  beforeAll(async () => {
    toolkit = new VerovioToolkit(await createVerovioModule());
  });

  it.each(readdirSync(STUDIES))('finds the notes and our fingers in %s', (name) => {
    const source = readFileSync(`${STUDIES}/${name}`, 'utf8');
    const read = readMusicXml(source);
    if (!read.ok) throw new Error(read.error.message);
    const { score } = read.value;
    const plan = planPiece(score);
    const output = writeMusicXml(source, marksOf(plan));
    if (!output.ok) throw new Error(output.error.message);

    expect(toolkit.loadData(output.value)).toBe(true);
    const mei = parseXml(toolkit.getMEI({ removeIds: false }));
    if (!mei.ok) throw new Error(mei.error.detail);
    const notes = everyNamed(mei.value, 'note');
    const pitches = notes.map((note) => {
      const { pname = '', 'oct.ges': sounding, oct, accid } = note.attributes;
      const accidental = childNamed(note, 'accid')?.attributes;
      const sign =
        accid ?? accidental?.accid ?? accidental?.['accid.ges'] ?? note.attributes['accid.ges'] ?? 'n';
      return 12 * (Number(sounding ?? oct) + 1) + STEPS[pname]! + (sign === 's' ? 1 : sign === 'f' ? -1 : 0);
    });
    const sorted = (values: readonly number[]) => values.toSorted((a, b) => a - b);
    expect(sorted(pitches)).toEqual(sorted(score.notes.map((note) => note.midi)));

    const fingers = everyNamed(mei.value, 'fing').map((fing) =>
      (
        fing.text +
        everyNamed(fing, 'rend')
          .map((each) => each.text)
          .join('')
      ).trim(),
    );
    const digits = fingers.filter((text) => /^[0-4]$/.test(text)).map(Number);
    expect(sorted(digits)).toEqual(sorted(plan.notes.flatMap((note) => (note.tied ? [] : note.finger!))));
  });
});
