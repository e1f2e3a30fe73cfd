import { describe, expect, it } from 'vitest';
import { readMusicXml } from '../formats/musicxml/read.ts';
import { planPiece, type Plan } from '../plan/plan.ts';
import { exampleXml } from '../testing/notation.ts';
import { decide, exampleScore, planVoices } from '../testing/planning.ts';

type Decisions = Parameters<typeof decide> extends [unknown, ...infer Rest] ? Rest : never;
const fixed = (voices: readonly string[], decisions: Decisions, tempo = 90): Plan => {
  const score = exampleScore({ voices, tempo });
  return planPiece(score, decide(score, ...decisions));
};
const staysOfFinger = ({ technique }: Plan, finger: number) =>
  technique.stays.filter((stay) => stay.finger === finger);

// Common practice, no published source (handbook §3).
describe('where fingers stay', () => {
  it('a held bass keeps its finger from its note to its end', () => {
    const plan = planVoices(['D4/4 B3/4 D4/4 B3/4', 'G2/1']);
    const bass = plan.technique.stays.find(({ strings }) => strings.includes(6))!;
    expect([bass.from, bass.to, bass.leaves]).toEqual([0, plan.left.hands.length, 'end']);
  });

  it('tells why a finger leaves: it is needed elsewhere, or its string is', () => {
    const hop = fixed(
      ['F4/4 C#4/4'],
      [
        ['F4', 0, { finger: 1, string: 1 }],
        ['C#4', 0, { finger: 1, string: 2 }],
      ],
    );
    expect(staysOfFinger(hop, 1).map(({ leaves }) => leaves)).toEqual(['needed-elsewhere', 'end']);
    const open = planVoices(['C4/4 B3/4']);
    expect(staysOfFinger(open, 1)[0]!.leaves).toBe('string-needed');
  });

  it('every stopped note lies under exactly one stay of its finger', () => {
    const plan = planVoices([
      'A3/4 C4/8 B3/8 A3/4 | B3/4 D4/8 C4/8 B3/4 | C4/4 E4/4 D4/8 C4/8 | A4/4 C5/8 B4/8 A4/4',
      'A2/2. | E2/2. | A2/2. | F3/2.',
    ]);
    for (const { index } of plan.left.sounds) {
      const finger = plan.left.choices[index]?.finger ?? 0;
      const own = plan.technique.stays.filter((stay) => stay.sounds.includes(index));
      expect(own.map((stay) => stay.finger)).toEqual(finger === 0 ? [] : [finger]);
    }
  });
});

describe('guide fingers', () => {
  it('3 on ④ fret 2 leads to ④ fret 4', () => {
    const plan = fixed(
      ['E3/2 F#3/2'],
      [
        ['E3', 0, { finger: 3, string: 4 }],
        ['F#3', 0, { finger: 3, string: 4 }],
      ],
    );
    expect(plan.technique.guides).toEqual([
      expect.objectContaining({ finger: 3, string: 4, fromFret: 2, toFret: 4, isHeard: false }),
    ]);
  });

  it('another finger, or another string, leads nowhere', () => {
    const plan = fixed(
      ['E3/2 F#3/2'],
      [
        ['E3', 0, { finger: 1, string: 4 }],
        ['F#3', 0, { finger: 3, string: 4 }],
      ],
    );
    expect(plan.technique.guides).toEqual([]);
  });
});

describe('fingers that stay', () => {
  it('are kept down for their note that comes back after a silence', () => {
    const plan = planVoices(['C4/4 -/4 E4/4 C4/4']);
    const held = plan.technique.held.find(({ stay }) => stay.finger === 1);
    expect(held?.kind).toBe('keep-down');
    expect(plan.left.sounds[held!.to]!.onset).toBe(3 * plan.score.ticksPerQuarter);
  });

  it('are common to two chords: 1 and 2 stay from A minor to C, 3 moves', () => {
    const { technique } = planVoices(['A2+E3+A3+C4+E4/2 C3+E3+G3+C4+E4/2']);
    expect(technique.held.map(({ kind, stay }) => [stay.finger, kind])).toEqual([
      [1, 'common'],
      [2, 'common'],
    ]);
  });

  it('are none where every note has its own place', () => {
    expect(planVoices(['C4/4 D4/4 E4/4 F4/4']).technique.held).toEqual([]);
  });
});

describe('when fingers go down', () => {
  it('the lower finger of a pull-off lies before the upper note is pulled off', () => {
    const plan = fixed(
      ['G4/4( F4/4) E4/2'],
      [
        ['G4', 0, { finger: 3, string: 1 }],
        ['F4', 0, { finger: 1, string: 1 }],
      ],
    );
    const lower = plan.technique.preparations.find(({ stay }) => stay.finger === 1)!;
    expect([lower.how, lower.why, lower.should]).toEqual(['early', 'pull-off', 0]);
  });

  it('a hammer-on needs nothing ahead: its finger falls as the note sounds', () => {
    const plan = fixed(
      ['F4/4( G4/4) E4/2'],
      [
        ['F4', 0, { finger: 1, string: 1 }],
        ['G4', 0, { finger: 3, string: 1 }],
      ],
    );
    const upper = plan.technique.preparations.find(({ stay }) => stay.finger === 3)!;
    expect(upper.should).toBe(upper.stay.from);
  });

  it('fingers of a broken chord go down with its block', () => {
    const plan = planVoices(['-/8 E3/8 A3/8 C4/8 E4/8 C4/8 A3/8 E3/8', 'A2/1']);
    const later = plan.technique.preparations.filter(({ stay }) => stay.from > 1);
    expect(later.length).toBeGreaterThan(0);
    for (const each of later) expect(each.how).toBe('with-block');
  });

  it('no finger is set while its string sounds lower or it is still needed', () => {
    const plan = planVoices(['E4/4 F4/4 G4/4 F4/4']);
    for (const { can, stay } of plan.technique.preparations) expect(can).toBeLessThanOrEqual(stay.from);
    // F on ① would stop the open E that sounds before it.
    expect(plan.technique.preparations[0]!.can).toBe(plan.technique.preparations[0]!.stay.from);
  });
});

describe('blocks', () => {
  it('see the shape of a broken chord and name it', () => {
    const plan = planVoices(['-/8 E3/8 A3/8 C4/8 E4/8 C4/8 A3/8 E3/8', 'A2/1']);
    const chords = plan.technique.blocks.map(({ chord }) => chord);
    expect(chords[0]).toBe('Am');
    const strings = plan.technique.blocks[0]!.shape.map(({ string }) => string);
    expect(strings).toEqual(strings.toSorted((a, b) => b - a));
  });

  it('hold every slice once, and one note a string', () => {
    const plan = planVoices(
      ['A3/4 C4/8 B3/8 A3/4 | F4/4 A4/8 G4/8 F4/4 | A4/4 C5/8 B4/8 A4/4', 'A2/2. | D3/2. | F3/2.'],
      {},
    );
    const { blocks } = plan.technique;
    expect(blocks[0]!.from).toBe(0);
    blocks.forEach(({ to }, index) => expect(blocks[index + 1]?.from ?? plan.left.hands.length).toBe(to));
    for (const { shape } of blocks)
      expect(new Set(shape.map(({ string }) => string)).size).toBe(shape.length);
  });
});

describe('a slide that is written', () => {
  const slid = () => {
    const score = exampleScore({ voices: ['F4/4 G4/4 A4/4 C5/4'], tempo: 80 });
    return {
      ...score,
      notes: score.notes.map((note) => (note.index === 3 ? { ...note, slideFrom: 2 } : note)),
    };
  };

  it('keeps one finger on one string, and is heard', () => {
    const plan = planPiece(slid());
    const [from, to] = [plan.left.choices[2]!, plan.left.choices[3]!];
    expect([to.string, to.finger]).toEqual([from.string, from.finger]);
    expect(plan.technique.guides).toContainEqual(expect.objectContaining({ from: 2, to: 3, isHeard: true }));
  });

  it('is read from the source and plucked or not as the source slurs it', () => {
    const xml = exampleXml({ voices: ['A4/4 C5/4'] })
      .replace('</note>', '<notations><slide type="start" number="1"/></notations></note>')
      .replace(
        /<\/note>(?![\s\S]*<\/note>)/,
        '<notations><slide type="stop" number="1"/></notations></note>',
      );
    const read = readMusicXml(xml);
    if (!read.ok) throw new Error(read.error.code);
    expect(read.value.score.notes.map(({ slideFrom }) => slideFrom)).toEqual([undefined, 0]);
    expect(planPiece(read.value.score).notes.every(({ pluck }) => pluck !== undefined)).toBe(true);
  });
});
