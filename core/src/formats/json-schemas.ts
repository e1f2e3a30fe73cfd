import * as z from 'zod';
import { BARRE_EXTENTS } from '../fingering/marks.ts';
import { STROKE_FINGERS } from '../fingering/vocabulary.ts';
import { STRUM_DIRECTIONS } from '../score/score.ts';
import { DENSITIES } from '../page/density.ts';
import { DEPTHS } from '../walk/telling.ts';
import { DAMPING_GRADES, DAMPING_MEANS } from '../technique/damping.ts';

/** Bars are counted from 1 by their place; `number` is what is printed. */
const bar = z.int().min(1);
/** Quarters from the start of the bar, as a fraction: `3/2`. */
const beat = z.string().regex(/^-?\d+(\/\d+)?$/);
/** `oculon.plan/1`: what a plan says of a piece. */
export const planSchema = z.object({
  schema: z.literal('oculon.plan/1'),
  piece: z.object({ title: z.string(), bars: z.int(), notes: z.int(), tempo: z.number() }),
  notes: z.array(
    z.object({
      id: z.string(),
      bar,
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
    z.object({
      bar,
      beat,
      from: z.int(),
      to: z.int(),
      rides: z.enum(['open-string', 'rest', 'guide', 'repeat', 'bass', 'none']),
      mm: z.number(),
      ms: z.number(),
    }),
  ),
  barres: z.array(
    z.object({
      bar,
      beat,
      untilBar: z.int(),
      untilBeat: beat,
      fret: z.int(),
      strings: z.tuple([z.int(), z.int()]),
    }),
  ),
  guides: z.array(
    z.object({
      bar,
      beat,
      finger: z.int().min(1).max(4),
      string: z.int().min(1).max(6),
      fromFret: z.int().min(1),
      toFret: z.int().min(1),
      heard: z.boolean(),
    }),
  ),
  held: z.array(
    z.object({
      bar,
      beat,
      finger: z.int().min(1).max(4),
      kind: z.enum(['pivot', 'common', 'keep-down']),
      untilBar: z.int(),
      untilBeat: beat,
    }),
  ),
  preparations: z.array(
    z.object({
      bar,
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
    z.object({
      bar,
      beat,
      chord: z.string().nullable(),
      position: z.int(),
      shape: z.array(z.object({ string: z.int(), fret: z.int(), finger: z.int() })),
    }),
  ),
  slurSuggestions: z.array(
    z.object({
      bar,
      beat,
      kind: z.enum(['hammer-on', 'pull-off']),
      repairs: z.enum(['crossing', 'repeat', 'tempo']),
    }),
  ),
  phrases: z.array(z.object({ from: z.int(), to: z.int(), ends: z.string() })),
  returns: z.array(
    z.object({
      from: z.int(),
      to: z.int(),
      like: z.int(),
      kind: z.enum(['exact', 'transposed', 'other-bass', 'same-rhythm']),
      semitones: z.int().optional(),
    }),
  ),
  damping: z.array(
    z.object({
      bar,
      beat,
      string: z.int().min(1).max(6),
      grade: z.enum(DAMPING_GRADES),
      means: z.enum(DAMPING_MEANS),
      cost: z.number(),
    }),
  ),
  jumps: z.array(
    z.object({
      bar,
      toBar: z.int(),
      price: z.number(),
      from: z.int().nullable(),
      to: z.int().nullable(),
      mm: z.number().nullable(),
      ms: z.number().nullable(),
    }),
  ),
  findings: z.array(z.object({ code: z.string(), severity: z.string(), bar, beat, message: z.string() })),
  cost: z.object({ left: z.number(), right: z.number(), terms: z.record(z.string(), z.number()) }),
  ms: z.object({ parse: z.number(), left: z.number(), right: z.number() }),
});

/** `oculon.check/1`: what a player will stumble over in a fingering that someone wrote. */
export const checkSchema = z.object({
  schema: z.literal('oculon.check/1'),
  piece: z.object({ title: z.string(), bars: z.int(), notes: z.int() }),
  fixed: z.int().min(0),
  findings: z.array(
    z.object({
      code: z.string(),
      severity: z.enum(['error', 'warning', 'remark']),
      note: z.string().nullable(),
      bar,
      beat,
      message: z.string(),
    }),
  ),
});

const crossings = z.object({ 'toward-treble': z.int(), 'toward-bass': z.int() });
const strokeFinger = z.enum(['p', 'i', 'm', 'a']);

/** `oculon.right/1`: the right hand of a plan in figures. Times in ms. */
export const rightSchema = z.object({
  schema: z.literal('oculon.right/1'),
  piece: z.object({ title: z.string(), bars: z.int(), tempo: z.number() }),
  school: z.string(),
  cost: z.object({ total: z.number(), terms: z.record(z.string(), z.number()) }),
  strokes: z.int(),
  alternationBreaks: z.int(),
  crossings,
  repeats: z.int(),
  pivots: z.int(),
  load: z.record(strokeFinger, z.int()),
  longestRun: z.int(),
  fastestReturn: z.int().nullable(),
  fastestRepeats: z.array(z.object({ bar, number: z.string(), finger: strokeFinger, ms: z.int() })),
  patterns: z.array(z.object({ order: z.string(), kind: z.enum(['arpeggio', 'tremolo']), times: z.int() })),
  patternCoverage: z.number(),
  bars: z.array(
    z.object({
      bar,
      number: z.string(),
      strokes: z.int(),
      crossings,
      repeats: z.int(),
      fastestRepeat: z.int().nullable(),
    }),
  ),
  frames: z.array(
    z.object({ bar, strings: z.array(z.object({ finger: strokeFinger, string: z.int().min(1).max(6) })) }),
  ),
});

/** A sign over a span of notes, or at one: what it is beside its place. */
const sign = z
  .object({ from: z.string(), to: z.string().optional(), bar, beat, untilBar: z.int(), untilBeat: beat })
  .and(
    z.discriminatedUnion('kind', [
      z.object({ kind: z.literal('position'), position: z.int().min(1) }),
      z.object({
        kind: z.literal('barre'),
        fret: z.int().min(1),
        extent: z.enum(BARRE_EXTENTS),
        finger: z.int().min(1).max(4),
      }),
      z.object({ kind: z.literal('guide'), heard: z.boolean() }),
      z.object({ kind: z.literal('hold') }),
      z.object({ kind: z.literal('damp'), string: z.int().min(1).max(6) }),
      z.object({ kind: z.literal('plant'), fingers: z.string() }),
    ]),
  );

/** `oculon.marks/1`: which marks stand on the page of a plan at a density. */
export const marksSchema = z.object({
  schema: z.literal('oculon.marks/1'),
  piece: z.object({ title: z.string(), bars: z.int(), notes: z.int() }),
  density: z.enum(DENSITIES),
  notes: z.array(
    z.object({
      id: z.string(),
      bar,
      number: z.string(),
      beat,
      voice: z.string(),
      pitch: z.string(),
      finger: z.boolean(),
      string: z.boolean(),
      pluck: z.boolean(),
    }),
  ),
  signs: z.array(sign),
  reads: z.boolean(),
});

/** `oculon.walk/1`: a piece as a student is walked through it. */
export const walkSchema = z.object({
  schema: z.literal('oculon.walk/1'),
  piece: z.object({ title: z.string(), bars: z.int() }),
  depth: z.enum(DEPTHS),
  language: z.string(),
  lines: z.array(
    z.object({
      from: bar,
      to: bar,
      numbers: z.tuple([z.string(), z.string()]),
      depth: z.enum(DEPTHS),
      sentences: z.array(z.object({ kind: z.string(), bar, beat, text: z.string() })),
    }),
  ),
});

const ms = z.number().min(0);
const string = z.int().min(1).max(6);
const happens = { ms, string, id: z.string(), beside: z.literal(true).optional() };
const begins = {
  ...happens,
  fret: z.int().min(0),
  midi: z.number(),
  open: z.number(),
  strength: z.number().min(0).max(1),
  voice: z.string(),
  role: z.enum(['bass', 'inner', 'melody', 'only']),
};
const finger = z.enum(STROKE_FINGERS).optional();

/** `oculon.sound/1`: what happens to each string when a piece is played; ms from the start. */
export const soundSchema = z.object({
  schema: z.literal('oculon.sound/1'),
  piece: z.object({ title: z.string(), bars: z.int() }),
  asWritten: z.boolean(),
  once: z.boolean(),
  length: ms,
  bars: z.array(z.object({ bar, pass: z.int().min(1), from: ms, to: ms })),
  events: z.array(
    z.discriminatedUnion('kind', [
      z.object({
        kind: z.literal('pluck'),
        ...begins,
        finger,
        stroke: z.enum(['free', 'rest']),
        strum: z.enum(STRUM_DIRECTIONS).optional(),
      }),
      z.object({ kind: z.literal('hammer-on'), ...begins }),
      z.object({ kind: z.literal('pull-off'), ...begins }),
      z.object({ kind: z.literal('slide'), ...begins, fromFret: z.int(), fromMidi: z.number() }),
      z.object({ kind: z.literal('harmonic'), ...begins, finger, node: z.int() }),
      z.object({ kind: z.literal('damp'), ...happens, by: z.string() }),
      z.object({ kind: z.literal('lift'), ...happens }),
    ]),
  ),
});

/** The formats that other programs read, as JSON Schemas (draft 2020-12); fields are only ever added to them. */
const parameterValue = z.union([z.string(), z.number(), z.array(z.string())]);

/** `oculon.drills/1`: every kind of drill with what can be set. */
export const drillsSchema = z.object({
  schema: z.literal('oculon.drills/1'),
  drills: z.array(
    z.object({
      kind: z.string(),
      name: z.string(),
      about: z.string(),
      group: z.string(),
      care: z.array(z.string()),
      parameters: z.array(
        z.discriminatedUnion('kind', [
          z.object({
            name: z.string(),
            kind: z.literal('choice'),
            values: z.array(z.string()),
            initial: z.string(),
          }),
          z.object({
            name: z.string(),
            kind: z.literal('number'),
            least: z.int(),
            most: z.int(),
            initial: z.int(),
          }),
          /** Some of the values in any order, each once; joined by `+` where they are typed. */
          z.object({
            name: z.string(),
            kind: z.literal('sequence'),
            values: z.array(z.string()),
            initial: z.array(z.string()),
          }),
        ]),
      ),
    }),
  ),
});

/** `oculon.drill/1`: a drill as it was made, and its plan. */
export const drillSchema = z.object({
  schema: z.literal('oculon.drill/1'),
  kind: z.string(),
  title: z.string(),
  parameters: z.record(z.string(), parameterValue),
  care: z.array(z.string()),
  plan: planSchema,
});

const date = z.string().regex(/^\d{4}-\d{2}-\d{2}$/);
const minutes = z.int().min(1);

/** `oculon.practice/1`: what of some pieces is hard, and a calendar of sessions. Tempi in quarters a minute. */
export const practiceSchema = z.object({
  schema: z.literal('oculon.practice/1'),
  from: date,
  minutes,
  weekdays: z.array(z.int().min(1).max(7)),
  pieces: z.array(
    z.object({
      piece: z.string(),
      title: z.string(),
      target: z.number(),
      spots: z.array(
        z.object({
          spot: z.string(),
          kind: z.string(),
          from: bar,
          to: bar,
          effort: z.number(),
          comfortable: z.number().nullable(),
          findings: z.array(z.string()),
          returns: z.array(bar),
          rungs: z.array(z.number()).min(1),
          drills: z.array(z.string()),
        }),
      ),
    }),
  ),
  days: z.array(
    z.object({
      date,
      parts: z.array(
        z.union([
          z.object({
            kind: z.enum(['spot', 'again']),
            minutes,
            piece: z.string(),
            spot: z.string(),
            tempo: z.number(),
            why: z.enum(['pinned', 'new', 'due', 'goal-near', 'kept-up']),
          }),
          z.object({ kind: z.enum(['warm-up', 'pieces', 'break']), minutes }),
        ]),
      ),
    }),
  ),
  goals: z.array(z.object({ piece: z.string(), until: date, ready: date.nullable(), moves: z.boolean() })),
});

export const JSON_FORMATS = {
  plan: planSchema,
  check: checkSchema,
  right: rightSchema,
  marks: marksSchema,
  walk: walkSchema,
  sound: soundSchema,
  drills: drillsSchema,
  drill: drillSchema,
  practice: practiceSchema,
} as const;
