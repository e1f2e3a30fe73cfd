import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import * as z from 'zod';
import { planVoices } from '../testing/planning.ts';
import { findingSaid } from '../testing/words.ts';
import { checkJson } from './check-json.ts';
import { checkSchema, JSON_FORMATS, marksSchema, planSchema, rightSchema } from './json-schemas.ts';
import { DENSITIES } from '../page/density.ts';
import { marksJson } from './marks-json.ts';
import { planJson } from './plan-json.ts';
import { rightJson } from './right-json.ts';

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

describe('the other formats', () => {
  const plan = planVoices(['E4/8 E4/8 C4/8 A3/8 E4/8 C4/8 A3/8 E3/8', 'A2/1'], { tempo: 200 });

  it('oculon.check/1 and oculon.right/1 have exactly the fields of their schemas', () => {
    const check: unknown = JSON.parse(JSON.stringify(checkJson(plan, findingSaid)));
    expect(checkSchema.parse(check)).toEqual(check);
    const right: unknown = JSON.parse(JSON.stringify(rightJson(plan)));
    expect(rightSchema.parse(right)).toEqual(right);
  });

  it.each(DENSITIES)('oculon.marks/1 has the fields of its schema: %s', (density) => {
    const barred = planVoices(['F2+C3+F3+A3+C4+F4/2 A4/4 C5/4 | E5/2 E4/2']);
    const marks: unknown = JSON.parse(JSON.stringify(marksJson(barred, density)));
    expect(marksSchema.parse(marks)).toMatchObject({ density, reads: true });
  });

  // Written by `npm run schemas`.
  it.each(Object.keys(JSON_FORMATS) as (keyof typeof JSON_FORMATS)[])('%s is published as it is', (name) => {
    const file = join(import.meta.dirname, `../../../docs/formats/oculon.${name}.1.schema.json`);
    const published: unknown = JSON.parse(readFileSync(file, 'utf8'));
    expect(published).toEqual(z.toJSONSchema(JSON_FORMATS[name], { io: 'input' }));
  });
});
