import { describe, expect, it } from 'vitest';
import { EMPTY_FINGERING } from '../fingering/fingering.ts';
import type { RuleId } from '../fingering/rules.ts';
import { planPiece } from '../plan/plan.ts';
import { exampleScore, planAs, planVoices } from '../testing/planning.ts';
import type { LeftTerm } from './hand/costs.ts';
import { leftCosts } from './hand/schools.ts';
import { handOf } from './hand/hand.ts';

const costs = leftCosts('balanced');
const paid = (term: LeftTerm, voices: readonly string[], tokens: string): readonly number[] => {
  const { left, memory } = planAs(voices, tokens);
  expect(left.brokenLocks).toEqual([]);
  return memory.left.accounts.map(({ entries }) =>
    entries.filter((entry) => entry.term === term).reduce((sum, { amount }) => sum + amount, 0),
  );
};

// Handbook §3, what lies, lies: common practice, no published source.
describe('what lies, lies', () => {
  it('a finger that rests in silence sounds again for nothing', () => {
    // F3 returns after A3 and D4, which other fingers take.
    const [first, , , again] = paid('placing', ['F3/8 A3/8 D4/8 F3/8'], '4:3 3:2 2:4 4:3');
    expect(first).toBeGreaterThan(0);
    expect(again).toBe(0);
  });

  it('a finger that rests leads the hand when it comes', () => {
    const voices = ['C#4+A4/4 D3/4 D#4+B4/4'];
    const guided = paid('guide', voices, '3:2 1:1 4:0 3:2 1:1').at(-1)!;
    const apart = paid('guide', voices, '3:2 1:1 4:0 3:3 1:2').at(-1)!;
    expect(guided).toBeCloseTo(2 * costs.guideSlide);
    expect(apart).toBe(0);
  });

  it('a finger does not rest where another one would have to go under it', () => {
    // E4 on ② with 2 beside a 1 that rests on ①, on one fret: 1 belongs on the lower string.
    const voices = ['A4/4 -/2 A4/4', '-/4 E4/4 -/2'];
    expect(paid('placing', voices, '1:1 1:1 2:2')[2]).toBeGreaterThan(0);
    // With 1 on ② and 2 on ① both may rest.
    expect(paid('placing', voices, '1:2 1:2 2:1')[2]).toBe(0);
  });

  it('a hand that comes from up the neck reads no note as in first position', () => {
    // G sharp with 1 at IV: after position V it is where the finger lies, from first position it is read with 4.
    const down = paid('extension', ['A4/4 G#4/4'], '1:1 1:1')[1]!;
    const up = paid('extension', ['F4/4 G#4/4'], '1:1 1:1')[1]!;
    expect(down).toBeCloseTo(costs.loneBack);
    expect(up).toBeCloseTo(3 * costs.firstPositionAlone);
  });

  it('fingers of a broken chord stay on it, and its neighbours lie on different strings', () => {
    const { left } = planVoices(['A2/8 C4/8 E4/8 A4/8 E4/8 C4/8 | A2/8 C4/8 E4/8 A4/8 E4/8 C4/8']);
    const taken = left.choices.map((choice) => `${choice!.string}/${choice!.fret}:${choice!.finger}`);
    expect(taken.slice(6)).toEqual(taken.slice(0, 6));
    const strings = left.choices.map((choice) => choice!.string);
    strings.slice(1).forEach((string, index) => expect(string).not.toBe(strings[index]));
  });

  it('a chord is not taken past the body for the sake of its strings', () => {
    const { left } = planVoices(['A4/8 D5/8 F#5/8 D5/8 E5/8 C#5/8 A4/8 C#5/8', 'D3/2 A2/2']);
    const frets = left.choices.map((choice) => choice!.fret);
    expect(Math.max(...frets)).toBe(14);
    expect(frets.filter((fret) => fret > 12)).toHaveLength(1);
  });

  it('a broken chord has each of its notes in one place, in whatever order they come', () => {
    // F sharp and A both lie on ① in position II: going to V for each A would cost the bass.
    const notes = ['F#2', 'D4', 'F#4', 'A4'];
    for (const order of [
      [0, 1, 2, 3, 2, 1, 0, 1],
      [0, 3, 2, 1, 0, 3, 2, 1],
      [0, 2, 1, 3, 2, 1, 3, 2],
      [0, 2, 1, 3, 0, 2, 1, 3],
    ]) {
      const bar = order.map((place) => `${notes[place]}/8`).join(' ');
      const { left } = planVoices([`${bar} | ${bar}`]);
      const places = new Map<number, Set<string>>();
      left.sounds.forEach(({ midi }, sound) => {
        const { string, fret } = left.choices[sound]!;
        places.set(midi, (places.get(midi) ?? new Set()).add(`${string}/${fret}`));
      });
      for (const each of places.values()) expect(each.size).toBe(1);
    }
  });

  it('the hand does not leave a chord in the middle of its pattern to go nearer the nut', () => {
    // Diminished chords up the neck: an open B would take the hand from I to IV between two notes of one chord.
    const climb = ['B2/8 F3/8 G#3/8 D4/8 D3/8 G#3/8 B3/8 F4/8 | F3/8 B3/8 D4/8 G#4/8 G#3/8 D4/8 F4/8 B4/8'];
    const { left } = planVoices(climb);
    const frets = left.choices.map((choice) => choice!.fret).slice(8);
    expect(frets).toEqual([3, 4, 3, 4, 6, 7, 6, 7]);
    expect(left.terms['ringing lifted'] ?? 0).toBe(0);
  });

  it('open strings under a tune up the neck ring as its chord, unless another note would stop them', () => {
    const tune = ['E5 E5 E5 E5', 'E5 E5 D5 C5', 'B4 B4 B4 A4'];
    const bars = tune.map((pitches) =>
      pitches
        .split(' ')
        .map((pitch) => `${pitch}/8 B3/8 G3/8`)
        .join(' '),
    );
    const meter = { beats: 12, beatType: 8 };
    const voices = [bars.join(' | '), 'E2/1. | E2/1. | E2/1.'];
    const onOpen = planPiece(exampleScore({ voices, meter, tempo: 60 })).left;
    const under = onOpen.sounds.filter(({ midi }) => midi === 55 || midi === 59);
    expect(under).toHaveLength(24);
    expect(under.every(({ index }) => onOpen.choices[index]!.fret === 0)).toBe(true);
    // B on ② would be stopped by G on the same string.
    const bar = 'E2/8 B3/8 E4/8 G4/8 B4/8 G4/8 E4/8 B3/8';
    const { left } = planVoices([`${bar} | ${bar}`]);
    expect(left.choices.filter((choice) => choice!.fret === 0).map((choice) => choice!.string)).toEqual([
      6, 6,
    ]);
  });

  it('the notes of a seventh chord lie on four strings, though the hand has to shift for them', () => {
    const chords = ['G2 B3 D4 G4 D4 B3', 'C3 C4 E4 G4 E4 C4', 'D3 C4 D4 F#4 D4 C4', 'G2 B3 D4 G4 D4 B3'];
    const bars = chords.map((pitches) =>
      pitches
        .split(' ')
        .map((pitch) => `${pitch}/8`)
        .join(' '),
    );
    const meter = { beats: 6, beatType: 8 };
    const { left } = planPiece(exampleScore({ voices: [bars.join(' | ')], meter, tempo: 90 }));
    const seventh = left.choices.slice(12, 16).map((choice) => choice!.string);
    expect(new Set(seventh).size).toBe(4);
  });

  it('no step costs less than nothing, also where a note joins a shape that likes it', () => {
    const bar = 'F2/8 A3/8 C4/8 F4/8 C4/8 A3/8';
    const steps = planVoices([`${bar} | ${bar}`]).memory.left.accounts.map(({ cost }) => cost);
    expect(Math.min(...steps)).toBeGreaterThanOrEqual(-1e-9);
  });

  it('a chord that is not to ring is no shape that is set once', () => {
    const score = exampleScore({ voices: ['F2/8 A3/8 C4/8 F4/8 C4/8 A3/8'] });
    const rule = { kind: 'ringing', from: 0, to: 0, rings: false } as const;
    const written = { ...EMPTY_FINGERING, rules: new Map([['written' as RuleId, rule]]) };
    expect([...planPiece(score).left.times.broken]).toContain(1);
    expect([...planPiece(score, written).left.times.broken]).not.toContain(1);
  });

  it('the height of a hand is paid when it arrives, not by every note', () => {
    const [first, ...rest] = paid('height', ['A4/8 C5/8 B4/8 A4/8'], '1:1 1:4 1:3 1:1');
    expect(first).toBeGreaterThan(1.5);
    expect(Math.max(...rest)).toBeLessThan(first! / 4);
  });

  it('sixths in parallel keep their two strings', () => {
    const { left } = planVoices(['C#4+A4/4 D4+B4/4 E4+C#5/4 D4+B4/4']);
    const strings = left.choices.map((choice) => choice!.string);
    for (let pair = 0; pair < strings.length; pair += 2)
      expect(strings.slice(pair, pair + 2)).toEqual(strings.slice(0, 2));
    expect(Math.abs(strings[0]! - strings[1]!)).toBe(2);
  });

  it('the first of some sixths lies as those that follow', () => {
    const sixths =
      'D4+B4/8 C4+A4/8 B3+G4/8 A3+F#4/8 | B3+G4/8 C4+A4/8 D4+B4/8 E4+C5/8 | F#4+D5/8 E4+C5/8 D4+B4/8 C4+A4/8';
    const score = exampleScore({
      meter: { beats: 2, beatType: 4 },
      tempo: 70,
      voices: [sixths, 'D3/2 | D3/2 | D3/2'],
    });
    // Not on ② and ①, with 1 and 4 four frets apart.
    expect(
      planPiece(score)
        .notes.slice(0, 2)
        .map(({ string }) => string),
    ).toEqual([3, 1]);
  });
});

describe('the position of a passage', () => {
  it('a tune that goes up to A4 lies in second position, not under the fingers of first', () => {
    const tune = 'A4/4 G#4/4 F#4/4 | E4/4 D4/4 C#4/4 | D4/4 E4/4 F#4/4 | A4/2.';
    const basses = 'D3/2. | A2/2. | D3/2. | D3/2.';
    const { notes, score } = planPiece(
      exampleScore({ meter: { beats: 3, beatType: 4 }, tempo: 88, voices: [tune, basses] }),
    );
    const tuneFingers = score.notes.flatMap(({ index, voice }) =>
      voice === score.notes[0]!.voice ? [notes[index]!.finger] : [],
    );
    expect(tuneFingers).toEqual([4, 3, 1, 0, 2, 1, 2, 0, 1, 4]);
  });

  it('triads up the neck come with the index, not with 2, 3 and 4 a fret below it', () => {
    const bar = (bass: string, low: string, middle: string, high: string) =>
      `${bass}/8 ${low}/8 ${middle}/8 ${high}/8 ${middle}/8 ${low}/8`;
    const triads = [bar('A2', 'E4', 'A4', 'C#5'), bar('D3', 'F#4', 'A4', 'D5'), bar('E2', 'E4', 'G#4', 'B4')];
    const meter = { beats: 3, beatType: 4 };
    const { notes } = planPiece(
      exampleScore({ meter, tempo: 88, voices: [[...triads, triads[0]].join(' | ')] }),
    );
    const fingers = notes.map(({ finger }) => finger);
    for (let first = 0; first < fingers.length; first += 6)
      expect(fingers.slice(first + 1, first + 4)).toContain(1);
  });
});

describe('a scale in fast notes', () => {
  it('goes up and down without a finger that slides from the note it has just played', () => {
    const up =
      'C3/16 D3/16 E3/16 F3/16 G3/16 A3/16 B3/16 C4/16 D4/16 E4/16 F4/16 G4/16 A4/16 B4/16 C5/16 D5/16';
    const down =
      'E5/16 D5/16 C5/16 B4/16 A4/16 G4/16 F4/16 E4/16 D4/16 C4/16 B3/16 A3/16 G3/16 F3/16 E3/16 D3/16';
    const { notes } = planPiece(exampleScore({ tempo: 100, voices: [`${up} | ${down} | C3/1`] }));
    const slides = notes.filter(({ finger, string }, index) => {
      const before = notes[index - 1];
      return finger && before?.finger === finger && before.string === string;
    });
    expect(slides).toEqual([]);
  });
});

describe('the index, flat or on its tip', () => {
  const voices = ['C4+E4+A4/4 C5/4 C4+E4+A4/4 C5/4', 'A2/1'];
  const tokens = '3:1 2:1 1:1 1:4 3:1 2:1 1:1 1:4 5:0';

  it('goes flat once, and is one barre from first to last', () => {
    const [first, ...rest] = paid('barre', voices, tokens);
    expect(first).toBeGreaterThan(costs.barre);
    expect(Math.max(...rest)).toBeLessThan(costs.barre * 2 * costs.barreRoll);
    const { barres, score } = planAs(voices, tokens);
    expect(barres).toHaveLength(1);
    expect(barres[0]).toMatchObject({ finger: 1, fret: 5, onset: 0 });
    expect(barres[0]!.until).toBeGreaterThan(2 * score.ticksPerQuarter);
  });

  it('stays under other fingers and over an open bass, until an open treble asks it to rise', () => {
    const flatAtEnd = (voice: string, taken: string): number =>
      planAs([voice], taken).left.hands.at(-1)!.flat;
    // A barre over ② and ①, then 4 and 2 on both its strings.
    const under = 'E4+A4/4 C5/4 F4/4';
    expect(flatAtEnd(`${under} A2/4`, '2:1 1:1 1:4 2:2 5:0')).toBe(5);
    expect(flatAtEnd(`${under} E4/4`, '2:1 1:1 1:4 2:2 1:0')).toBe(0);
  });

  it('does not lie flat at the nut among open strings: D and A are set with three fingers', () => {
    const { left } = planVoices(['D3+A3+D4+F#4/2 A2+E3+A3+C#4+E4/2 | D3+A3+D4+F#4/1']);
    for (const { slice } of left.hands) {
      const stopped = slice.struck
        .map((sound) => left.choices[sound]!.finger)
        .filter((finger) => finger !== 0);
      expect(new Set(stopped).size).toBe(3);
    }
  });

  it('slides to another fret as a guide, also when the bass is open', () => {
    const travels = ['C4+E4+A4/2 D4+F#4+B4/2', 'A2/1'];
    const barre = paid('shift', travels, '3:1 2:1 1:1 3:1 2:1 1:1 5:0')[1]!;
    const anew = paid('shift', travels, '3:3 2:2 1:1 3:1 2:1 1:1 5:0');
    expect(barre).toBeLessThan(costs.shift / 2);
    expect(Math.max(...anew)).toBeGreaterThan(0);
  });
});

describe('the hand that plays', () => {
  it('opens at the price of its own spans', () => {
    const priceFor = (size: 'small' | 'medium' | 'large'): number =>
      planAs(['F2+C4/2'], '6:1 2:1', { hand: handOf(size) }).left.cost -
      planAs(['F2+C4/2'], '6:1 2:1', { hand: handOf('medium') }).left.cost;
    expect(priceFor('small')).toBeGreaterThanOrEqual(0);
    expect(priceFor('large')).toBeLessThanOrEqual(0);
    const stretch = (size: 'small' | 'large'): number =>
      planAs(['F4+G#2/2'], '1:1 6:4', { hand: handOf(size) }).left.cost;
    expect(stretch('small')).toBeGreaterThan(stretch('large') + 0.5);
  });
});

// Common practice, no published source.
describe('the first place of a hand', () => {
  it('is where the phrase lies: one low note does not make the way up cheaper', () => {
    const voices = ['F4/4 A4/4 C5/4 | Bb4/4 A4/4 G4/4 | F4/4 A4/4 Bb4/4', 'D3/2. | D3/2. | D3/2.'];
    const plan = planPiece(exampleScore({ voices, tempo: 88, meter: { beats: 3, beatType: 4 } }));
    const first = plan.score.notes.findIndex(({ midi }) => midi === 65);
    expect(plan.notes[first]).toMatchObject({ string: 2, finger: 2 });
    expect(plan.shifts).toEqual([]);
  });
});
