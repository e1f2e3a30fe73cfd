import { describe, expect, it } from 'vitest';
import { parsePitch, pitchName } from '../../music/pitch.ts';
import type { Score } from '../../score/score.ts';
import { exampleXml, type Example } from '../../testing/notation.ts';
import { schemaComplaints } from '../../testing/schema.ts';
import { studyXml } from '../../testing/studies.ts';
import { correctMusicXml, tiedTogether, type Correction } from './correct.ts';
import { readMusicXml } from './read.ts';

const scoreOf = (xml: string): Score => {
  const read = readMusicXml(xml);
  if (!read.ok) throw new RangeError(read.error.code);
  return read.value.score;
};
const corrected = (xml: string, index: number, correction: Correction): string => {
  const made = correctMusicXml(xml, scoreOf(xml).notes[index]!.id, correction);
  if (!made.ok) throw new RangeError(made.error.code);
  return made.value;
};
const toPitch = (name: string): Correction => ({ kind: 'pitch', pitch: parsePitch(name)! });
const pitches = (xml: string): readonly string[] =>
  scoreOf(xml).notes.map((note) => pitchName(note.sounding));
const example = (...voices: readonly string[]): string => exampleXml({ voices } as Example);
/** Lines of one text that do not stand in another. */
const newLines = (text: string, before: string): readonly string[] => {
  const known = new Set(before.split('\n'));
  return text
    .split('\n')
    .filter((line) => !known.has(line))
    .map((line) => line.trim());
};

describe('a wrong pitch', () => {
  it('is put right, and nothing else is touched', () => {
    const xml = example('E4/4 G4/4 A4/4 G4/4');
    const right = corrected(xml, 1, toPitch('F4'));
    expect(pitches(right)).toEqual(['E4', 'F4', 'A4', 'G4']);
    expect(newLines(right, xml)).toEqual([
      '<note><pitch><step>F</step><octave>4</octave></pitch><duration>16</duration><voice>1</voice><type>quarter</type></note>',
    ]);
  });

  it('gets the accidental it needs, and so does the next note on its line', async () => {
    const xml = example('E4/4 F4/4 F4/4 G4/4');
    const right = corrected(xml, 1, toPitch('F#4'));
    expect(pitches(right)).toEqual(['E4', 'F#4', 'F4', 'G4']);
    expect([...right.matchAll(/<accidental>(\w+)</g)].map(([, sign]) => sign)).toEqual(['sharp', 'natural']);
    expect(await schemaComplaints(right)).toEqual([]);
  });

  it('is put right in all noteheads that are tied together', () => {
    const xml = example('E4/2 G4/2~ | G4/4 A4/4 E4/2');
    expect(pitches(corrected(xml, 2, toPitch('F#4')))).toEqual(['E4', 'F#4', 'F#4', 'A4', 'E4']);
  });

  it('takes away what the file says of its place', () => {
    const xml = example('E4/4{finger=4,string=2} G4/4 A4/2');
    const [first] = scoreOf(corrected(xml, 0, toPitch('D4'))).notes;
    expect(first!.fingering).toEqual({});
  });

  it('is put right in the files of other clefs too: as it sounds', () => {
    const xml = example('E4/4 G4/4 A4/2').replaceAll(/<clef-octave-change>-1<\/clef-octave-change>/g, '');
    expect(pitches(corrected(xml, 1, toPitch('Bb4')))[1]).toBe('Bb4');
  });

  it('can be put right anywhere in a study, and back again', () => {
    const xml = studyXml('one-thread');
    const { notes } = scoreOf(xml);
    for (const note of notes.filter(({ tiedFrom }) => tiedFrom === undefined)) {
      const { step, alter, octave } = note.sounding;
      const other = corrected(xml, note.index, {
        kind: 'pitch',
        pitch: { step, octave, alter: alter === 0 ? 1 : 0 },
      });
      expect(pitches(other)[note.index]).not.toBe(pitchName(note.sounding));
      const back = corrected(other, note.index, { kind: 'pitch', pitch: note.sounding });
      expect(pitches(back)).toEqual(notes.map((each) => pitchName(each.sounding)));
    }
  });

  it('is told of when there is no such note', () => {
    const made = correctMusicXml(example('E4/1'), 'nowhere' as never, toPitch('F4'));
    expect(made).toEqual({ ok: false, error: { code: 'no-note' } });
  });
});

describe('a tie that is missing', () => {
  const xml = example('E4/2 E4/2 | G4/1');

  it('joins a note to the next of its pitch, and can be taken out again', async () => {
    const tied = corrected(xml, 0, { kind: 'tie', isTied: true });
    expect(scoreOf(tied).notes[1]!.tiedFrom).toBe(0);
    expect(await schemaComplaints(tied)).toEqual([]);
    const apart = corrected(tied, 0, { kind: 'tie', isTied: false });
    expect(scoreOf(apart).notes[1]!.tiedFrom).toBeUndefined();
  });

  it('goes on from the last of several noteheads that are tied together', () => {
    const three = example('E4/2~ E4/2 | E4/1');
    const tied = corrected(three, tiedTogether(scoreOf(three), scoreOf(three).notes[0]!).at(-1)!.index, {
      kind: 'tie',
      isTied: true,
    });
    expect(scoreOf(tied).notes.map(({ tiedFrom }) => tiedFrom)).toEqual([undefined, 0, 1]);
  });

  it('needs a note of the same pitch to lead to', () => {
    const made = correctMusicXml(xml, scoreOf(xml).notes[1]!.id, { kind: 'tie', isTied: true });
    expect(made).toEqual({ ok: false, error: { code: 'no-next-note' } });
  });
});
