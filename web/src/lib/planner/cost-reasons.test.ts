import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { withoutReasons } from '../../../cost-reasons.ts';

const FILES = ['left/hand/costs.ts', 'right/search/costs.ts'];

/** The rules that a file of costs makes, by evaluating each by itself: `rule` answers what it was given. */
const rulesIn = (code: string): readonly (readonly unknown[])[] =>
  [...code.matchAll(/^ {2}(\w+): (rule\([^]*?\)),$/gm)].map(([, name, call]) => [
    name,
    ...(new Function('rule', `return ${call}`)((...given: unknown[]) => given) as unknown[]),
  ]);

describe('costs without their reasons', () => {
  it.each(FILES)('keep every value of %s, and no reason', (file) => {
    const code = readFileSync(new URL(`../../../../core/src/${file}`, import.meta.url), 'utf8');
    const before = rulesIn(code);
    const after = rulesIn(withoutReasons(code));
    expect(before.length).toBeGreaterThan(40);
    expect(after).toEqual(before.map(([name, value]) => [name, value, '', '']));
  });
});
