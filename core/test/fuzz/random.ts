/** Numbers that look random and come the same for the same seed (mulberry32, T. Ettinger, public domain; from memory). */
export class Random {
  private state: number;

  constructor(seed: number) {
    this.state = seed >>> 0;
  }

  /** From 0 up to, not including, 1. */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) >>> 0;
    let mixed = this.state;
    mixed = Math.imul(mixed ^ (mixed >>> 15), mixed | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  }

  below(limit: number): number {
    return Math.floor(this.next() * limit);
  }

  pick<T>(values: readonly T[]): T {
    return values[this.below(values.length)]!;
  }
}
