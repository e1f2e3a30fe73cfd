import { Body } from './body.ts';
import { PluckedString } from './plucked-string.ts';
import type { StringEvent, TimedEvent } from './string-events.ts';

/** Open strings ① to ⑥ in Hz: how long a string rings depends on its length. */
const OPEN = [329.63, 246.94, 196, 146.83, 110, 82.41] as const;
/** Strings, and as many again for sounds that last beside what is played on their string. */
export const STRING_COUNT = 12;
/** Loudness of all together. */
const LEVEL = 0.72;
/** Time in which everything falls silent, in seconds. */
const HUSH = 0.04;
/** Clicks of the metronome: pitch in Hz, loudness, and seconds in which they fall by 60 dB. */
const CLICKS = {
  high: { hertz: 1760, level: 0.34, ring: 0.06 },
  low: { hertz: 1175, level: 0.26, ring: 0.05 },
  soft: { hertz: 880, level: 0.12, ring: 0.04 },
} as const;

/** A guitar that is told what happens to its strings, and makes the sound of it sample by sample. No DOM, no audio API. */
export class Guitar {
  private readonly strings: readonly PluckedString[];
  private readonly body: Body;
  private readonly rate: number;
  private click = { phase: 0, step: 0, level: 0, decay: 0 };
  /** What is still to happen, in order. */
  private waiting: TimedEvent[] = [];
  /** What the strings sound like together, for as long as is asked for. */
  private sound = new Float32Array(0);

  constructor(rate: number) {
    this.rate = rate;
    this.body = new Body(rate);
    this.strings = Array.from(
      { length: STRING_COUNT },
      (_, place) => new PluckedString(rate, place, OPEN[place % OPEN.length]!),
    );
  }

  /** Adds what is to happen; times in seconds. */
  schedule(events: readonly TimedEvent[]): void {
    this.waiting = [...this.waiting, ...events].sort((a, b) => a.at - b.at);
  }

  /** Forgets what was to happen from some second on. */
  forget(from: number): void {
    this.waiting = this.waiting.filter(({ at }) => at < from);
  }

  /** Makes sound from second `start` on, as much as fits the buffers. */
  render(start: number, left: Float32Array, right: Float32Array): void {
    const { length } = left;
    if (this.sound.length < length) this.sound = new Float32Array(length);
    this.sound.fill(0, 0, length);
    let done = 0;
    // The strings sound on from one thing that happens to the next.
    while (done < length) {
      while (this.waiting.length > 0 && this.waiting[0]!.at <= start + done / this.rate)
        this.take(this.waiting.shift()!);
      const at = this.waiting[0]?.at ?? Infinity;
      const until = Math.min(length, Math.max(done + 1, Math.ceil((at - start) * this.rate)));
      for (const string of this.strings) string.addTo(this.sound, done, until);
      for (; done < until; done += 1) {
        this.body.next(this.sound[done]! * LEVEL, this.nextClick());
        left[done] = this.body.left;
        right[done] = this.body.right;
      }
    }
  }

  private take(event: StringEvent): void {
    if (event.kind === 'hush') {
      for (const string of this.strings) string.hushIn(HUSH);
      this.click.level = 0;
      return;
    }
    if (event.kind === 'click') {
      const { hertz, level, ring } = CLICKS[event.pitch];
      this.click = {
        phase: 0,
        step: (2 * Math.PI * hertz) / this.rate,
        level,
        decay: 10 ** (-3 / (ring * this.rate)),
      };
      return;
    }
    const string = this.strings[event.string];
    if (!string) return;
    switch (event.kind) {
      case 'damp':
        string.damp();
        break;
      case 'slide':
        if (string.isSilent) string.strike('hammer', event.hertz, event.strength, 'finger', false);
        else string.slideTo(event.hertz);
        break;
      default:
        string.strike(event.kind, event.hertz, event.strength, event.plucker, event.isRest);
    }
  }

  private nextClick(): number {
    if (this.click.level < 1e-5) return 0;
    this.click.level *= this.click.decay;
    this.click.phase += this.click.step;
    return Math.sin(this.click.phase) * this.click.level;
  }
}
