import { describe, expect, it } from 'vitest';
import { laySigns, NO_ROWS, type SheetSign } from './sign-rows.ts';

const sign = (note: number, text: string): SheetSign => ({
  note,
  kind: 'plant',
  sign: text,
  words: text,
  isAdvice: false,
});
const geometry = {
  heads: [0, 1, 2].map((note) => ({ note, x: 50 + note * 20, width: 12 })),
} as never;
const marks = { bottom: 100 } as never;

describe('rows of signs below a system', () => {
  it('stand below their notes', () => {
    const { marks: laid } = laySigns(geometry, marks, [sign(0, 'a'), sign(2, 'i')]);
    expect(laid.map(({ x }) => x)).toEqual([56, 96]);
    expect(new Set(laid.map(({ y }) => y)).size).toBe(1);
  });
  it('move a row down where they would touch', () => {
    const { marks: laid, height } = laySigns(geometry, marks, [sign(0, '▾ima'), sign(1, '▾ima')]);
    expect(laid[1]!.y).toBeGreaterThan(laid[0]!.y);
    expect(height).toBeGreaterThan(14);
  });
  it('leave the system alone when there are none, or none of its notes', () => {
    expect(laySigns(geometry, marks, [])).toBe(NO_ROWS);
    expect(laySigns(geometry, marks, [sign(7, 'a')])).toBe(NO_ROWS);
  });
});
