import { describe, expect, it } from 'vitest';
import type { Choice } from '../fingering/fingering.ts';
import type { StringNumber } from '../instrument/guitar.ts';
import type { NoteId } from '../score/score.ts';
import { planVoices } from '../testing/planning.ts';
import { shiftPlaces, withoutBarre } from './movement-ways.ts';
import { planPiece, type Plan } from './plan.ts';

const climbing = (): Plan =>
  planVoices(['C3/8 E3/8 G3/8 C4/8 E4/8 G4/8 C5/8 E5/8 | D5/8 C5/8 B4/8 A4/8 G4/8 F4/8 E4/4']);

describe('other places for a shift', () => {
  it('cost no less than the plan, the cheapest first, and arrive where they say', () => {
    const plan = climbing();
    expect(plan.shifts.length).toBeGreaterThan(0);
    let places = 0;
    for (const shift of plan.shifts) {
      const found = shiftPlaces(plan, shift);
      places += found.length;
      found.forEach((place, index) => {
        expect(place.price).toBeGreaterThanOrEqual(-1e-9);
        expect(place.price).toBeGreaterThanOrEqual(found[index - 1]?.price ?? 0);
        expect(place.slice).not.toBe(shift.slice);
        expect(place.isEarlier).toBe(place.slice < shift.slice);
        expect(place.plan.hands[place.slice]!.position).toBe(shift.to);
        expect(place.plan.hands[place.slice - 1]!.position).toBe(shift.from);
      });
    }
    expect(places).toBeGreaterThan(0);
  });

  it('cost what solving the piece with their fingering costs', () => {
    const plan = climbing();
    const [place] = shiftPlaces(plan, plan.shifts[0]!);
    const choices = new Map<NoteId, Choice>(
      plan.left.sounds.map(({ index, head }) => {
        const { string, finger } = place!.plan.choices[index]!;
        return [plan.score.notes[head]!.id, { string: string as StringNumber, finger }];
      }),
    );
    const fixed = planPiece(plan.score, { ...plan.fingering, choices }, plan.setup);
    // The fixed notes may be reached with the hand moving elsewhere, never for more.
    expect(fixed.left.cost - plan.left.cost).toBeLessThanOrEqual(place!.price + 1e-9);
    expect(fixed.left.cost - plan.left.cost).toBeGreaterThanOrEqual(-1e-9);
  });

  it('are asked for shifts of the plan only', () => {
    expect(() => shiftPlaces(climbing(), { slice: 0 })).toThrow(RangeError);
  });
});

// Barre against stretch is a classic alternative: common practice, no published source (handbook §3).
describe('the way without a barre', () => {
  it('has its price, and no barre', () => {
    const plan = planVoices(['F3+A3+C4+F4/2 G3/2']);
    const [barre] = plan.barres;
    expect(barre).toBeDefined();
    const way = withoutBarre(plan, barre!);
    expect(way!.price).toBeGreaterThanOrEqual(0);
    expect(way!.changed.length).toBeGreaterThan(0);
    expect(way!.plan.brokenRules).toEqual([]);
  });

  it('does not exist for six stopped strings', () => {
    const plan = planVoices(['F2+C3+F3+A3+C4+F4/1']);
    expect(withoutBarre(plan, plan.barres[0]!)).toBeUndefined();
  });
});
