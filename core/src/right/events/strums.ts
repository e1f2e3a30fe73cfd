import type { LeftPlan } from '../../left/left-plan.ts';
import type { Clock } from '../../score/clock.ts';
import type { Score, StrumDirection } from '../../score/score.ts';

/** A chord that is brushed, not plucked. */
export interface Strum {
  readonly slice: number;
  readonly sounds: readonly number[];
  /** *Outward* from the bass to the treble, or *back*. */
  readonly direction: StrumDirection;
  /** The finger that brushes. */
  readonly finger: 'p' | 'i' | 'm' | 'a';
  /** One of a quick series of strums. */
  readonly isRasgueado: boolean;
}

/** Fewer notes are plucked, whatever is written. */
const LEAST_NOTES = 3;
/** Chords of at least so many notes, at least so many in a row and no further apart, are a rasgueado. Our own values. */
const RASGUEADO_NOTES = 4;
const RASGUEADO_CHORDS = 3;
const RASGUEADO_SECONDS = 0.3;
/** Ring, middle and index finger outward one after the other. Common practice, no published source. */
const OUTWARD_FINGERS = ['a', 'm', 'i'] as const;

/**
 * The strums of a piece by slice: chords with a plectrum sign or a roll toward the bass, and quick series of full
 * chords. In a series the fingers open outward a, m, i and the index comes back where a back stroke is written.
 */
export const strumsOf = (score: Score, plan: LeftPlan, clock: Clock): ReadonlyMap<number, Strum> => {
  const chords = plan.hands.map(({ slice }) => {
    const sounds = slice.struck.filter((sound) => plan.choices[sound] !== undefined);
    const notes = sounds.map((sound) => score.notes[plan.sounds[sound]!.head]!);
    const written = notes.map(({ strum }) => strum).find((strum) => strum !== undefined);
    return { slice, sounds, written };
  });
  const isClose = (index: number): boolean => {
    const [here, before] = [chords[index], chords[index - 1]];
    return (
      here !== undefined &&
      before !== undefined &&
      clock.seconds(here.slice.onset) - clock.seconds(before.slice.onset) <= RASGUEADO_SECONDS
    );
  };
  const strums = new Map<number, Strum>();
  for (let at = 0; at < chords.length;) {
    let end = at;
    while (
      (chords[end]?.sounds.length ?? 0) >= RASGUEADO_NOTES &&
      (end === at || (isClose(end) && chords[end]!.sounds.length === chords[at]!.sounds.length))
    )
      end += 1;
    if (end - at >= RASGUEADO_CHORDS) {
      let outward = 0;
      for (const { slice, sounds, written } of chords.slice(at, end)) {
        const direction = written ?? 'outward';
        const finger = direction === 'back' ? 'i' : OUTWARD_FINGERS[outward % OUTWARD_FINGERS.length]!;
        if (direction === 'outward') outward += 1;
        strums.set(slice.index, { slice: slice.index, sounds, direction, finger, isRasgueado: true });
      }
      at = end;
      continue;
    }
    const { slice, sounds, written } = chords[at]!;
    if (written && sounds.length >= LEAST_NOTES)
      strums.set(slice.index, {
        slice: slice.index,
        sounds,
        direction: written,
        finger: written === 'outward' ? 'p' : 'i',
        isRasgueado: false,
      });
    at += 1;
  }
  return strums;
};
