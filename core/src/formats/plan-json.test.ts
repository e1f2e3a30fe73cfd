import { findingSaid } from '../testing/words.ts';
import { describe, expect, it } from 'vitest';
import * as z from 'zod';
import { planVoices } from '../testing/planning.ts';
import { planJson } from './plan-json.ts';

const beat = z.string().regex(/^-?\d+(\/\d+)?$/);
/** `oculon.plan/1` as the design document gives it. */
const planSchema = z.strictObject({
  schema: z.literal('oculon.plan/1'),
  piece: z.strictObject({ title: z.string(), bars: z.int(), notes: z.int(), tempo: z.number() }),
  notes: z.array(
    z.strictObject({
      id: z.string(),
      bar: z.int().min(1),
      number: z.string(),
      beat,
      voice: z.string(),
      pitch: z.string().regex(/^[A-G](#{0,2}|b{0,2})-?\d$/),
      midi: z.int(),
      string: z.int().min(1).max(6).nullable(),
      fret: z.int().min(0).nullable(),
      finger: z.int().min(0).max(4).nullable(),
      barre: z.boolean(),
      pluck: z.enum(['p', 'i', 'm', 'a', 'c']).nullable(),
      locked: z.boolean(),
      cost: z.record(z.string(), z.number()),
    }),
  ),
  shifts: z.array(
    z.strictObject({
      bar: z.int(),
      beat,
      from: z.int(),
      to: z.int(),
      rides: z.enum(['open-string', 'rest', 'guide', 'repeat', 'bass', 'none']),
      mm: z.number(),
      ms: z.number(),
    }),
  ),
  barres: z.array(
    z.strictObject({
      bar: z.int(),
      beat,
      untilBar: z.int(),
      untilBeat: beat,
      fret: z.int(),
      strings: z.tuple([z.int(), z.int()]),
    }),
  ),
  guides: z.array(
    z.strictObject({
      bar: z.int(),
      beat,
      finger: z.int().min(1).max(4),
      string: z.int().min(1).max(6),
      fromFret: z.int().min(1),
      toFret: z.int().min(1),
      heard: z.boolean(),
    }),
  ),
  held: z.array(
    z.strictObject({
      bar: z.int(),
      beat,
      finger: z.int().min(1).max(4),
      kind: z.enum(['pivot', 'common', 'keep-down']),
      untilBar: z.int(),
      untilBeat: beat,
    }),
  ),
  preparations: z.array(
    z.strictObject({
      bar: z.int(),
      beat,
      finger: z.int().min(1).max(4),
      strings: z.array(z.int()).min(1),
      fret: z.int().min(1),
      how: z.enum(['with-block', 'early', 'last-moment']),
      setBar: z.int(),
      setBeat: beat,
    }),
  ),
  blocks: z.array(
    z.strictObject({
      bar: z.int(),
      beat,
      chord: z.string().nullable(),
      position: z.int(),
      shape: z.array(z.strictObject({ string: z.int(), fret: z.int(), finger: z.int() })),
    }),
  ),
  slurSuggestions: z.array(
    z.strictObject({
      bar: z.int(),
      beat,
      kind: z.enum(['hammer-on', 'pull-off']),
      repairs: z.enum(['crossing', 'repeat', 'tempo']),
    }),
  ),
  phrases: z.array(z.strictObject({ from: z.int(), to: z.int(), ends: z.string() })),
  returns: z.array(
    z.strictObject({
      from: z.int(),
      to: z.int(),
      like: z.int(),
      kind: z.enum(['exact', 'transposed', 'other-bass', 'same-rhythm']),
      semitones: z.int().optional(),
    }),
  ),
  damping: z.array(z.unknown()),
  jumps: z.array(
    z.strictObject({
      bar: z.int(),
      toBar: z.int(),
      price: z.number(),
      from: z.int().nullable(),
      to: z.int().nullable(),
      mm: z.number().nullable(),
      ms: z.number().nullable(),
    }),
  ),
  findings: z.array(
    z.strictObject({ code: z.string(), severity: z.string(), bar: z.int(), beat, message: z.string() }),
  ),
  cost: z.strictObject({ left: z.number(), right: z.number(), terms: z.record(z.string(), z.number()) }),
  ms: z.strictObject({ parse: z.number(), left: z.number(), right: z.number() }),
});

const NO_TIME = { parse: 0, left: 0, right: 0 };

describe('oculon.plan/1', () => {
  it('has exactly the fields that other programs read', () => {
    const plan = planVoices(['F2+C3+F3+A3+C4+F4/2 C4/8t D4/8t E4/8t B4/4 | C5/2~ C5/2']);
    expect(() =>
      planSchema.parse(JSON.parse(JSON.stringify(planJson(plan, NO_TIME, findingSaid)))),
    ).not.toThrow();
  });

  it('tells the barre from its setting to its release', () => {
    const { barres } = planJson(planVoices(['F2+C3+F3+A3+C4+F4/2 E4/2']), NO_TIME, findingSaid);
    expect(barres).toEqual([{ bar: 1, beat: '0', untilBar: 1, untilBeat: '2', fret: 1, strings: [1, 6] }]);
  });

  it('reports only the bars asked for', () => {
    const plan = planVoices(['C4/1 | D4/1 | E4/1']);
    expect(planJson(plan, NO_TIME, findingSaid, { from: 2, to: 2 }).notes.map((note) => note.bar)).toEqual([
      2,
    ]);
  });
});
