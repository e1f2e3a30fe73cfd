import { describe, expect, it } from 'vitest';
import { fretOffset, STANDARD_GUITAR } from '../instrument/guitar.ts';
import { planPiece } from '../plan/plan.ts';
import { exampleMeter } from '../testing/notation.ts';
import { decide, exampleScore, planVoices } from '../testing/planning.ts';
import { TRAVEL } from './shifts.ts';

describe('shifts', () => {
  it('are measured along the neck and timed at the tempo', () => {
    const score = exampleScore({ voices: ['G4/4 B4/4 D5/2'], tempo: 60 });
    const plan = planPiece(
      score,
      decide(score, ['G4', 0, { finger: 1, string: 1 }], ['D5', 0, { finger: 1, string: 1 }]),
    );
    expect(plan.shifts.length).toBeGreaterThan(0);
    const offset = (position: number) => fretOffset(position, STANDARD_GUITAR.scaleLength);
    for (const { from, to, distance, window } of plan.shifts) {
      expect(distance).toBeCloseTo(Math.abs(offset(to) - offset(from)), 9);
      expect(window).toBeCloseTo(1000, 6);
    }
  });

  it('in a rest ride on the rest', () => {
    const score = exampleScore({ voices: ['F4/4 -/4 C5/2'], tempo: 90 });
    const plan = planPiece(
      score,
      decide(score, ['F4', 0, { string: 1, finger: 1 }], ['C5', 0, { string: 1, finger: 1 }]),
    );
    expect(plan.shifts.map((shift) => shift.rides)).toEqual(['rest']);
  });

  it('are none where the hand only leans round a finger that stays: G with 2 and 3, in first position', () => {
    const score = exampleScore({
      voices: ['G2/8 D3/8 G3/8 D4/8 G3/8 D3/8 | D3/8 A3/8 C4/8 F#4/8 C4/8 A3/8'],
    });
    const plan = planPiece(
      score,
      decide(score, ['G2', 0, { string: 6, finger: 2 }], ['D4', 0, { string: 2, finger: 3 }]),
    );
    expect(plan.left.hands.map((hand) => hand.position).some((each) => each !== 1)).toBe(true);
    expect(plan.shifts).toEqual([]);
  });

  it('are none in a piece of open strings', () => {
    expect(planVoices(['E4/4 B3/4 G3/4 D3/4']).shifts).toEqual([]);
  });
});

describe('barres', () => {
  it('last as long as their notes', () => {
    const { barres, score } = planVoices(['F2+C3+F3+A3+C4+F4/2 E4/2']);
    expect(barres).toHaveLength(1);
    expect(barres[0]!.until / score.ticksPerQuarter).toBe(2);
  });

  it('are none where every finger has its own string', () => {
    expect(planVoices(['A2+E3+A3+C4+E4/1']).barres).toEqual([]);
  });
});

describe('what a shift costs', () => {
  const legato = () => {
    const score = exampleScore({ voices: ['F4/4 D5/4 C5/2'], tempo: 120 });
    return planPiece(
      score,
      decide(
        score,
        ['F4', 0, { string: 1, finger: 1 }],
        ['D5', 0, { string: 1, finger: 3 }],
        ['C5', 0, { string: 1, finger: 1 }],
      ),
    );
  };

  it('between two stopped notes is the end of the first: it is cut for as long as the hand travels', () => {
    const [shift] = legato().shifts;
    expect(shift!.rides).toBe('none');
    expect(shift!.free).toBe(0);
    expect(shift!.travel).toBeCloseTo((1000 * shift!.distance) / TRAVEL.speed + TRAVEL.settling, 9);
    expect(shift!.cuts).toEqual([{ sound: 0, ms: shift!.travel }]);
    expect(shift!.speed).toBeCloseTo((1000 * shift!.distance) / shift!.window, 9);
  });

  it('on an open string or in a rest is nothing', () => {
    const rest = exampleScore({ voices: ['F4/4 -/4 D5/2'], tempo: 120 });
    const plan = planPiece(
      rest,
      decide(rest, ['F4', 0, { string: 1, finger: 1 }], ['D5', 0, { string: 1, finger: 3 }]),
    );
    expect(plan.shifts).toHaveLength(1);
    expect(plan.shifts[0]!.cuts).toEqual([]);
    expect(plan.shifts[0]!.free).toBeCloseTo(500, 6);
  });

  it('after a staccato rides on its silence', () => {
    const score = exampleScore({ voices: ['F4/4 D5/4 C5/2'], tempo: 120 });
    const short = {
      ...score,
      notes: score.notes.map((note) => (note.index === 0 ? { ...note, articulations: ['staccato'] } : note)),
    };
    const plan = planPiece(
      short,
      decide(short, ['F4', 0, { string: 1, finger: 1 }], ['D5', 0, { string: 1, finger: 3 }]),
    );
    expect(plan.shifts[0]!.rides).toBe('staccato');
  });
});

describe('a barre that open strings lift', () => {
  // Common practice, no published source: what the index covers cannot sound open.
  it('ends where the index stands on its tip for a bar of open strings, and is another one after it', () => {
    const six = (...notes: readonly string[]) =>
      [0, 1, 2, 3, 2, 1].map((place) => `${notes[place]!}/8`).join(' ');
    const bars = [
      six('B2', 'B3', 'D4', 'F#4'),
      six('F#2', 'E3', 'A#3', 'C#4'),
      six('E2', 'E3', 'G3', 'B3'),
      six('F#2', 'F#3', 'A#3', 'C#4'),
      six('B2', 'B3', 'D4', 'F#4'),
    ];
    const score = exampleScore({ meter: exampleMeter('3/4'), tempo: 88, voices: [bars.join(' | ')] });
    const inBars = planPiece(score).barres.map(({ fret, onset, until }) => [
      fret,
      Math.floor(onset / score.bars[0]!.length) + 1,
      Math.floor((until - 1) / score.bars[0]!.length) + 1,
    ]);
    expect(inBars).toEqual([
      [2, 1, 2],
      [2, 4, 5],
    ]);
  });
});

describe('kinds of barres', () => {
  it('over six strings are full, over three partial', () => {
    expect(planVoices(['F2+C3+F3+A3+C4+F4/1']).barres[0]!.kind).toBe('full');
    const score = exampleScore({ voices: ['A3+C#4+F#4/1'] });
    const small = planPiece(
      score,
      decide(
        score,
        ['A3', 0, { string: 3, finger: 1 }],
        ['C#4', 0, { string: 2, finger: 1 }],
        ['F#4', 0, { string: 1, finger: 1 }],
      ),
    );
    expect(small.barres.map(({ kind, strings }) => [kind, strings])).toEqual([['partial', [1, 3]]]);
  });

  it('lie from the first note of their finger, or are laid down from it where an open string was in the way', () => {
    const score = exampleScore({ voices: ['F4/4 C4/4 F4/2', 'F3/1'] });
    const laid = planPiece(
      score,
      decide(
        score,
        ['F4', 0, { string: 1, finger: 1 }],
        ['C4', 0, { string: 2, finger: 1 }],
        ['F3', 0, { string: 4, finger: 3 }],
      ),
    );
    expect(laid.barres.map(({ kind, onset }) => [kind, onset])).toEqual([['partial', 0]]);
    expect(laid.technique.barreCare[0]!.advice).not.toContain('lay-down-from-tip');
    const hinged = exampleScore({ voices: ['F4/1', 'B3/4 C4/2.'] });
    const tipped = planPiece(
      hinged,
      decide(hinged, ['F4', 0, { string: 1, finger: 1 }], ['C4', 0, { string: 2, finger: 1 }]),
    );
    expect(tipped.barres.map(({ kind, onset }) => [kind, onset])).toEqual([
      ['hinge', hinged.ticksPerQuarter],
    ]);
    expect(tipped.technique.barreCare[0]!.advice).toContain('lay-down-from-tip');
  });

  it('are hinges beside an open treble', () => {
    const open = exampleScore({ voices: ['E3+A3+C#4+E4/1'] });
    const beside = planPiece(
      open,
      decide(
        open,
        ['E3', 0, { string: 4, finger: 1 }],
        ['A3', 0, { string: 3, finger: 1 }],
        ['C#4', 0, { string: 2, finger: 1 }],
        ['E4', 0, { string: 1, finger: 0 }],
      ),
    );
    expect(beside.barres.map(({ kind }) => kind)).toEqual(['hinge']);
    expect(beside.technique.barreCare[0]!.advice).toContain('lift-base');
  });

  it('tell how long they are held', () => {
    const [care] = planVoices(['F2+C3+F3+A3+C4+F4/2 E4/2'], { tempo: 60 }).technique.barreCare;
    expect(care!.seconds).toBeCloseTo(2, 6);
    expect([care!.needed, care!.release]).toEqual([0, 1]);
  });
});

describe('slurs that would help', () => {
  it('spare a pluck where the line is too fast, and never two in a row', () => {
    const { technique, left } = planVoices(['F4/16 G4/16 F4/16 E4/16 F4/16 G4/16 F4/16 E4/16 F4/2'], {
      tempo: 160,
    });
    expect(technique.slurSuggestions.length).toBeGreaterThan(0);
    for (const { from, to, kind } of technique.slurSuggestions) {
      const [before, after] = [left.choices[from]!, left.choices[to]!];
      expect(before.string).toBe(after.string);
      expect(kind === 'hammer-on').toBe(left.sounds[to]!.midi > left.sounds[from]!.midi);
      expect(technique.slurSuggestions.some((other) => other.to === from)).toBe(false);
    }
  });

  it('are none at a walking pace', () => {
    expect(planVoices(['F4/4 G4/4 F4/4 E4/4'], { tempo: 72 }).technique.slurSuggestions).toEqual([]);
  });
});
