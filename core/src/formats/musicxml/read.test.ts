import { problemSaid, repairSaid } from '../../testing/words.ts';
import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { pitchName } from '../../music/pitch.ts';
import { quartersText } from '../../music/time.ts';
import { asTimewise, withPlainClef, withTranspose } from '../../testing/documents.ts';
import { exampleMeter, exampleXml } from '../../testing/notation.ts';
import { readSourceFile } from '../source/source-file.ts';
import { readMusicXml, type ImportedScore } from './read.ts';

const read = (xml: string, part?: string): ImportedScore => {
  const result = readMusicXml(xml, part === undefined ? {} : { part });
  if (!result.ok) throw new Error(result.error.code);
  return result.value;
};
const problem = (xml: string) => {
  const result = readMusicXml(xml);
  if (result.ok) throw new Error('this should not be readable');
  return result.error;
};
const sounding = ({ score }: ImportedScore) => score.notes.map((note) => pitchName(note.sounding));
const dance = exampleXml({
  meter: exampleMeter('3/4'),
  voices: ['A3/4 C4/8 B3/8 A3/4 | B3/2.', 'A2/2. | E2/2.'],
});

describe('the octave of the guitar', () => {
  it('is understood in all three ways it is written', () => {
    const expected = ['A3', 'A2', 'C4', 'B3', 'A3', 'B3', 'E2'];
    for (const xml of [dance, withTranspose(dance), withPlainClef(dance)]) {
      expect(sounding(read(xml))).toEqual(expected);
      expect(pitchName(read(xml).score.notes[0]!.written)).toBe('A4');
    }
  });

  it('is not lowered twice when clef and transpose say the same', () => {
    const both = dance.replace(
      '</clef>',
      '</clef><transpose><chromatic>0</chromatic><octave-change>-1</octave-change></transpose>',
    );
    expect(sounding(read(both))[6]).toBe('E2');
  });
});

describe('arrangement and packing', () => {
  it('by bar reads like by part', () => {
    const byBar = read(asTimewise(dance)).score;
    expect(byBar).toEqual(read(dance).score);
  });

  it('compressed files are unpacked by their container', () => {
    const container = '<container><rootfiles><rootfile full-path="score/piece.xml"/></rootfiles></container>';
    const zip = zipSync({
      'META-INF/container.xml': strToU8(container),
      'score/piece.xml': strToU8(dance),
      'other.xml': strToU8('<x/>'),
    });
    const text = readSourceFile(zip);
    expect(text).toEqual({ ok: true, value: dance });
  });

  it('UTF-16 and Latin-1 are decoded', () => {
    const title = 'Été';
    const xml = exampleXml({ title, voices: ['E4/1'] });
    const utf16 = new Uint8Array(2 + xml.length * 2);
    utf16.set([0xff, 0xfe]);
    for (let at = 0; at < xml.length; at += 1)
      utf16.set([xml.charCodeAt(at) & 255, xml.charCodeAt(at) >> 8], 2 + at * 2);
    const latin = Uint8Array.from(xml.replace('UTF-8', 'ISO-8859-1'), (letter) => letter.charCodeAt(0));
    for (const bytes of [utf16, latin]) {
      const text = readSourceFile(bytes);
      expect(text.ok && read(text.value).score.title).toBe(title);
    }
  });
});

describe('what a score holds', () => {
  it('times are exact, also in tuplets', () => {
    const { score } = read(exampleXml({ voices: ['C4/8t D4/8t E4/8t F4/4. G4/8 A4/4'] }));
    const beats = score.notes.map((note) => quartersText(note.onset, score.ticksPerQuarter));
    expect(beats).toEqual(['0', '1/3', '2/3', '1', '5/2', '3']);
    expect(score.bars[0]!.voices[0]!.events[0]!.ratio).toEqual({ actual: 3, normal: 2 });
  });

  it('tied notes are one sound that is struck once', () => {
    const { score } = read(exampleXml({ voices: ['E4/2 G4/2~ | G4/2 E4/2'] }));
    expect(score.notes.map((note) => note.tiedFrom)).toEqual([undefined, undefined, 1, undefined]);
  });

  it('short slurs are left-hand slurs, long ones phrasing', () => {
    const short = read(exampleXml({ voices: ['E4/4( F4/4) G4/2'] })).score;
    expect(short.notes[1]!.slurredFrom).toEqual({ note: 0, kind: 'slur' });
    const long = read(exampleXml({ voices: ['E4/8( F4/8 G4/8 A4/8 B4/8 A4/8) G4/4'] })).score;
    expect(long.notes.every((note) => note.slurredFrom === undefined)).toBe(true);
  });

  it('slurs that run at one time in two voices under one number are both read', () => {
    const { notes } = read(exampleXml({ voices: ['E4/4( F4/4) G4/2', 'C3/4( D3/4) E3/2'] })).score;
    const slurred = notes.filter(({ slurredFrom }) => slurredFrom !== undefined);
    expect(slurred.map(({ voice }) => voice)).toHaveLength(2);
    for (const { slurredFrom, voice } of slurred) expect(notes[slurredFrom!.note]!.voice).toBe(voice);
  });

  it('hammer-ons, harmonics, grace notes, articulations, dynamics and words are read', () => {
    const xml = exampleXml({
      voices: ['E4/4 F4/4 G4/2'],
      words: { 1: 'dolce' },
      dynamics: { 1: 'pp' },
      tempo: 66,
    });
    const notes = [...xml.matchAll(/<note>[\s\S]*?<\/note>/g)].map((match) => match[0]);
    const bent = xml
      .replace(
        notes[0]!,
        notes[0]!.replace(
          '</note>',
          '<notations><technical><hammer-on type="start">H</hammer-on></technical><articulations><staccato/></articulations></notations></note>',
        ),
      )
      .replace(
        notes[1]!,
        notes[1]!.replace(
          '</note>',
          '<notations><technical><hammer-on type="stop"/><harmonic><natural/></harmonic></technical></notations></note>',
        ),
      )
      .replace(
        notes[2]!,
        notes[2]!.replace('<note>', '<note><grace/>').replace(/<duration>\d+<\/duration>/, '') + notes[2]!,
      );
    const { score } = read(bent);
    expect(score.notes[0]!.articulations).toEqual(['staccato']);
    expect(score.notes[1]!.slurredFrom).toEqual({ note: 0, kind: 'hammer-on' });
    expect(score.notes[1]!.harmonic).toBe('natural');
    expect(score.notes[2]).toMatchObject({ grace: true, duration: 0 });
    expect(score.notes[3]).toMatchObject({ grace: false, onset: score.notes[2]!.onset });
    expect(score.directions.map(({ kind, text }) => [kind, text])).toEqual([
      ['tempo', 'quarter=66'],
      ['words', 'dolce'],
      ['dynamics', 'pp'],
    ]);
    expect(score.tempi).toEqual([{ onset: 0, quartersPerMinute: 66 }]);
  });

  it('upbeats, repeats, endings and jumps are read', () => {
    const xml = exampleXml({
      meter: exampleMeter('3/4'),
      pickup: true,
      voices: ['E4/4 | F4/2. | G4/2. | A4/2.'],
      repeats: [{ from: 2, to: 3 }],
    });
    const bent = xml
      .replace(
        '<bar-style>light-heavy</bar-style><repeat direction="backward"/>',
        '<bar-style>light-heavy</bar-style><ending number="1" type="stop"/><repeat direction="backward"/>',
      )
      .replace(
        /<measure number="2">/,
        '<measure number="2"><barline location="left"><ending number="1" type="start"/></barline><direction><direction-type><words>D.C. al Fine</words></direction-type></direction>',
      );
    const { score, repairs } = read(bent);
    expect(repairs).toEqual([]);
    expect(score.bars[0]).toMatchObject({ pickup: true, number: '0' });
    expect(score.bars[0]!.length * 3).toBe(score.bars[1]!.length);
    expect(score.bars[1]!.repeatStart).toBe(true);
    expect(score.bars[2]).toMatchObject({
      repeatEnd: true,
      ending: { numbers: '1', starts: true, stops: true },
      navigation: ['da-capo'],
    });
  });

  it('fingerings of the source are read, letters among the digits as plucks', () => {
    const { score } = read(
      exampleXml({ voices: ['E4/4{finger=4,string=2,fret=5,pluck=m} B3/4{finger=i} G3/2{finger=0}'] }),
    );
    expect(score.notes.map((note) => note.fingering)).toEqual([
      { finger: 4, string: 2, pluck: 'm' },
      { pluck: 'i' },
      { finger: 0 },
    ]);
  });

  it('strings of a tablature staff belong to the notes above it', () => {
    const xml = exampleXml({ voices: ['E4/1', 'E4/1'] })
      .replace('<clef>', '<staves>2</staves><clef number="1">')
      .replace('</clef>', '</clef><clef number="2"><sign>TAB</sign><line>5</line></clef>');
    let seen = 0;
    const bent = xml
      .replaceAll('<type>whole</type>', () =>
        (seen += 1) === 1
          ? '<type>whole</type><staff>1</staff>'
          : '<type>whole</type><staff>2</staff><notations><technical><string>2</string><fret>5</fret></technical></notations>',
      )
      .replaceAll(/<stem>\w+<\/stem>/g, '');
    const { score } = read(bent);
    expect(score.notes).toHaveLength(1);
    expect(score.notes[0]!.fingering).toEqual({ string: 2 });
  });

  it('keeps the ids of notes when the music is read again', () => {
    const ids = (xml: string) => read(xml).score.notes.map((note) => note.id);
    expect(ids(withPlainClef(dance))).toEqual(ids(dance));
    expect(new Set(ids(dance)).size).toBe(7);
    expect(ids(dance)[2]).toBe('1:1:1:60:0');
  });
});

describe('several parts', () => {
  const second = '<score-part id="P2"><part-name>Flute</part-name></score-part>';
  const two = (name: string) =>
    dance
      .replace(
        '<part-name>Guitar</part-name></score-part>',
        `<part-name>${name}</part-name></score-part>${second}`,
      )
      .replace(
        '</part>\n</score-partwise>',
        `</part>${/<part id="P1">[\s\S]*<\/part>/.exec(dance)![0].replace('P1', 'P2')}</score-partwise>`,
      );

  it('the guitar is found by its name, or asked for', () => {
    expect(read(two('Chitarra')).partId).toBe('P1');
    expect(problem(two('Oboe'))).toMatchObject({
      code: 'choose-part',
      values: {
        parts: [
          { id: 'P1', name: 'Oboe' },
          { id: 'P2', name: 'Flute' },
        ],
      },
    });
    for (const wanted of ['P2', 'Flute', '2']) expect(read(two('Oboe'), wanted).partId).toBe('P2');
  });
});

describe('broken input', () => {
  it.each([
    ['not XML', 'hello', 'not-xml'],
    ['cut off', dance.slice(0, 900), 'not-xml'],
    ['another kind of XML', '<html><body/></html>', 'not-musicxml'],
    ['no notes', dance.replaceAll(/<note>[\s\S]*?<\/note>/g, ''), 'no-notes'],
    [
      'an entity trick',
      dance
        .replace('<!DOCTYPE', '<!DOCTYPE x [<!ENTITY e SYSTEM "file:///etc/passwd">]><!--')
        .replace('partwise.dtd">', '-->')
        .replace('Example', '&e;'),
      'not-xml',
    ],
  ])('%s gets one message with a remedy', (_, xml, code) => {
    const found = problem(xml);
    expect(found.code).toBe(code);
    expect(problemSaid(found)).toMatch(/export|choose|correct/i);
  });

  it('a zip that is no score, an empty file and 50 MB of nothing are refused', () => {
    const codeOf = (bytes: Uint8Array) => {
      const result = readSourceFile(bytes);
      return result.ok ? 'readable' : result.error.code;
    };
    expect(codeOf(zipSync({ 'picture.png': strToU8('x') }))).toBe('no-score-in-archive');
    expect(codeOf(Uint8Array.from([0x50, 0x4b, 3, 4, 0, 0]))).toBe('damaged-archive');
    expect(codeOf(new Uint8Array(0))).toBe('empty');
    expect(codeOf(new Uint8Array(50 * 1024 * 1024))).toBe('too-large');
    expect(codeOf(zipSync({ 'nothing.xml': new Uint8Array(40 * 1024 * 1024) }))).toBe('too-large');
  });

  it('a bar that does not add up is named, read as it stands, and listed', () => {
    const full = read(
      exampleXml({ meter: exampleMeter('3/4'), voices: ['E4/2. | E4/4 F4/4 G4/4 A4/4 | G4/2.'] }),
    );
    expect(full.repairs).toMatchObject([{ code: 'bar-too-full', values: { bar: '2' } }]);
    expect(repairSaid(full.repairs[0]!)).toMatch(
      /Bar 2, voice 1, holds 4 quarters where 3\/4 has room for 3.*correct it/i,
    );
    expect(full.score.bars[2]!.start).toBe(7 * full.score.ticksPerQuarter);
    const short = read(exampleXml({ meter: exampleMeter('3/4'), voices: ['E4/2. | E4/4 F4/4 | G4/2.'] }));
    expect(short.repairs).toMatchObject([{ code: 'bar-not-full', values: { bar: '2' } }]);
  });

  it('a pitch below the lowest string is named with its bar, or explained by a lowered ⑥', () => {
    const low = problem(exampleXml({ voices: ['E4/1 | E4/1', '-/1 | B1/1'] }));
    expect(low).toMatchObject({ code: 'below-range', values: { bar: '2' } });
    expect(problemSaid(low)).toMatch(/Bar 2, voice 2: B1 .* below the lowest string/);
    const lowered = read(exampleXml({ voices: ['E4/1', 'D2/1'] }));
    expect(lowered.repairs).toMatchObject([{ code: 'tuning-lowered' }]);
    expect(lowered.score.tuning?.[5]).toBe(38);
  });

  it('strings and frets that contradict the pitch are left out and listed', () => {
    const { score, repairs } = read(
      exampleXml({ voices: ['E4/4{string=2,fret=3} E4/4{string=9} G3/2{string=1}'] }),
    );
    expect(score.notes.map((note) => note.fingering)).toEqual([{ string: 2 }, {}, {}]);
    expect(repairs.map((repair) => repair.code)).toEqual([
      'wrong-fret',
      'unknown-string',
      'unreachable-string',
    ]);
  });

  it('a missing duration is taken from the printed note', () => {
    const { score, repairs } = read(dance.replace(/<duration>\d+<\/duration>/, ''));
    expect(repairs.map((repair) => repair.code)).toContain('missing-duration');
    expect(score.notes[0]!.duration).toBe(score.ticksPerQuarter);
  });
});
