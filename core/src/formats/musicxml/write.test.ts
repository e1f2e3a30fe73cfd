import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planPiece } from '../../plan/plan.ts';
import { placesOf, STANDARD_GUITAR } from '../../instrument/guitar.ts';
import type { Note, NoteId } from '../../score/score.ts';
import { asTimewise, withPlainClef, withTranspose } from '../../testing/documents.ts';
import { exampleXml } from '../../testing/notation.ts';
import { schemaComplaints } from '../../testing/schema.ts';
import { marksOf } from '../plan-marks.ts';
import { parseXml, type XmlElement } from '../xml/tree.ts';
import { readMusicXml } from './read.ts';
import { writeMusicXml, type NoteMarks } from './write.ts';

const STUDIES = fileURLToPath(new URL('../../../../demo/studies', import.meta.url));
const studies = readdirSync(STUDIES).map(
  (name) => [name, readFileSync(`${STUDIES}/${name}`, 'utf8')] as const,
);

const scoreOf = (xml: string) => {
  const read = readMusicXml(xml);
  if (!read.ok) throw new Error(read.error.code);
  return read.value.score;
};
const written = (xml: string, marks: ReadonlyMap<NoteId, NoteMarks>): string => {
  const result = writeMusicXml(xml, marks);
  if (!result.ok) throw new Error(result.error.code);
  return result.value;
};
const fingered = (xml: string): string => written(xml, marksOf(planPiece(scoreOf(xml))));

/** The document as nested arrays without the technical marks, and without the holders that became empty by it. */
const bare = (element: XmlElement): unknown => {
  const children = element.children
    .filter((child) => !['string', 'fret', 'fingering', 'pluck'].includes(child.name))
    .map((child) => [child, bare(child)] as const)
    .filter(
      ([child, inside]) =>
        !(['technical', 'notations'].includes(child.name) && (inside as unknown[])[3] === 0),
    )
    .map(([, inside]) => inside);
  return [element.name, element.attributes, element.text.trim(), children.length, children];
};
const bareDocument = (xml: string): unknown => {
  const tree = parseXml(xml);
  if (!tree.ok) throw new Error(tree.error.detail);
  return bare(tree.value);
};

const note = fc.constantFrom('E4', 'G3', 'C3', 'A2', 'F#4', 'Bb3');
const technical = fc.constantFrom('', '{finger=1}', '{string=5}', '{pluck=m}', '{finger=p,string=4}');
const token = fc.tuple(note, fc.constantFrom('/4', '/4(', '/4)'), technical).map((parts) => parts.join(''));
const bars = fc.array(
  fc.array(token, { minLength: 4, maxLength: 4 }).map((tokens) => tokens.join(' ')),
  { minLength: 1, maxLength: 4 },
);
const document = fc
  .tuple(
    bars.map((each) => each.join(' | ')),
    fc.constantFrom(
      (x: string) => x,
      // Ties that lead nowhere.
      (x: string) => x.replaceAll('<voice>', '<tie type="start"/><voice>'),
      asTimewise,
      withTranspose,
      withPlainClef,
      (x: string) => x.replaceAll('\n', '\r\n'),
      (x: string) => x.replaceAll(/>\s+</g, '><'),
    ),
  )
  .map(([voice, bend]) => bend(exampleXml({ voices: [voice] })));
/** Marks that a plan could write: string and fret are those of the note, or missing. */
const marksFor = (note: Note, { place, ...marks }: Decided): NoteMarks => {
  const places = placesOf(STANDARD_GUITAR, note.midi);
  return place === undefined ? marks : { ...marks, ...places[place % places.length]! };
};
type Decided = NoteMarks & { readonly place?: number };
const marks: fc.Arbitrary<Decided> = fc.record(
  {
    place: fc.nat(5),
    finger: fc.integer({ min: 0, max: 4 }),
    pluck: fc.constantFrom('p', 'i', 'm', 'a'),
  },
  { requiredKeys: [] },
);

describe('writing the fingering into the source', () => {
  it('leaves everything but the technical marks as it was', () => {
    fc.assert(
      fc.property(document, fc.array(marks, { minLength: 16, maxLength: 16 }), (xml, choices) => {
        const { notes } = scoreOf(xml);
        const output = written(
          xml,
          new Map(notes.map((each, index) => [each.id, marksFor(each, choices[index % 16]!)])),
        );
        expect(bareDocument(output)).toEqual(bareDocument(xml));
      }),
      { numRuns: 60 },
    );
  });

  it('is read back as it was written', () => {
    fc.assert(
      fc.property(document, fc.array(marks, { minLength: 16, maxLength: 16 }), (xml, choices) => {
        const { notes } = scoreOf(xml);
        const wanted = new Map(notes.map((each, index) => [each.id, marksFor(each, choices[index % 16]!)]));
        const tree = readMusicXml(written(xml, wanted));
        expect(tree.ok).toBe(true);
        if (!tree.ok) return;
        for (const { id, fingering } of tree.value.score.notes) {
          const own = wanted.get(id)!;
          if (own.finger !== undefined) expect(fingering.finger).toBe(own.finger);
          if (own.pluck !== undefined) expect(fingering.pluck).toBe(own.pluck);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('changes nothing, to the byte, when there is nothing to say or nothing new', () => {
    for (const [, xml] of studies) {
      expect(written(xml, new Map())).toBe(xml);
      const once = fingered(xml);
      expect(written(once, marksOf(planPiece(scoreOf(once))))).toBe(once);
    }
  });

  it('keeps other technical signs and comments', () => {
    const xml = exampleXml({ voices: ['E4/1'] }).replace(
      '</note>',
      '<!-- mine --><notations><technical placement="above"><up-bow/><fingering>3</fingering></technical></notations></note>',
    );
    const output = written(xml, new Map([[scoreOf(xml).notes[0]!.id, { finger: 1, string: 2, fret: 5 }]]));
    expect(output).toContain('<!-- mine -->');
    expect(output).toContain('<up-bow/>');
    expect(output).toMatch(/<fingering>1<\/fingering>/);
    expect(output).not.toMatch(/<fingering>3<\/fingering>/);
  });

  it.each(studies)('%s with its fingering is valid under the MusicXML schema', async (_, xml) => {
    expect(await schemaComplaints(xml)).toEqual([]);
    expect(await schemaComplaints(fingered(xml))).toEqual([]);
  });

  it('the schema check itself finds a misplaced element', async () => {
    const wrong = exampleXml({ voices: ['E4/1'] }).replace('<voice>1</voice>', '<string>1</string>');
    expect((await schemaComplaints(wrong)).length).toBeGreaterThan(0);
  });
});
