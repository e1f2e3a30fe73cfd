import fc from 'fast-check';
import { Chord, Note, Scale } from 'tonal';
import { describe, expect, it } from 'vitest';
import { EMPTY_FINGERING } from '../../fingering/fingering.ts';
import { readMusicXml } from '../../formats/musicxml/read.ts';
import { pitchName } from '../../music/pitch.ts';
import { planPiece, setupFor, type Plan } from '../../plan/plan.ts';
import type { Score } from '../../score/score.ts';
import { DRILL_KINDS, type DrillName } from './catalogue.ts';
import { drillKindNamed, drillSource, readDrill } from './drill.ts';
import { CHORD_NAMES, SCALE_NAMES, TONICS, type ChordName, type ScaleName } from './keys.ts';
import { typedValues, type Parameter, type ParameterValue } from './parameter.ts';
import { RIGHT_ORDERS } from './right-orders.ts';

const drillScore = (kind: DrillName, typed: Readonly<Record<string, string>> = {}): Score => {
  const drill = readDrill(kind, typed);
  if (!drill.ok) throw new RangeError(drill.error.code);
  const read = readMusicXml(drillSource(drill.value, 'A drill'));
  if (!read.ok) throw new RangeError(read.error.code);
  // What we write ourselves needs no mending.
  expect(read.value.repairs).toEqual([]);
  return read.value.score;
};
const planned = (score: Score): Plan => planPiece(score, EMPTY_FINGERING, setupFor(score));
const names = (score: Score): readonly string[] => score.notes.map(({ sounding }) => pitchName(sounding));

const valueOf = (parameter: Parameter): fc.Arbitrary<ParameterValue> => {
  switch (parameter.kind) {
    case 'choice':
      return fc.constantFrom(...parameter.values);
    case 'number':
      return fc.integer({ min: parameter.least, max: parameter.most });
    case 'sequence':
      return fc.shuffledSubarray([...parameter.values], { minLength: 1 });
  }
};
const anyDrill = (kind: DrillName) =>
  fc.record(
    Object.fromEntries(
      Object.entries(drillKindNamed(kind)!.parameters).map(([name, parameter]) => [name, valueOf(parameter)]),
    ),
  );

/** How the theory library tonal calls our scales and chords. */
const TONAL_SCALES: Readonly<Record<ScaleName, string>> = {
  major: 'major',
  'natural-minor': 'minor',
  'harmonic-minor': 'harmonic minor',
  'melodic-minor': 'melodic minor',
  dorian: 'dorian',
  phrygian: 'phrygian',
  lydian: 'lydian',
  mixolydian: 'mixolydian',
  locrian: 'locrian',
  'major-pentatonic': 'major pentatonic',
  'minor-pentatonic': 'minor pentatonic',
};
const TONAL_CHORDS: Readonly<Record<ChordName, string>> = {
  major: 'M',
  minor: 'm',
  diminished: 'dim',
  augmented: 'aug',
  'major-seventh': 'maj7',
  'dominant-seventh': '7',
  'minor-seventh': 'm7',
  'half-diminished': 'm7b5',
  'diminished-seventh': 'dim7',
};

describe('scales', () => {
  it.each(SCALE_NAMES)('%s have the notes that the theory library tonal gives them, in every key', (name) => {
    for (const tonic of TONICS) {
      const notes = names(drillScore('scale', { tonic, scale: name, octaves: '1' }));
      const root = notes[0]!.slice(0, -1);
      expect(Note.chroma(root)).toBe(Note.chroma(tonic));
      const { notes: expected } = Scale.get(`${root} ${TONAL_SCALES[name]}`);
      const rising = notes.slice(0, expected.length).map((each) => each.replace(/\d/, ''));
      expect(rising).toEqual(expected);
      const down = name === 'melodic-minor' ? Scale.get(`${root} minor`).notes : expected;
      expect(notes.slice(-expected.length).map((each) => each.replace(/\d/, ''))).toEqual([
        ...down.slice(1).toReversed(),
        root,
      ]);
      const heights = notes.map((each) => Note.midi(each)!);
      expect(heights[expected.length]).toBe(heights[0]! + 12);
    }
  });

  it('stay in the position they name, whatever is asked for', () => {
    fc.assert(
      fc.property(anyDrill('scale-in-position'), (values) => {
        const plan = planned(drillScore('scale-in-position', typedValues(values)));
        const position = Number(values.position);
        for (const { fret } of plan.notes)
          if (fret !== 0) {
            expect(fret).toBeGreaterThanOrEqual(position - 1);
            expect(fret).toBeLessThanOrEqual(position + 4);
          } else expect(position).toBe(1);
      }),
      { numRuns: 25 },
    );
  });

  it('along the neck shift once, on the string that was chosen', () => {
    for (const [string, low, high] of [
      [3, 2, 7],
      [4, 1, 5],
      [2, 5, 9],
    ] as const) {
      const plan = planned(
        drillScore('scale-with-shift', {
          tonic: 'C',
          scale: 'major',
          position: String(low),
          'next-position': String(high),
          'shift-string': String(string),
        }),
      );
      const rising = plan.notes.slice(0, Math.ceil(plan.notes.length / 2));
      // Strings never turn back on the way up; below the shift the hand is in the first position, above it in the second.
      rising
        .slice(1)
        .forEach((note, index) => expect(note.string!).toBeLessThanOrEqual(rising[index]!.string!));
      for (const { string: on, fret } of rising) {
        if (fret === 0) continue;
        const [least, most] =
          on! > string ? [low - 1, low + 4] : on! < string ? [high - 1, high + 4] : [low - 1, high + 4];
        expect(fret).toBeGreaterThanOrEqual(least);
        expect(fret).toBeLessThanOrEqual(most);
      }
      expect(new Set(rising.map(({ string: on }) => on))).toContain(string);
      const upward = plan.technique.shifts.filter(
        ({ onset }) => onset <= plan.score.notes[rising.length - 1]!.onset,
      );
      expect(upward.length).toBeGreaterThan(0);
    }
  });

  it('along a string have all its notes up to the twelfth fret, and no other string', () => {
    const score = drillScore('scale-on-one-string', { tonic: 'G', scale: 'major', string: '2' });
    expect(names(score).slice(0, 8)).toEqual(['B3', 'C4', 'D4', 'E4', 'F#4', 'G4', 'A4', 'B4']);
    expect(new Set(planned(score).notes.map(({ string }) => string))).toEqual(new Set([2]));
  });
});

describe('chords as lines', () => {
  it.each(CHORD_NAMES)('%s have the notes of the theory library tonal, in every inversion', (chord) => {
    for (const root of TONICS)
      for (const inversion of [0, 1, 2, 3]) {
        const notes = names(
          drillScore('arpeggio', { root, chord, inversion: String(inversion), octaves: '1' }),
        );
        const classes = new Set(notes.map((each) => Note.chroma(each)));
        const expected = Chord.getChord(TONAL_CHORDS[chord], root).notes.map((each) => Note.chroma(each));
        expect(classes).toEqual(new Set(expected));
        expect(Note.chroma(notes[0]!)).toBe(expected[inversion % expected.length]);
        expect(Note.midi(notes[expected.length]!)! - Note.midi(notes[0]!)!).toBe(12);
      }
  });

  it.each([
    ['thirds', 3, 4],
    ['sixths', 8, 9],
    ['octaves', 12, 12],
    ['tenths', 15, 16],
  ] as const)('parallel %s are that wide everywhere', (interval, least, most) => {
    for (const tonic of TONICS) {
      const score = drillScore('intervals', { interval, tonic, bass: 'none' });
      for (let place = 0; place < score.notes.length; place += 2) {
        const width = score.notes[place + 1]!.midi - score.notes[place]!.midi;
        expect(width).toBeGreaterThanOrEqual(least);
        expect(width).toBeLessThanOrEqual(most);
      }
    }
  });
});

describe('drills of the fingers', () => {
  it('lay one finger to a fret, string by string, in three positions', () => {
    const plan = planned(drillScore('chromatic', { position: '1', route: 'two-further' }));
    expect(plan.notes).toHaveLength(3 * 48);
    plan.notes.forEach(({ fret, finger }, index) => {
      expect(fret).toBe([1, 5, 9][Math.floor(index / 48)]! + finger! - 1);
    });
  });

  it('have each pair as often as it is asked for, the first again last', () => {
    const score = drillScore('finger-pairs', { pairs: '34+12', again: 'first-again-last', shape: 'line' });
    // Four notes on each of six strings, up and down.
    expect(score.notes).toHaveLength(3 * 48);
    const fingers = score.notes.map(({ fingering }) => fingering.finger);
    expect(fingers.slice(0, 48).every((each) => each === 3 || each === 4)).toBe(true);
    expect(fingers.slice(48, 96).every((each) => each === 1 || each === 2)).toBe(true);
    expect(fingers.slice(96)).toEqual(fingers.slice(0, 48));
  });

  it('slur what is asked for and pluck the rest', () => {
    for (const [direction, slurred] of [
      ['ascending', 1],
      ['descending', 1],
      ['trill', 3],
    ] as const) {
      const plan = planned(drillScore('slur-pairs', { pairs: '12', direction }));
      expect(plan.score.notes.filter((note) => note.slurredFrom !== undefined)).toHaveLength(6 * slurred);
      expect(plan.notes.filter(({ pluck }) => pluck === undefined)).toHaveLength(6 * slurred);
    }
  });

  it('touch harmonics where they sound, and take that for no barre', () => {
    const plan = planned(drillScore('harmonics', { node: 'all' }));
    // Node 12 sounds the octave, 7 the twelfth, 5 two octaves (string physics: partials 2, 3 and 4).
    for (const [index, { fret }] of plan.notes.entries()) {
      const open = [64, 59, 55, 50, 45, 40][plan.notes[index]!.string! - 1]!;
      const partial = { 12: 2, 7: 3, 5: 4 }[fret as 12 | 7 | 5];
      expect(plan.score.notes[index]!.midi - open).toBe(Math.round(12 * Math.log2(partial)));
    }
    expect(plan.barres).toEqual([]);
    expect(plan.findings.map(({ code }) => code)).not.toContain('barre-too-long');
  });
});

describe('artificial harmonics', () => {
  it('sound an octave above what the left hand stops', () => {
    for (const tonic of TONICS) {
      const plan = planned(drillScore('artificial-harmonics', { tonic }));
      plan.notes.forEach(({ string, fret }, index) => {
        expect([64, 59, 55, 50, 45, 40][string! - 1]! + fret! + 12).toBe(plan.score.notes[index]!.midi);
        expect(fret).toBeLessThanOrEqual(5);
      });
    }
  });
});

describe('drills of the right hand', () => {
  it('have 4! orders, six for each finger that begins', () => {
    expect(new Set(RIGHT_ORDERS).size).toBe(4 * 3 * 2 * 1);
    for (const finger of 'pima')
      expect(RIGHT_ORDERS.filter((order) => order.startsWith(finger))).toHaveLength(6);
    for (const order of RIGHT_ORDERS) expect([...order].sort().join('')).toBe('aimp');
  });

  it('are plucked in the order they name, on the strings of each finger', () => {
    for (const order of RIGHT_ORDERS) {
      const plan = planned(drillScore('right-orders', { order, touch: 'ringing' }));
      expect(plan.notes.map(({ pluck }) => pluck).join('')).toBe(order.repeat(2));
      for (const { pluck, string } of plan.notes)
        expect(string).toBe({ p: 6, i: 3, m: 2, a: 1 }[pluck as 'p' | 'i' | 'm' | 'a']);
    }
    const column = drillScore('right-orders', { order: 'mpai', combined: 'column', touch: 'ringing' });
    expect(column.bars).toHaveLength(6);
    expect(column.notes.every((note, index) => index % 4 > 0 || note.fingering.pluck === 'm')).toBe(true);
  });

  it('come by levels: two fingers, three, all, the others silent', () => {
    const score = drillScore('levels', { pattern: 'pimami', chords: 'open-strings' });
    const plucks = [0, 1, 2].map((bar) =>
      score.notes
        .filter((note) => note.bar === bar)
        .map(({ fingering }) => fingering.pluck)
        .join(''),
    );
    expect(plucks).toEqual(['pii', 'pimmi', 'pimami']);
  });

  it('set three against two: they meet on the first of each bar alone', () => {
    for (const threes of ['fingers', 'thumb']) {
      const score = drillScore('three-against-two', { threes });
      for (const bar of score.bars) {
        const at = (isThumb: boolean) =>
          score.notes
            .filter((note) => note.bar === bar.index && (note.fingering.pluck === 'p') === isThumb)
            .map(({ onset }) => (6 * (onset - bar.start)) / bar.length);
        expect([at(threes === 'thumb'), at(threes !== 'thumb')]).toEqual([
          [0, 2, 4],
          [0, 3],
        ]);
      }
    }
  });

  it('build tremolo up note by note', () => {
    const plan = planned(drillScore('tremolo', { level: 'all', chords: 'a-minor' }));
    const ofBar = (bar: number): string =>
      plan.score.notes
        .filter((note) => note.bar === bar)
        .map(({ index }) => plan.notes[index]!.pluck)
        .join('');
    expect([0, 4, 8].map(ofBar)).toEqual(['pa'.repeat(4), 'pam'.repeat(4), 'pami'.repeat(4)]);
  });

  it('move the accent on', () => {
    const score = drillScore('accents', { 'per-beat': '4', every: '3', from: '1' });
    const accented = score.notes.filter(({ articulations }) => articulations.includes('accent'));
    expect(accented.map(({ index }) => index % 3)).toEqual(accented.map(() => 0));
    expect(score.notes.length % 12).toBe(0);
  });

  it('brush chords the way it is written', () => {
    const score = drillScore('strums', { strokes: 'down-up', chords: 'open-strings' });
    const strokes = score.notes.filter((_, index) => index % 6 === 0).map(({ strum }) => strum);
    expect(strokes).toEqual(Array.from({ length: 4 }, () => ['outward', 'back']).flat());
  });

  it.each([
    ['four-fingers', 16, 'outward outward outward outward'],
    ['out-out-back', 12, 'outward outward back outward'],
  ] as const)('flick fingers out one after the other: %s', (strokes, inABar, first) => {
    const score = drillScore('strums', { strokes, chords: 'open-strings' });
    const struck = score.notes.filter((_, index) => index % 6 === 0);
    expect(
      struck
        .slice(0, 4)
        .map(({ strum }) => strum)
        .join(' '),
    ).toBe(first);
    expect(struck.filter(({ bar }) => bar === 0)).toHaveLength(inABar);
  });
});

describe('thirds over the open D', () => {
  it('begin where both notes lie above its string', () => {
    const score = drillScore('intervals', {
      interval: 'thirds',
      tonic: 'G',
      scale: 'natural-minor',
      fingers: 'pm',
    });
    // G3 and B flat 3 both need ③ where ④ sounds.
    expect(names(score).slice(0, 3)).toEqual(['D3', 'A3', 'C4']);
    expect(planned(score).findings.filter(({ code }) => code === 'pluck-lock-not-kept')).toEqual([]);
  });
});

describe('every drill', () => {
  it.each(DRILL_KINDS.map(({ name }) => name))(
    '%s is playable for a medium hand, as it is asked for',
    (kind) => {
      fc.assert(
        fc.property(anyDrill(kind), (values) => {
          const score = drillScore(kind, typedValues(values));
          expect(score.bars.length).toBeLessThanOrEqual(90);
          for (const bar of score.bars)
            for (const { events } of bar.voices)
              expect(events.reduce((sum, { duration }) => sum + duration, 0)).toBe(bar.length);
          const plan = planned(score);
          const troubles = plan.findings.filter(({ code }) =>
            ['unplayable-note', 'lock-not-kept', 'pluck-lock-not-kept', 'source-unplayable'].includes(code),
          );
          expect(troubles.map(({ code, bar }) => `${code} in bar ${bar}`)).toEqual([]);
        }),
        { numRuns: 8 },
      );
    },
  );

  it('is refused with its place when what is typed is none', () => {
    expect(readDrill('skale', {})).toMatchObject({ error: { code: 'drill-unknown' } });
    expect(readDrill('scale', { key: 'C' })).toMatchObject({
      error: { code: 'drill-parameter-unknown', values: { asked: 'key' } },
    });
    for (const octaves of ['0', '4', 'two', '', '1.5', '1e1'])
      expect(readDrill('scale', { octaves })).toMatchObject({
        error: { code: 'drill-value-unknown', values: { name: 'octaves', known: '1–3' } },
      });
    expect(readDrill('finger-pairs', { pairs: '12+12' })).toMatchObject({ ok: false });
  });
});
