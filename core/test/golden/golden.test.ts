import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { described, digest, planOf } from './described.ts';
import { generatedXml } from './pieces.ts';

const known = JSON.parse(readFileSync(join(import.meta.dirname, 'plans.json'), 'utf8')) as Record<
  string,
  string
>;

/** A few of them; `npm run golden` compares all, and writes them down anew when plans are meant to change. */
describe('plans on record', () => {
  it.each([0, 1, 2, 3, 4, 8, 12])('generated piece %i is planned as before', (number) => {
    expect(digest(described(planOf(generatedXml(number), number)))).toBe(known[`generated ${number}`]);
  });
});
