import { problemSaid, repairSaid } from '../../testing/words.ts';
import { describe, expect, it } from 'vitest';
import { EMPTY_FINGERING } from '../../fingering/fingering.ts';
import { pitchName, sharpSpelling } from '../../music/pitch.ts';
import { planPiece, setupFor } from '../../plan/plan.ts';
import {
  at,
  back,
  barsXml,
  documentXml,
  guitarXml,
  noteXml,
  notes,
  OCTAVE_CLEF,
  PLAIN_CLEF,
  TAB_CLEF,
  words,
} from '../../testing/files.ts';
import { marksOf } from '../plan-marks.ts';
import { readMusicXml, type ImportedScore } from './read.ts';
import { writeMusicXml } from './write.ts';

const read = (xml: string, part?: string): ImportedScore => {
  const result = readMusicXml(xml, part === undefined ? {} : { part });
  if (!result.ok) throw new Error(result.error.code);
  return result.value;
};
const sounding = ({ score }: ImportedScore) => score.notes.map((note) => pitchName(note.sounding));
const codes = ({ repairs }: ImportedScore) => repairs.map(({ code }) => code);
const tuning = ({ score }: ImportedScore) =>
  score.tuning?.map((pitch) => pitchName(sharpSpelling(pitch))).join(' ');
const onsets = ({ score }: ImportedScore) => score.notes.map(({ onset }) => onset / score.ticksPerQuarter);
const planned = (xml: string): string => {
  const { score } = read(xml);
  const plan = planPiece(score, EMPTY_FINGERING, setupFor(score));
  const written = writeMusicXml(xml, marksOf(plan));
  if (!written.ok) throw new Error(written.error.code);
  return written.value;
};

const DROP_D = 'E4 B3 G3 D3 A2 D2';
const line = notes('E4', 'F4', 'G4', 'A4');
const staffTuning = (number: number, step: string, octave: number) =>
  `<staff-tuning line="${number}"><tuning-step>${step}</tuning-step><tuning-octave>${octave}</tuning-octave></staff-tuning>`;
const accord =
  '<direction><direction-type><scordatura><accord string="6"><tuning-step>D</tuning-step><tuning-octave>2</tuning-octave></accord></scordatura></direction-type></direction>';

describe('the tuning', () => {
  it.each([
    ['a scordatura sign', accord, DROP_D],
    ['⑥ = D', words('⑥ = D'), DROP_D],
    ['⑥=Ré', words('⑥=Ré'), DROP_D],
    ['Drop D', words('Drop D'), DROP_D],
    ['6ª en Re', words('6ª en Re'), DROP_D],
    ['6th string to D', words('6th string to D'), DROP_D],
    ['sexta en Re', words('(sexta en Re)'), DROP_D],
    ['6. Saite nach D', words('6. Saite nach D'), DROP_D],
    ['DADGBE', words('DADGBE'), DROP_D],
    ['Tuning: D A D G B E', words('Tuning: D A D G B E'), DROP_D],
    ['two strings', words('⑥ = D, ⑤ = G'), 'E4 B3 G3 D3 G2 D2'],
    ['a lute', words('③ = F♯'), 'E4 B3 F#3 D3 A2 E2'],
  ])('is read from %s, also where no low D sounds', (_, direction, expected) => {
    expect(tuning(read(guitarXml(OCTAVE_CLEF, direction + line)))).toBe(expected);
  });

  it.each(['dolce', 'in 6 bars to D.C.', 'A tempo', 'Feed', 'Lento e cantabile', 'CII', '⑥', 'BADGE'])(
    'is not read out of %s',
    (text) => expect(tuning(read(guitarXml(OCTAVE_CLEF, words(text) + line)))).toBeUndefined(),
  );

  it('is read from the lines that are changed, and when all is said twice', () => {
    const six = [['E', 2], ['A', 2], ['D', 3], ['G', 3], ['B', 3], ['E', 4]] as const; // prettier-ignore
    const details = (first: string) =>
      `<staff-details><staff-lines>6</staff-lines>${six.map(([step, octave], index) => staffTuning(index + 1, index === 0 ? first : step, octave)).join('')}</staff-details>`;
    expect(tuning(read(guitarXml(OCTAVE_CLEF + details('D') + details('D'), line)))).toBe(DROP_D);
    const changed = `<staff-details>${staffTuning(1, 'D', 2)}</staff-details>`;
    expect(tuning(read(guitarXml(OCTAVE_CLEF + changed, line)))).toBe(DROP_D);
    const octaveHigh = `<staff-details>${staffTuning(1, 'D', 3)}</staff-details>`;
    expect(tuning(read(guitarXml(OCTAVE_CLEF + octaveHigh, line)))).toBe(DROP_D);
  });

  it('is corrected by the frets before anything is called wrong', () => {
    const found = read(
      guitarXml(OCTAVE_CLEF, at('D2', 6, 0) + at('E2', 6, 2) + at('G2', 6, 5) + at('E4', 1, 0)),
    );
    expect(tuning(found)).toBe(DROP_D);
    expect(codes(found)).toEqual(['tuning-corrected']);
    const said = `<staff-details>${staffTuning(1, 'D', 2)}</staff-details>`;
    const standard = read(guitarXml(OCTAVE_CLEF + said, at('E2', 6, 0) + at('F2', 6, 1) + at('G2', 6, 3)));
    expect(tuning(standard)).toBe('E4 B3 G3 D3 A2 E2');
    expect(codes(standard)).not.toContain('wrong-fret');
  });

  it('of a capo: notes written as they are fingered sound higher', () => {
    const capo = '<staff-details><capo>3</capo></staff-details>';
    const fingered = read(guitarXml(OCTAVE_CLEF + capo, at('E2', 6, 0) + at('C3', 5, 3) + at('E4', 1, 0)));
    expect(sounding(fingered)).toEqual(['G2', 'D#3', 'G4']);
    expect(pitchName(fingered.score.notes[0]!.written)).toBe('E3');
    expect(codes(fingered)).toContain('capo-fingered');
    expect(fingered.score.notes[0]!.fingering.string).toBe(6);
    const heard = read(guitarXml(OCTAVE_CLEF + capo, at('G2', 6, 0) + at('D#3', 5, 3)));
    expect(sounding(heard)).toEqual(['G2', 'D#3']);
    expect(codes(heard)).toEqual([]);
  });

  it.each([
    ['Capo 2', 2],
    ['capo on II', 2],
    ['Capotasto III', 3],
    ['Cejilla 5', 5],
    ['Da Capo 2 volte', 0],
    ['D. C. al Fine', 0],
    ['capo', 0],
    ['a capo', 0],
  ])('of a capo in words: “%s” is fret %d', (text, capo) => {
    const found = read(guitarXml(OCTAVE_CLEF, words(text) + notes('E3', 'C3')));
    expect(found.score.capo).toBe(capo);
    expect(found.score.notes[0]!.midi).toBe(52 + capo);
    expect(codes(found)).toEqual(capo > 0 ? ['capo-fingered'] : []);
  });

  it('of seven strings: the highest six are read, and what needs the seventh is named', () => {
    const seven = [['B', 1], ['E', 2], ['A', 2], ['D', 3], ['G', 3], ['B', 3], ['E', 4]] as const; // prettier-ignore
    const details = `<staff-details><staff-lines>7</staff-lines>${seven.map(([step, octave], index) => staffTuning(index + 1, step, octave)).join('')}</staff-details>`;
    const found = read(guitarXml(OCTAVE_CLEF + details, line));
    expect(codes(found)).toContain('seven-strings');
    expect(tuning(found)).toBe('E4 B3 G3 D3 A2 E2');
    const low = readMusicXml(guitarXml(OCTAVE_CLEF + details, notes('B1')));
    expect(low).toMatchObject({ ok: false, error: { code: 'below-range', values: { bar: '1' } } });
    expect(!low.ok && problemSaid(low.error)).toMatch(/seventh string/);
  });
});

describe('the octave', () => {
  const low = at('E2', 6, 0) + at('C3', 5, 3) + at('E4', 1, 0) + at('G4', 1, 3);
  const high = at('E3', 6, 0) + at('C4', 5, 3) + at('E5', 1, 0) + at('G5', 1, 3);

  it('of tablature alone follows its strings and frets, whatever pitch is written beside them', () => {
    for (const [bars, how] of [
      [low, 'sounding'],
      [high, 'written'],
    ] as const) {
      // prettier-ignore
      const found = read(guitarXml(TAB_CLEF, bars));
      expect([how, ...sounding(found)]).toEqual([how, 'E2', 'C3', 'E4', 'G4']);
      expect(found.score.notes.map(({ fingering }) => fingering.string)).toEqual([6, 5, 1, 1]);
      expect(codes(found)).not.toContain('wrong-fret');
    }
  });

  it('of concert pitch in a plain treble clef follows the frets, else the range, and says so', () => {
    const byFrets = read(guitarXml(PLAIN_CLEF, low));
    expect(sounding(byFrets)).toEqual(['E2', 'C3', 'E4', 'G4']);
    expect(codes(byFrets)).toEqual(['octave-settled']);
    const byRange = read(guitarXml(PLAIN_CLEF, notes('E2', 'C3', 'E4', 'G4')));
    expect(sounding(byRange)).toEqual(['E2', 'C3', 'E4', 'G4']);
    expect(byRange.repairs).toMatchObject([{ code: 'octave-settled' }]);
    expect(repairSaid(byRange.repairs[0]!)).toMatch(/change the octave in the setup/);
    // What the usual reading fits stays with it.
    expect(sounding(read(guitarXml(PLAIN_CLEF, notes('E3', 'E5'))))).toEqual(['E2', 'E4']);
  });

  it('is not moved by one wrong fret under signs that say it, nor out of the guitar', () => {
    const wrong = read(guitarXml(OCTAVE_CLEF, at('E4', 2, 17) + notes('E2', 'C3', 'E4')));
    expect(sounding(wrong)).toEqual(['E4', 'E2', 'C3', 'E4']);
    expect(codes(wrong)).toEqual(['wrong-fret']);
    const outside = read(guitarXml(PLAIN_CLEF, at('E3', 6, 12) + notes('E3', 'C4', 'E6')));
    expect(sounding(outside)).toEqual(['E2', 'E2', 'C3', 'E5']);
  });

  it('is settled for each staff: transpose with a number speaks of one of them', () => {
    const attributes = `<staves>2</staves><clef number="1"><sign>G</sign><line>2</line></clef><clef number="2"><sign>TAB</sign><line>5</line></clef><transpose number="1"><chromatic>0</chromatic><octave-change>-1</octave-change></transpose>`;
    const staff = (pitch: string, number: number, technical = '') =>
      noteXml({ pitch, duration: 8, voice: number, staff: number, technical });
    const found = read(
      guitarXml(attributes, staff('E5', 1) + back(8) + staff('E4', 2, '<string>2</string><fret>5</fret>')),
    );
    expect(sounding(found)).toEqual(['E4']);
    expect(found.score.notes[0]!.fingering).toEqual({ string: 2 });
  });

  it('and what else is learned of the instrument leaves the ids of notes alone', () => {
    const ids = (xml: string) => read(xml).score.notes.map(({ id }) => id);
    const plain = guitarXml(PLAIN_CLEF, notes('E3', 'C4', 'E5', 'G5'));
    const capo = '<staff-details><capo>3</capo></staff-details>';
    for (const xml of [
      guitarXml(PLAIN_CLEF, high),
      guitarXml(TAB_CLEF, high),
      guitarXml(PLAIN_CLEF + capo, high),
      guitarXml(PLAIN_CLEF, words('⑥ = D') + high),
    ])
      expect(ids(xml)).toEqual(ids(plain));
    // Also of a harmonic, whose sound depends on how it is read.
    const touched = (kind: string) =>
      guitarXml(OCTAVE_CLEF, noteXml({ pitch: 'E3', technical: `<harmonic>${kind}</harmonic>` }));
    expect(ids(touched('<natural/><base-pitch/>'))).toEqual(ids(touched('<artificial/>')));
  });
});

describe('tablature and notation', () => {
  const melody = notes('E5', 'C5', 'A4', 'E4');
  const tab = at('E4', 2, 5) + at('C4', 3, 5) + at('A3', 4, 7) + at('E3', 5, 7);

  it('as two parts are one instrument, and both receive what is exported', () => {
    const xml = documentXml(
      ['Guitar', barsXml(PLAIN_CLEF, [melody])],
      ['Guitar (TAB)', barsXml(TAB_CLEF, [tab])],
    );
    const found = read(xml);
    expect(found.partId).toBe('P1');
    expect(found.score.notes.map(({ fingering }) => fingering.string)).toEqual([2, 3, 4, 5]);
    const moved = writeMusicXml(
      xml,
      new Map([[found.score.notes[0]!.id, { string: 1, fret: 0, finger: 0 }]]),
    );
    if (!moved.ok) throw new Error(moved.error.code);
    const [first, second] = moved.value.split('<part id="P2">');
    expect(first).toMatch(/<fret>0<\/fret><string>1<\/string>/);
    expect(second).toMatch(/^.*?<fret>0<\/fret><string>1<\/string>/);
    expect(second).not.toContain('<fingering>');
    expect(read(moved.value).score.notes[0]!.fingering).toEqual({ string: 1, finger: 0 });
  });

  it('describe the instrument together, also where only the tablature tells the tuning', () => {
    const details = `<staff-details><staff-lines>6</staff-lines>${staffTuning(1, 'D', 2)}</staff-details>`;
    const low = noteXml({ pitch: 'D3', duration: 8 });
    const xml = (tab: string) =>
      documentXml(
        ['Guitar', barsXml(PLAIN_CLEF, [melody, low])],
        ['Guitar TAB', barsXml(TAB_CLEF + details, [tab, at('D2', 6, 0, { duration: 8 })])],
      );
    expect(tuning(read(xml(tab)))).toBe(DROP_D);
    expect(codes(read(xml(tab)))).toEqual(['tuning-read']);
    // Another guitar's tuning is its own.
    const other = read(xml(at('B3', 2, 0) + at('G3', 3, 0) + at('F3', 4, 3) + at('A2', 5, 0)));
    expect(codes(other)).toEqual(['tuning-lowered']);
  });

  it('of other music beside a guitar are left alone', () => {
    const xml = documentXml(
      ['Guitar', barsXml(PLAIN_CLEF, [melody])],
      ['Guitar 2', barsXml(TAB_CLEF, [at('B3', 2, 0) + at('G3', 3, 0) + at('D3', 4, 0) + at('A2', 5, 0)])],
    );
    expect(read(xml).score.notes.map(({ fingering }) => fingering.string)).toEqual(Array(4).fill(undefined));
  });

  it('are read from the tablature where the staff of notes is empty, and in whatever divisions it is written', () => {
    const staves =
      '<staves>2</staves><clef number="1"><sign>G</sign><line>2</line></clef><clef number="2"><sign>TAB</sign><line>5</line></clef>';
    const empty =
      noteXml({ duration: 8, staff: 1 }) + back(8) + at('E4', 1, 0, { duration: 8, staff: 2, voice: 5 });
    expect(sounding(read(guitarXml(staves, empty)))).toEqual(['E4']);
    const finer = barsXml(TAB_CLEF, [tab])
      .replace('<divisions>2<', '<divisions>14<')
      .replaceAll('<duration>2<', '<duration>14<');
    const found = read(documentXml(['Guitar', barsXml(PLAIN_CLEF, [melody])], ['TAB', finer]));
    expect(found.score.notes.map(({ fingering }) => fingering.string)).toEqual([2, 3, 4, 5]);
  });

  it('a unison on two strings stays two', () => {
    const unison = at('E4', 1, 0, { duration: 8 }) + at('E4', 2, 5, { duration: 8, chord: true });
    const { score } = read(guitarXml(TAB_CLEF, unison));
    expect(score.notes.map(({ fingering }) => fingering.string)).toEqual([1, 2]);
    const plan = planPiece(score, EMPTY_FINGERING, setupFor(score));
    expect(plan.notes.map(({ string, fret }) => [string, fret])).toEqual([[1, 0], [2, 5]]); // prettier-ignore
  });
});

describe('what takes its time without being fingered', () => {
  it('cue notes, in the same voice and another', () => {
    const found = read(
      guitarXml(
        OCTAVE_CLEF,
        noteXml({ pitch: 'E4' }) +
          noteXml({ pitch: 'C4', cue: true }) +
          noteXml({ pitch: 'G4', duration: 4 }) +
          back(8) +
          noteXml({ pitch: 'A3', cue: true, voice: 2, duration: 4 }) +
          noteXml({ pitch: 'A2', voice: 2, duration: 4 }),
      ),
    );
    expect(sounding(found)).toEqual(['E4', 'G4', 'A2']);
    expect(onsets(found)).toEqual([0, 2, 2]);
    expect(found.repairs).toMatchObject([{ code: 'cue-left-out', values: { bars: ['1'] } }]);
  });

  it('notes that are not printed, also the first of a chord', () => {
    const found = read(
      guitarXml(
        OCTAVE_CLEF,
        noteXml({ pitch: 'E4', hidden: true }) +
          noteXml({ pitch: 'G4', hidden: true, duration: 4 }) +
          noteXml({ pitch: 'B3', chord: true, duration: 4 }) +
          noteXml({ pitch: 'A3' }),
      ),
    );
    expect(sounding(found)).toEqual(['B3', 'A3']);
    expect(onsets(found)).toEqual([1, 3]);
    expect(found.score.bars[0]!.voices[0]!.events.map(({ kind }) => kind)).toEqual([
      'space',
      'notes',
      'notes',
    ]);
    expect(codes(found)).toEqual(['hidden-left-out']);
  });

  it('quarter-tones and simile bars are named, with what was done', () => {
    const simile =
      '<attributes><measure-style><measure-repeat type="start">1</measure-repeat></measure-style></attributes>';
    const found = read(
      guitarXml(
        OCTAVE_CLEF,
        line.replace('<step>F</step>', '<step>F</step><alter>0.5</alter>'),
        simile + noteXml({ duration: 8 }),
      ),
    );
    expect(sounding(found)[1]).toBe('F4');
    expect(found.repairs).toMatchObject([
      { code: 'quarter-tone', values: { bars: ['1'] } },
      { code: 'simile', values: { bars: ['2'] } },
    ]);
  });
});

describe('harmonics', () => {
  const harmonic = (kind: string, which: string, pitch: string, place = '') =>
    guitarXml(OCTAVE_CLEF, noteXml({ pitch, duration: 8, technical: `<harmonic><${kind}/>${which && `<${which}/>`}</harmonic>${place}` })); // prettier-ignore
  const place = (string: number, fret: number) => `<string>${string}</string><fret>${fret}</fret>`;

  // Nodes: handbook §6; common practice, no published source.
  it.each([
    ['natural', 'base-pitch', 'E2', place(6, 7), 'B3', 7],
    ['natural', 'base-pitch', 'E2', place(6, 19), 'B3', 19],
    ['natural', 'touching-pitch', 'E3', place(6, 12), 'E3', 12],
    ['natural', 'touching-pitch', 'D4', place(3, 7), 'D5', 7],
    ['natural', 'sounding-pitch', 'B3', place(6, 7), 'B3', 7],
    ['natural', '', 'E2', place(6, 5), 'E4', 5],
    ['natural', '', 'B3', place(6, 19), 'B3', 19],
    ['artificial', 'base-pitch', 'C4', place(2, 1), 'C5', 1],
    ['artificial', 'sounding-pitch', 'C5', place(2, 1), 'C5', 1],
    ['artificial', '', 'C4', place(2, 1), 'C5', 1],
  ])('%s, written by its %s, keep sound and fret', (kind, which, pitch, where, expected, fret) => {
    const xml = harmonic(kind, which, pitch, where);
    const found = read(xml);
    expect(sounding(found)).toEqual([expected]);
    const plan = planPiece(found.score, EMPTY_FINGERING, setupFor(found.score));
    expect(plan.notes[0]!.fret).toBe(fret);
    expect(planned(xml)).toContain(`<fret>${fret}</fret>`);
  });

  it('printed with all three pitches are one sound', () => {
    const note = (which: string, pitch: string, chord: boolean) =>
      noteXml({ pitch, duration: 8, chord, technical: `<harmonic><natural/><${which}/></harmonic>` });
    const found = read(
      guitarXml(
        OCTAVE_CLEF,
        note('base-pitch', 'A2', false) +
          note('touching-pitch', 'E3', true) +
          note('sounding-pitch', 'E4', true),
      ),
    );
    expect(sounding(found)).toEqual(['E4']);
  });
});

describe('fingering that the planner does not use', () => {
  const kept = '<fingering>1</fingering><fingering substitution="yes">3</fingering>';
  it.each([
    ['a substitution', kept, { finger: 1, other: ['–3'] }],
    [
      'an alternative',
      '<fingering>2</fingering><fingering alternate="yes">3</fingering>',
      { finger: 2, other: ['(3)'] },
    ],
    ['an exchange', '<fingering>1-3</fingering>', { finger: 1, other: ['1-3'] }],
    ['a thumb', '<fingering>T</fingering>', { other: ['T'] }],
    ['several fingers', '<fingering>4</fingering><fingering>2</fingering>', { other: ['4', '2'] }],
  ])('%s is shown, and stays when the plan is exported', (_, technical, fingering) => {
    // prettier-ignore
    const xml = guitarXml(
      OCTAVE_CLEF,
      noteXml({ pitch: 'C4', technical, duration: 4 }) + noteXml({ pitch: 'E3', chord: true, duration: 4 }),
    );
    const { score } = read(xml);
    const own = score.notes.find(({ midi }) => midi === 60)!;
    expect(own.fingering).toEqual(fingering);
    const once = planned(xml);
    for (const [element] of technical.matchAll(/<fingering.*?<\/fingering>/g))
      expect(once).toContain(element);
    expect(planned(once)).toBe(once);
    const again = read(once).score.notes.find(({ midi }) => midi === 60)!;
    expect(again.fingering.other).toEqual(own.fingering.other);
  });
});

describe('numbers of a file', () => {
  const bar = guitarXml(OCTAVE_CLEF, notes('E4', 'F4', 'G4', 'A4'), line);
  const first = '<duration>2</duration>';
  it.each([
    ['a duration of 1e308', first, '<duration>1e308</duration>'],
    ['an endless duration', first, '<duration>Infinity</duration>'],
    ['a negative duration', first, '<duration>-2</duration>'],
    ['a hexadecimal duration', first, '<duration>0x10</duration>'],
    ['a duration longer than any bar', first, '<duration>900000000</duration>'],
    ['divisions of 0', '<divisions>2</divisions>', '<divisions>0</divisions>'],
    ['divisions of 1e99', '<divisions>2</divisions>', '<divisions>1e99</divisions>'],
    ['an endless beat type', '<beat-type>4</beat-type>', '<beat-type>Infinity</beat-type>'],
    ['a beat type of 3', '<beat-type>4</beat-type>', '<beat-type>3</beat-type>'],
    ['beats of 1e9', '<beats>4</beats>', '<beats>1000000000</beats>'],
    [
      'a forward of 1e20',
      '</measure>',
      '<forward><duration>100000000000000000000</duration></forward></measure>',
    ],
    ['a negative forward', '<note>', '<forward><duration>-4</duration></forward><note>'],
    [
      'a backup past everything',
      '</measure>',
      '<backup><duration>999999999999</duration></backup></measure>',
    ],
    ['an alteration of 1e6', '<step>F</step>', '<step>F</step><alter>1000000</alter>'],
    [
      'an octave change of 99',
      '<clef-octave-change>-1</clef-octave-change>',
      '<clef-octave-change>-99</clef-octave-change>',
    ],
    ['a tempo without end', '<note>', '<sound tempo="Infinity"/><note>'],
  ])('%s is told with its bar, and the piece is read', (_, from, to) => {
    // prettier-ignore
    const found = read(bar.replace(from, to));
    expect(found.repairs).toEqual(
      expect.arrayContaining([
        expect.objectContaining({
          code: 'number-out-of-range',
          values: expect.objectContaining({ bar: '1' }),
        }),
      ]),
    );
    expect(repairSaid(found.repairs[0]!)).toMatch(/line \d+ of the file.*Correct it/);
    for (const note of found.score.notes) {
      expect(Number.isInteger(note.onset) && note.onset >= 0).toBe(true);
      expect(Number.isInteger(note.duration)).toBe(true);
    }
    expect(planPiece(found.score).notes).toHaveLength(found.score.notes.length);
  });

  it('an octave that is no octave is one problem with its bar', () => {
    const result = readMusicXml(bar.replace('<octave>4</octave>', '<octave>0.4</octave>'));
    expect(result).toMatchObject({ ok: false, error: { code: 'bad-note', values: { bar: '1' } } });
  });

  it('of bars without a number are the places of the bars', () => {
    const nameless = bar
      .replace('number="2"', 'number=""')
      .replace(/(<measure number="">.*?)<duration>2</, '$1<duration>x<');
    const found = read(nameless);
    expect(found.repairs.every((repair) => !/Bar [:,]/.test(repairSaid(repair)))).toBe(true);
    expect(found.repairs[0]).toMatchObject({ values: { bar: '#2' } });
  });
});

describe('tempo marks', () => {
  const sound = (tempo: number) => `<sound tempo="${tempo}"/>`;
  it('stand in order whatever the voice and backup; the opening one is the first at the start', () => {
    const found = read(
      guitarXml(
        OCTAVE_CLEF,
        notes('E4', 'F4') + sound(90) + notes('G4', 'A4') + back(8) + sound(60) +
          [1, 2, 3, 4].map(() => noteXml({ pitch: 'A2', voice: 2 })).join(''),
      ), // prettier-ignore
    );
    const { tempi, ticksPerQuarter } = found.score;
    expect(tempi.map(({ onset, quartersPerMinute }) => [onset / ticksPerQuarter, quartersPerMinute])).toEqual(
      [
        [0, 60],
        [2, 90],
      ],
    );
  });
});
