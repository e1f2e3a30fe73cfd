import type { LeftPlan, Lying } from '../left/plan-left.ts';

/** One finger flat over several strings, from when it is set until it can be released. Times in ticks. */
export interface Barre {
  readonly onset: number;
  readonly until: number;
  readonly fret: number;
  readonly finger: number;
  /** Treble-most and bass-most string it stops. */
  readonly strings: readonly [number, number];
}

interface Flat {
  readonly finger: number;
  readonly fret: number;
  readonly lying: readonly Lying[];
}

const flatFingers = (lying: readonly Lying[]): readonly Flat[] =>
  [1, 2, 3, 4].flatMap((finger): Flat[] => {
    const own = lying.filter((each) => each.finger === finger);
    return own.length > 1 ? [{ finger, fret: own[0]!.fret, lying: own }] : [];
  });

/** The barres of a plan, in playing order. A barre lasts while its finger stays on that fret and one of its notes sounds. */
export const barresOf = (plan: LeftPlan): readonly Barre[] => {
  const barres: Barre[] = [];
  const open = new Map<number, { -readonly [K in keyof Barre]: Barre[K] }>();
  for (const { slice, lying } of plan.hands) {
    for (const [finger, barre] of open) {
      const stays = lying.some((each) => each.finger === finger && each.fret === barre.fret);
      if (stays && barre.until >= slice.onset) continue;
      barre.until = Math.min(barre.until, Math.max(slice.onset, barre.onset));
      open.delete(finger);
    }
    for (const flat of flatFingers(lying)) {
      const strings = flat.lying.map((each) => each.string);
      const until = Math.max(...flat.lying.map((each) => plan.sounds[each.sound]!.end));
      const running = open.get(flat.finger);
      if (running) {
        running.until = Math.max(running.until, until);
        running.strings = [
          Math.min(running.strings[0], ...strings),
          Math.max(running.strings[1], ...strings),
        ];
        continue;
      }
      const barre = {
        onset: slice.onset,
        until,
        fret: flat.fret,
        finger: flat.finger,
        strings: [Math.min(...strings), Math.max(...strings)] as [number, number],
      };
      open.set(flat.finger, barre);
      barres.push(barre);
    }
    for (const [finger, barre] of open)
      for (const each of lying)
        if (each.finger === finger && each.fret === barre.fret)
          barre.until = Math.max(barre.until, plan.sounds[each.sound]!.end);
  }
  return barres;
};
