import { readMusicXml, type PlacedMark } from '@oculon/core';
import { describe, expect, it } from 'vitest';
import { exampleXml } from '../../../../core/src/testing/notation.ts';
import type { HeadBox, SystemGeometry } from './geometry.ts';
import { laySlurs } from './slurs.ts';

const read = readMusicXml(exampleXml({ voices: ['E4/4 F4/4 G4/4 A4/4'] }));
if (!read.ok) throw new Error(read.error.code);
const { score } = read.value;

const [STAFF_TOP, STAFF_BOTTOM, STEM] = [100, 140, 35];
const head = (note: number, y: number, stem: 'up' | 'down'): HeadBox => ({
  note,
  x: 60 + note * 50,
  y,
  width: 12,
  left: 60 + note * 50,
  top: stem === 'up' ? y - STEM - 5 : y - 5,
  bottom: stem === 'down' ? y + STEM + 5 : y + 5,
  stem,
});
const slur = (from: number, to: number): PlacedMark =>
  ({
    id: 'slur@1',
    by: 'teacher',
    mark: { kind: 'slur', from: score.notes[from]!.id, to: score.notes[to]!.id },
  }) as unknown as PlacedMark;
const lay = (heads: readonly HeadBox[], mark: PlacedMark) => {
  const geometry: SystemGeometry = {
    first: 0,
    last: 0,
    width: 300,
    staffTop: STAFF_TOP,
    staffBottom: STAFF_BOTTOM,
    inkTop: 60,
    inkBottom: 180,
    heads,
    bars: [{ index: 0, x: 0, width: 300, musicStart: 50 }],
  };
  return laySlurs(score, geometry, [mark]);
};
/** Points of the inner edge of a bow, from its path. */
const innerEdge = (path: string): readonly (readonly [x: number, y: number])[] => {
  const [startX, startY, , , endX, endY, x, y] = [...path.matchAll(/-?\d+(?:\.\d+)?/g)].map(Number) as [
    number,
    ...number[],
  ];
  return Array.from({ length: 41 }, (_, step) => {
    const share = step / 40;
    const at = (a: number, b: number, c: number): number =>
      (1 - share) ** 2 * a + 2 * share * (1 - share) * b + share ** 2 * c;
    return [at(startX, x!, endX!), at(startY!, y!, endY!)] as const;
  });
};

describe('slurs', () => {
  it('lie on the side of the heads, half a staff space from them', () => {
    const [under] = lay([head(0, 130, 'up'), head(1, 125, 'up')], slur(0, 1));
    expect(under!.top).toBeGreaterThanOrEqual(135);
    expect(under!.bottom).toBeGreaterThan(140);
    const [over] = lay([head(0, 110, 'down'), head(1, 105, 'down')], slur(0, 1));
    expect(over!.bottom).toBeLessThanOrEqual(100);
  });

  it('clear the heads between their ends', () => {
    const heads = [head(0, 120, 'down'), head(1, 95, 'down'), head(2, 95, 'down'), head(3, 120, 'down')];
    const [sign] = lay(heads, slur(0, 3));
    for (const { x, y } of heads.slice(1, 3))
      for (const [at, edge] of innerEdge(sign!.path))
        if (at >= x && at <= x + 12) expect(edge).toBeLessThanOrEqual(y - 10);
  });

  it('go over stems that point both ways, from the tip of one that points up', () => {
    const [sign] = lay([head(0, 130, 'up'), head(1, 110, 'down')], slur(0, 1));
    expect(innerEdge(sign!.path)[0]![1]).toBeLessThan(130 - STEM - 5);
  });

  it('keep away from ledger lines', () => {
    const [low] = lay([head(0, 160, 'down'), head(1, 150, 'down')], slur(0, 1));
    expect(low!.top).toBeGreaterThan(150 + STEM);
    const [high] = lay([head(0, 80, 'up'), head(1, 75, 'up')], slur(0, 1));
    expect(high!.bottom).toBeLessThan(80 - STEM);
  });

  it('are drawn as halves where one end lies on another system', () => {
    const [begun] = lay([head(0, 110, 'down'), head(1, 105, 'down')], slur(1, 3));
    expect(innerEdge(begun!.path).at(-1)![0]).toBe(296);
    const [ended] = lay([head(3, 110, 'down')], slur(1, 3));
    expect(innerEdge(ended!.path)[0]![0]).toBe(46);
    expect(lay([head(0, 110, 'down')], slur(1, 3))).toEqual([]);
  });
});
