import { describe, expect, it } from 'vitest';
import type { HeadBox } from './geometry.ts';
import { withNumbers } from './tuplets.ts';

const head: HeadBox = { note: 0, x: 100, y: 60, width: 12, left: 96, top: 55, bottom: 95, stem: 'down' };

describe('numbers of tuplets', () => {
  it('push what stands at a stem further out, where they stand near it', () => {
    expect(withNumbers(head, [{ x: 108, top: 98, bottom: 120 }])).toMatchObject({ top: 55, bottom: 120 });
    expect(withNumbers(head, [{ x: 108, top: 20, bottom: 42 }])).toMatchObject({ top: 20, bottom: 95 });
  });

  it('leave notes alone that stand beside them', () => {
    expect(withNumbers(head, [{ x: 140, top: 98, bottom: 120 }])).toEqual(head);
  });
});
