import type { LeftPlan } from '../../left/left-plan.ts';

/**
 * Until when each sound must be heard, in ticks: its written length (or what a remedy left of it), longer where the
 * teacher lets a passage ring. Ringing that is only inferred is welcome, but nothing must wait for it.
 */
export const mustSoundUntil = ({ piece, sounds, times }: LeftPlan): Float64Array => {
  const { end, ring } = times;
  return Float64Array.from(sounds, ({ index }) =>
    ring[index] !== piece.ringing.until[index] ? Math.max(end[index]!, ring[index]!) : end[index]!,
  );
};
