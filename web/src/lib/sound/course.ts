import type { SoundPlan } from '@oculon/core';

/** Wait before a change of position in slow motion, in ms at the goal tempo. Our own value. */
const WAIT = 1100;

/** Times of a piece as it is played: as it comes, or with a wait before each change of position. */
export class Course {
  /** Moments before which one waits, in ms of the piece. */
  private readonly waits: readonly number[];

  constructor({ steps }: Pick<SoundPlan, 'steps'>, isWaiting: boolean) {
    this.waits = isWaiting ? steps.filter(({ isShift }) => isShift).map(({ ms }) => ms) : [];
  }

  /** Ms until a moment of the piece is played; what begins at a wait comes after it. */
  playedAt(ms: number): number {
    return ms + WAIT * this.countUpTo(ms);
  }

  /** The moment of the piece that is played after so many ms. */
  pieceAt(played: number): number {
    let low = 0;
    let high = this.waits.length;
    // The waits that are over by then.
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.waits[middle]! + WAIT * (middle + 1) <= played) low = middle + 1;
      else high = middle;
    }
    const next = this.waits[low] ?? Infinity;
    return Math.min(played - WAIT * low, next);
  }

  private countUpTo(ms: number): number {
    let low = 0;
    let high = this.waits.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.waits[middle]! <= ms) low = middle + 1;
      else high = middle;
    }
    return low;
  }
}
