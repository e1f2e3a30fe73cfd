import { describe, expect, it } from 'vitest';
import { EMPTY_FINGERING } from '../fingering/fingering.ts';
import { patternSchema, type PassageRule, type RuleId } from '../fingering/rules.ts';
import { rightStatistics } from '../right/around/statistics.ts';
import { decide, exampleScore, rightHand } from '../testing/planning.ts';
import { planPiece, setupFor, type Plan } from './plan.ts';
import { comparePatterns, otherRightWays, pluckChoices } from './right-ways.ts';

const arpeggio = exampleScore({
  voices: ['-/8 G3/8 B3/8 E4/8 B3/8 G3/8 | -/8 A3/8 C4/8 E4/8 C4/8 A3/8', 'E2/2. | A2/2.'],
  meter: { beats: 3, beatType: 4 },
  tempo: 80,
});
const scale = exampleScore({ voices: ['C4/16 D4/16 E4/16 F4/16 G4/16 A4/16 G4/16 F4/16'], tempo: 100 });
const pattern = (letters: string) => patternSchema.parse(letters);
const under = (plan: Plan, ...rules: readonly PassageRule[]): Plan =>
  planPiece(
    plan.score,
    { ...EMPTY_FINGERING, rules: new Map(rules.map((rule, index) => [`r${index}` as RuleId, rule])) },
    plan.setup,
  );

describe('patterns', () => {
  const plan = planPiece(arpeggio);

  it('begin again with every bar that holds them', () => {
    const asked = under(plan, { kind: 'pattern', from: 0, to: 1, pattern: pattern('pimami') });
    expect(rightHand(asked)).toBe('pimamipimami');
  });

  it('are compared side by side, the plan first and what was typed after it', () => {
    const [own, typed, ...known] = comparePatterns(plan, { from: 0, to: 1 }, [pattern('pamima')]);
    expect(own!.asked.kind).toBe('plan');
    expect(own!.price).toBe(0);
    expect(typed!.asked).toEqual({ kind: 'pattern', pattern: 'pamima' });
    expect(typed!.price).toBeGreaterThan(0);
    expect(typed!.misfits).toEqual([]);
    expect(typed!.dearer.length).toBeGreaterThan(0);
    expect(typed!.dearer.map(({ price }) => price)).toEqual(
      typed!.dearer.map(({ price }) => price).toSorted((a, b) => b - a),
    );
    expect(own!.dearer).toEqual([]);
    expect(typed!.measures.crossings.length).toBeGreaterThan(own!.measures.crossings.length);
    expect(known.every(({ misfits }) => misfits.length === 0)).toBe(true);
  });

  it('name the strokes at which a pattern cannot hold', () => {
    const locked = planPiece(arpeggio, decide(arpeggio, ['E4', 0, { pluck: 'm' }]), setupFor(arpeggio));
    const [, typed] = comparePatterns(locked, { from: 0, to: 0 }, [pattern('pimami')]);
    expect(typed!.misfits.map(({ wanted }) => wanted)).toEqual(['a']);
  });

  it('a pattern is letters of p, i, m and a', () => {
    expect(patternSchema.safeParse('pimx').success).toBe(false);
    expect(patternSchema.safeParse('').success).toBe(false);
  });
});

describe('schools over a range of bars', () => {
  const plan = planPiece(scale);
  it('strict i–m begins with i and never repeats, strict m–i with m', () => {
    const onOneString = planPiece(
      exampleScore({ voices: ['E4/16 F4/16 G4/16 F4/16 E4/16 F4/16 G4/16 F4/16'], tempo: 100 }),
    );
    const im = rightHand(under(onOneString, { kind: 'school', from: 0, to: 0, school: 'strict-im' }));
    const mi = rightHand(under(onOneString, { kind: 'school', from: 0, to: 0, school: 'strict-mi' }));
    expect(im).toBe('imimimim');
    expect(mi).toBe('mimimimi');
  });
  it('three fingers follow one another a–m–i but for crossings', () => {
    const ami = rightHand(under(plan, { kind: 'school', from: 0, to: 0, school: 'three-finger' }));
    expect(ami).toMatch(/ami/);
    expect(ami).not.toMatch(/(.)\1|p/);
  });
  it('a finger for each string keeps i on ③, m on ② and a on ①', () => {
    const each = under(planPiece(arpeggio), { kind: 'school', from: 0, to: 1, school: 'finger-per-string' });
    for (const { notes } of each.right.events)
      for (const { sound, string } of notes)
        expect(each.right.choices[sound]!.pluck).toBe(['', 'a', 'm', 'i', 'p', 'p', 'p'][string]);
  });
  it('the thumb plays twice running in a line only where it may, bar by bar', () => {
    const low = planPiece(
      exampleScore({ voices: ['E2/8 A2/8 D3/8 G3/8 | E2/8 A2/8 D3/8 G3/8'], tempo: 100 }),
    );
    const sweeps = (plan: Plan, bar: number) =>
      plan.right.events.filter(
        (each, index) =>
          each.bar === bar &&
          plan.right.events[index - 1]?.bar === bar &&
          plan.right.options[index]![0] === 0 &&
          plan.right.options[index - 1]![0] === 0,
      ).length;
    const school = 'finger-per-string' as const;
    const everywhere: PassageRule = { kind: 'school', from: 0, to: 1, school };
    expect(sweeps(under(low, everywhere), 1)).toBeGreaterThan(0);
    const without = under(low, everywhere, { kind: 'school', from: 1, to: 1, school, doubleThumb: false });
    expect(sweeps(without, 1)).toBe(0);
    expect(sweeps(without, 0)).toBeGreaterThan(0);
  });
  it('where strict alternation cannot hold, the finding says so', () => {
    const locked = planPiece(
      scale,
      {
        ...decide(scale, ['C4', 0, { pluck: 'i' }], ['D4', 0, { pluck: 'i' }]),
        rules: new Map([['r' as RuleId, { kind: 'school', from: 0, to: 0, school: 'strict-im' }]]),
      },
      plan.setup,
    );
    expect(locked.findings.map(({ code }) => code)).toContain('school-not-kept');
  });
});

describe('tremolo', () => {
  const tremolo = exampleScore({
    voices: ['-/32 E4/32 E4/32 E4/32 -/32 E4/32 E4/32 E4/32', 'A2/8 E3/8'],
    tempo: 70,
  });
  it('follows the order asked for, with the thumb or without it', () => {
    const order = (letters: string) =>
      rightHand(planPiece(tremolo, EMPTY_FINGERING, { ...setupFor(tremolo), tremolo: pattern(letters) }));
    expect(order('pima')).toBe('pimapima');
    expect(order('pmim')).toBe('pmimpmim');
    expect(order('aim')).toBe('paimpaim');
  });
});

describe('other ways and prices of the right hand', () => {
  it('are different from the plan and from each other', () => {
    const plan = planPiece(scale);
    const ways = otherRightWays(plan, { from: 0, to: 0 });
    const orders = ways.map(({ order }) => order);
    expect(orders.length).toBeGreaterThan(0);
    expect(new Set(orders).size).toBe(orders.length);
    expect(orders).not.toContain(rightHand(plan));
  });

  it('the price of a finger is what solving with it costs more', () => {
    const plan = planPiece(scale, EMPTY_FINGERING, { ...setupFor(scale), keepOrder: false });
    for (const note of [0, 3, 5])
      for (const { pluck, price } of pluckChoices(plan, note)) {
        const id = scale.notes[note]!.id;
        const forced = planPiece(
          scale,
          { ...EMPTY_FINGERING, choices: new Map([[id, { pluck }]]) },
          plan.setup,
        );
        expect(forced.right.cost - plan.right.cost).toBeCloseTo(price, 6);
      }
  });
});

describe('figures of the right hand', () => {
  it('add up over bars and fingers', () => {
    const plan = planPiece(arpeggio);
    const figures = rightStatistics(arpeggio, plan.right);
    expect(figures.strokes).toBe(12);
    expect(Object.values(figures.load).reduce((sum, each) => sum + each, 0)).toBe(12);
    expect(figures.bars.reduce((sum, bar) => sum + bar.strokes, 0)).toBe(12);
    expect(figures.patterns).toEqual([{ order: 'pimami', kind: 'arpeggio', times: 2 }]);
    expect(figures.patternCoverage).toBe(1);
    expect(figures.frames).toEqual([]);
  });

  it('announce a frame other than i③ m② a①', () => {
    const low = exampleScore({
      voices: ['-/8 D3/8 G3/8 B3/8 G3/8 D3/8', 'E2/2.'],
      meter: { beats: 3, beatType: 4 },
      tempo: 80,
    });
    expect(rightStatistics(low, planPiece(low).right).frames[0]?.strings).toEqual([
      { finger: 'i', string: 4 },
      { finger: 'm', string: 3 },
      { finger: 'a', string: 2 },
    ]);
  });
});
