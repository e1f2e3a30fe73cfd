import { planPiece, readMusicXml } from '@oculon/core';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { handOnNeck } from './hand-on-neck.ts';

const study = (name: string) => {
  const path = fileURLToPath(new URL(`../../../../../demo/studies/${name}.musicxml`, import.meta.url));
  const read = readMusicXml(readFileSync(path, 'utf8'));
  if (!read.ok) throw new Error(read.error.code);
  const plan = planPiece(read.value.score);
  const hands = plan.left.hands.map(({ slice, position, lying, flat }) => ({
    onset: slice.onset,
    position,
    lying,
    flat,
  }));
  return { plan, hands };
};

describe('the hand on the neck', () => {
  it('shows every finger that lies and every next one in sight, at every moment of the studies', () => {
    for (const name of ['salt-lanterns', 'stairs-of-glass', 'one-thread']) {
      const { plan, hands } = study(name);
      for (const [slice, { onset, lying }] of hands.entries()) {
        const picture = handOnNeck(hands, plan.barres, onset)!;
        const inSight = (fret: number) => fret >= picture.base && fret < picture.base + picture.frets;
        expect(picture.now).toEqual(
          lying
            .filter(({ finger }) => finger > 0)
            .map(({ string, fret, finger, sounding }) => ({ string, fret, finger, sounding })),
        );
        expect(picture.frets).toBeLessThanOrEqual(12);
        for (const { fret } of [...picture.now, ...picture.next]) expect(inSight(fret)).toBe(true);
        // Each string is silent or sounds, open or stopped.
        const sounding = lying.filter((each) => each.sounding).map(({ string }) => string);
        expect([...picture.silent, ...new Set(sounding)].sort()).toEqual([1, 2, 3, 4, 5, 6]);
        for (const { string, finger, fret, leadsFrom } of picture.next) {
          expect(picture.now).not.toContainEqual(expect.objectContaining({ string, finger, fret }));
          if (leadsFrom !== undefined)
            expect(picture.now).toContainEqual(expect.objectContaining({ string, finger, fret: leadsFrom }));
        }
        if (slice === hands.length - 1) expect(picture.next).toEqual([]);
      }
    }
  });

  it('lays the barre over its strings, and has no picture before the first note', () => {
    const { plan, hands } = study('salt-lanterns');
    const [barre] = plan.barres;
    expect(handOnNeck(hands, plan.barres, barre!.onset)!.barre).toEqual({
      fret: barre!.fret,
      from: barre!.strings[0],
      to: barre!.strings[1],
    });
    expect(handOnNeck(hands, plan.barres, -1)).toBeUndefined();
  });

  it('keeps in sight what it is asked to', () => {
    const { plan, hands } = study('one-thread');
    const picture = handOnNeck(hands, plan.barres, 0, [9])!;
    expect(picture.base + picture.frets).toBeGreaterThan(9);
  });
});
