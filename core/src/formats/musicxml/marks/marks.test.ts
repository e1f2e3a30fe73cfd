import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { markId } from '../../../fingering/mark-id.ts';
import type { Mark, MarkId } from '../../../fingering/marks.ts';
import type { StringNumber } from '../../../instrument/guitar.ts';
import { anchorOf } from '../../../score/anchor.ts';
import type { NoteIndex, Score } from '../../../score/score.ts';
import { exampleXml } from '../../../testing/notation.ts';
import { schemaComplaints } from '../../../testing/schema.ts';
import { readMusicXml } from '../read.ts';
import { writeMusicXml } from '../write.ts';
import { barreWords, readBracketWords, romanNumeral } from './mark-text.ts';

const read = (xml: string) => {
  const result = readMusicXml(xml);
  if (!result.ok) throw new Error(result.error.code);
  return result.value;
};
const write = (xml: string, marks: readonly Mark[], removed: readonly MarkId[] = []): string => {
  const result = writeMusicXml(xml, new Map(), { signs: { marks, removed } });
  if (!result.ok) throw new Error(result.error.code);
  return result.value;
};
const marksIn = (xml: string): readonly Mark[] =>
  [...read(xml).marks.values()].map(({ mark }) => mark).sort((a, b) => markId(a).localeCompare(markId(b)));
const sorted = (marks: readonly Mark[]): readonly Mark[] =>
  [...new Map(marks.map((mark) => [markId(mark), mark])).values()].sort((a, b) =>
    markId(a).localeCompare(markId(b)),
  );

const XML = exampleXml({
  voices: ['E4/8 F4/8 G4/8 A4/8 C4+E4+G4/4 E4/4 | D4/8 E4/8 F4/8 E4/8 D4/2', 'C3/4 G2/4 A2/2 | G2/2 C3/2'],
});
const { score } = read(XML);

/** Any mark on two places of the score; spans begin and end in one voice. */
const markOn = ({ notes }: Score): fc.Arbitrary<Mark> => {
  const place = fc.nat({ max: notes.length - 1 });
  const id = (note: NoteIndex) => notes[note]!.id;
  const span = fc
    .tuple(place, place)
    .map(([a, b]) => [Math.min(a, b), Math.max(a, b)] as const)
    .filter(([a, b]) => a !== b && notes[a]!.voice === notes[b]!.voice && notes[a]!.onset < notes[b]!.onset);
  const bracket = span.map(([a, b]) => ({ from: id(anchorOf(score, a)), to: id(anchorOf(score, b)) }));
  const over = span.map(([a, b]) => ({ from: id(a), to: id(b) }));
  const at = place.map((note) => ({ from: id(note) }));
  const anchor = place.map((note) => ({ from: id(anchorOf(score, note)) }));
  const fret = fc.integer({ min: 1, max: 12 });
  return fc.oneof(
    fc
      .tuple(
        bracket,
        fret,
        fc.constantFrom('full' as const, 'partial' as const, 'hinge' as const),
        fc.constantFrom(1 as const, 4 as const),
      )
      .map(([each, at, extent, finger]): Mark => ({ kind: 'barre', ...each, fret: at, extent, finger })),
    fc.tuple(bracket, fret).map(([each, position]): Mark => ({ kind: 'position', ...each, position })),
    fc.tuple(over, fc.boolean()).map(([each, heard]): Mark => ({ kind: 'guide', ...each, heard })),
    over.map((each): Mark => ({ kind: 'hold', ...each })),
    fc
      .tuple(anchor, fc.constantFrom(4, 5, 6))
      .map(([each, string]): Mark => ({ kind: 'damp', ...each, string: string as StringNumber })),
    fc
      .tuple(at, fc.constantFrom('i', 'im', 'pima', 'ma'))
      .map(([each, fingers]): Mark => ({ kind: 'plant', ...each, fingers })),
    fc
      .tuple(at, fc.constantFrom('rest' as const, 'free' as const))
      .map(([each, stroke]): Mark => ({ kind: 'stroke', ...each, stroke })),
    fc
      .tuple(anchor, fc.constantFrom('sing', 'slowly & <freely>', 'keep 3 down'))
      .map(([each, text]): Mark => ({ kind: 'text', ...each, text })),
  );
};
/** Marks of which at most six of a kind overlap: MusicXML has no more numbers. */
const someMarks = fc.array(markOn(score), { maxLength: 6 }).map(sorted);

describe('marks in MusicXML', () => {
  it('come back as they were written, whatever they are', () => {
    fc.assert(
      fc.property(someMarks, (marks) => {
        expect(marksIn(write(XML, marks))).toEqual(marks);
      }),
      { numRuns: 150 },
    );
  });

  it('are not written twice, and leave nothing behind when they are taken out', () => {
    fc.assert(
      fc.property(someMarks, (marks) => {
        const once = write(XML, marks);
        expect(write(once, marks)).toBe(once);
        const bare = write(
          once,
          [],
          marks.map((mark) => markId(mark)),
        );
        expect(marksIn(bare)).toEqual([]);
        expect(read(bare).score.notes).toEqual(score.notes);
      }),
      { numRuns: 80 },
    );
  });

  it('are valid under the schema of MusicXML 3.0', async () => {
    for (const marks of fc.sample(someMarks, 12))
      expect(await schemaComplaints(write(XML, marks))).toEqual([]);
  });

  it('are changed in place', () => {
    const [from, to] = [score.notes[0]!.id, score.notes.find(({ midi }) => midi === 69)!.id];
    const barre = (fret: number): Mark => ({ kind: 'barre', from, to, fret, extent: 'full', finger: 1 });
    const changed = write(write(XML, [barre(3)]), [barre(5)]);
    expect(marksIn(changed)).toEqual([barre(5)]);
    expect(changed.match(/<bracket/g)).toHaveLength(2);
  });

  it('slurs are technical slurs: hammer-on and pull-off with a slur sign', () => {
    const [first, second, third] = score.notes.filter(({ voice }) => voice === '1');
    const up: Mark = { kind: 'slur', from: first!.id, to: second!.id, as: 'hammer-on' };
    const on: Mark = { kind: 'slur', from: second!.id, to: third!.id, as: 'hammer-on' };
    const xml = write(XML, [up, on]);
    expect(marksIn(xml)).toEqual(sorted([up, on]));
    const { notes } = read(xml).score;
    expect(notes[second!.index]!.slurredFrom).toEqual({ note: first!.index, kind: 'hammer-on' });
  });

  it('of three notes under one slur the rest stays when one step is taken out', () => {
    const slurred = exampleXml({ voices: ['E4/8( F4/8 G4/8) A4/8 E4/2'] });
    const before = marksIn(slurred);
    expect(before).toHaveLength(2);
    const xml = write(slurred, [], [markId(before[0]!)]);
    expect(marksIn(xml)).toEqual([before[1]]);
  });

  it('barres and positions of other programs are read from brackets with words', () => {
    const xml = write(XML, []).replace(
      '<note>',
      '<direction><direction-type><words>1/2 B II</words></direction-type><direction-type><bracket type="start" number="3" line-end="none"/></direction-type></direction><note>',
    );
    const closed = xml.replace(
      '</note>',
      '</note><direction><direction-type><bracket type="stop" number="3" line-end="down"/></direction-type></direction>',
    );
    const { id } = score.notes.find(({ midi }) => midi === 64)!;
    expect(marksIn(closed)).toEqual([
      { kind: 'barre', from: id, to: id, fret: 2, extent: 'partial', finger: 1 },
    ]);
    expect(read(closed).score.directions).toEqual([]);
  });
});

// The signs of handbook §1, common practice, no published source.
describe('the words of brackets', () => {
  it('say barres with C and the position, partial ones with a fraction', () => {
    expect(barreWords({ fret: 5, extent: 'full', finger: 1 })).toBe('C V');
    expect(barreWords({ fret: 2, extent: 'partial', finger: 1 })).toBe('½C II');
    expect(readBracketWords('B VII')).toEqual({ kind: 'barre', fret: 7, extent: 'full', finger: 1 });
    expect(readBracketWords('IX')).toEqual({ kind: 'position', position: 9 });
    expect(readBracketWords('rit.')).toBeUndefined();
    expect(romanNumeral(14)).toBe('XIV');
  });

  it('that are taken out go wherever fingering is put in, however empty the signs beside them', () => {
    const slurred = exampleXml({ voices: ['E4/4( F4/4) G4/2'] });
    const slur = markId([...read(slurred).marks.values()][0]!.mark);
    const beside = ['<technical/>', '<technical></technical>', '<technical><up-bow/></technical>'];
    const variants = beside.flatMap((technical) => [
      slurred.replaceAll('</notations>', `${technical}</notations>`),
      slurred.replaceAll('<notations>', `<notations>${technical}`),
      slurred.replaceAll(/>\s+</g, '><').replaceAll('</notations>', `${technical}</notations>`),
      slurred.replaceAll('</notations>', `</notations><notations>${technical}</notations>`),
    ]);
    for (const xml of [slurred, ...variants]) {
      const marks = new Map(read(xml).score.notes.map(({ id }) => [id, { finger: 1, pluck: 'i' }]));
      const result = writeMusicXml(xml, marks, { signs: { marks: [], removed: [slur] } });
      const text = result.ok ? result.value : result.error.code;
      expect(text).not.toContain('<slur');
      expect(text.match(/<fingering>1<\/fingering>/g)).toHaveLength(3);
      expect(read(text).score.notes.map(({ fingering }) => fingering.pluck)).toEqual(['i', 'i', 'i']);
    }
  });
});
