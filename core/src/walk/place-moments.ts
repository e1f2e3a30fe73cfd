import { OPEN_UP_TO } from '../page/reading-rules.ts';
import type { Plan } from '../plan/plan.ts';
import { placedNote } from './left-moments.ts';
import type { Moment } from './moment.ts';

/** Frets that lie under the four fingers of a position. */
const REACH = 3;

/** Notes that lie where, or under a finger that, one would not look for. Each is told once until the hand moves. */
export const placeMoments = (plan: Plan): readonly Moment[] => {
  const { left, score } = plan;
  const told = new Set<string>();
  let position = 0;
  return left.hands.flatMap(({ slice, position: now, lying }): Moment[] => {
    if (now !== position) told.clear();
    position = now;
    if (position === 0) return [];
    return slice.struck.flatMap((sound): Moment[] => {
      const note = placedNote(plan, sound);
      if (!note || score.notes[left.sounds[sound]!.head]!.harmonic) return [];
      const { string, fret, finger } = note;
      const key = `${string}/${fret}:${finger}`;
      if (told.has(key)) return [];
      const where = { bar: slice.bar, onset: slice.onset, isNeeded: false };
      const inPosition = left.piece.places[sound]!.filter(
        (place) => place.fret === 0 || (place.fret >= position && place.fret <= position + REACH),
      );
      const usual =
        position <= OPEN_UP_TO
          ? (inPosition.find((place) => place.fret === 0) ?? inPosition[0])
          : (inPosition.find((place) => place.fret > 0) ?? inPosition[0]);
      const on = (other: number) =>
        lying.find(
          (each) =>
            each.string === other &&
            each.sound !== sound &&
            (each.sounding || slice.struck.includes(each.sound)),
        );
      if (usual && usual.string !== string) {
        told.add(key);
        const busy = on(usual.string);
        const pitch = busy && placedNote(plan, busy.sound)?.pitch;
        return [
          { kind: 'place', ...where, values: { note, busy: pitch && { string: usual.string, pitch } } },
        ];
      }
      const home = fret - position + 1;
      const lastsLonger = (other: number): boolean =>
        !slice.struck.includes(other) || left.sounds[other]!.end > left.sounds[sound]!.end;
      const holder = lying.find(
        (each) => each.finger === home && each.sound !== sound && each.sounding && lastsLonger(each.sound),
      );
      const held = holder && placedNote(plan, holder.sound);
      if (finger === 0 || home === 0 || left.choices[sound]!.barre || finger === home || !held) return [];
      told.add(key);
      return [{ kind: 'finger', ...where, values: { note, instead: home, on: held } }];
    });
  });
};
