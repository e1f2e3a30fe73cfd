import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { EMPTY_FINGERING } from '../../../fingering/fingering.ts';
import { planPiece, setupFor } from '../../../plan/plan.ts';
import { exampleXml } from '../../../testing/notation.ts';
import { marksOf, wantedMarks } from '../../plan-marks.ts';
import { readMusicXml } from '../read.ts';
import { writeMusicXml } from '../write.ts';

const STUDIES = fileURLToPath(new URL('../../../../../demo/studies', import.meta.url));
const studies = readdirSync(STUDIES).map(
  (name) => [name, readFileSync(`${STUDIES}/${name}`, 'utf8')] as const,
);

/** What `oculon plan --out` and the web's export write. */
const exported = (xml: string): string => {
  const read = readMusicXml(xml);
  if (!read.ok) throw new Error(read.error.code);
  const { score, marks } = read.value;
  const plan = planPiece(score, EMPTY_FINGERING, setupFor(score));
  const written = writeMusicXml(xml, marksOf(plan), { signs: wantedMarks(plan, marks) });
  if (!written.ok) throw new Error(written.error.code);
  return written.value;
};

/** The two voices of a document under one voice number, as programs write that tell lines apart by `backup` alone. */
const inOneVoice = (xml: string): string => xml.replaceAll('<voice>2</voice>', '<voice>1</voice>');

const barres = exampleXml({
  voices: [
    'F4/8 A4/8 C5/8 A4/8 F4/4 C4/4 | F4+A4/4 C5/4 G4/4 E4/4 | F#4/8 A#4/8 C#5/8 A#4/8 F#4/2',
    'F2/4 C3/4 F2/2 | F2/1 | F#2/2. F#2/4',
  ],
});
const unisons = exampleXml({
  voices: ['B3/4 F4+B3/4 F4/4 B3/4 | F4/2 F4/2', 'B3/2 F2/2 | F2/4 B3/4 F2/2'],
});

describe('a file that is exported, read and exported again', () => {
  const files = [...studies, ['barres', barres] as const, ['unisons', unisons] as const];
  it.each(
    files.flatMap(([name, xml]) => [
      [name, xml],
      [`${name}, lines in one voice`, inOneVoice(xml)],
    ]),
  )(
    // prettier-ignore
    'is the same file: %s',
    (_, xml) => {
      const once = exported(xml);
      const twice = exported(once);
      const count = (text: string, sign: RegExp) => text.match(sign)?.length ?? 0;
      for (const sign of [
        /<bracket /g,
        /<direction[ >]/g,
        /<slur /g,
        /<other-notation/g,
        /<other-technical/g,
      ])
        expect([sign.source, count(twice, sign)]).toEqual([sign.source, count(once, sign)]);
      expect(twice).toBe(once);
    },
  );
});
