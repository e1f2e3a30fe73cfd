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
    if (!read.ok) throw new Error(read.error.code);
    const { score } = read.value;
    const plan = planPiece(score);
    const output = writeMusicXml(source, marksOf(plan));
    if (!output.ok) throw new Error(output.error.code);

    expect(Boolean(toolkit.loadData(output.value))).toBe(true);
    const mei = parseXml(toolkit.getMEI({ removeIds: false }));
    if (!mei.ok) throw new Error(mei.error.detail);
    const fingerOf = new Map(
      everyNamed(mei.value, 'fing').map(
        (fing) => [fing.attributes.startid?.slice(1), fing.text.trim()] as const,
      ),
    );
    // Every note with its string, fret and finger, as the other program understood it and as we meant it.
    const theirs = everyNamed(mei.value, 'note').map((note) => {
      const {
        pname = '',
        oct,
        accid,
        'accid.ges': implied,
        'xml:id': id,
        'tab.course': course,
        'tab.fret': fret,
      } = note.attributes;
      const accidental = childNamed(note, 'accid')?.attributes;
      const sign = accid ?? accidental?.accid ?? accidental?.['accid.ges'] ?? implied ?? 'n';
      const midi = 12 * (Number(oct) + 1) + STEPS[pname]! + (sign === 's' ? 1 : sign === 'f' ? -1 : 0);
      return `${midi} ${course}/${fret}:${fingerOf.get(id)}`;
    });
    const ours = score.notes.map((note) => {
      const { string, fret, finger } = plan.notes[note.index]!;
      return `${note.midi} ${string}/${fret}:${finger}`;
    });
    expect(theirs.toSorted()).toEqual(ours.toSorted());
  });
});
