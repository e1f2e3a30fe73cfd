import { LEFT_FINGERS, type LeftFinger } from '../../fingering/vocabulary.ts';
import type { Lock } from '../../fingering/fingering.ts';
import { gripProblem, type Placement } from './grip.ts';
import type { Hand, NeckTables } from './hand.ts';

/** One way to take the notes struck at a moment. */
export interface Assignment {
  /** One for each struck sound, in the order given. */
  readonly placements: readonly Placement[];
}

/** A struck sound with where its pitch lies. */
export interface StruckSound {
  readonly places: readonly { readonly string: number; readonly fret: number }[];
  readonly lock: Lock | undefined;
}

const allowed = (place: { string: number; fret: number }, lock: Lock | undefined): boolean =>
  (lock?.string === undefined || lock.string === place.string) &&
  (lock?.fret === undefined || lock.fret === place.fret) &&
  (lock?.finger === undefined || (lock.finger === 0) === (place.fret === 0));

const fingersFor = (fret: number, lock: Lock | undefined): readonly LeftFinger[] => {
  if (fret === 0) return [0];
  return LEFT_FINGERS.filter(
    (finger) => finger !== 0 && (lock?.finger === undefined || lock.finger === finger),
  );
};

/** Every playable way to take some sounds at once, under their locks; empty when there is none. */
export const assignmentsOf = (
  struck: readonly StruckSound[],
  hand: Hand,
  neck: NeckTables,
): readonly Assignment[] => {
  const found: Assignment[] = [];
  const chosen: Placement[] = [];
  const place = (index: number): void => {
    const sound = struck[index];
    if (!sound) {
      if (gripProblem(chosen, hand, neck) === undefined) found.push({ placements: [...chosen] });
      return;
    }
    for (const { string, fret } of sound.places) {
      if (!allowed({ string, fret }, sound.lock) || chosen.some((each) => each.string === string)) continue;
      for (const finger of fingersFor(fret, sound.lock)) {
        const clash = chosen.some(
          (each) =>
            each.finger !== 0 &&
            finger !== 0 &&
            (each.finger === finger
              ? each.fret !== fret
              : each.finger < finger
                ? each.fret > fret
                : each.fret < fret),
        );
        if (clash) continue;
        chosen.push({ string, fret, finger });
        place(index + 1);
        chosen.pop();
      }
    }
  };
  place(0);
  return found;
};
