import type { Plucker } from './string-events.ts';

/**
 * A plucked string as a digital waveguide: a delay line of one period whose end goes back to its beginning through a
 * filter that takes a little of the high partials each time (Karplus and Strong 1983; Jaffe and Smith 1983, from memory).
 * The phase of the filters is taken off the delay, so that the fundamental is in tune.
 */

/** Seconds in which the fundamental of an open string falls by 60 dB, from ① to ⑥. By ear; nylon trebles are short. */
const RING = [4.6, 4.9, 5.3, 6, 6.5, 7] as const;
/** How much shorter it is at each fret. */
const SHORTER_PER_FRET = 0.012;
const LEAST_RING = 4.4;
/** Partials at this frequency, or so many times the fundamental, fall by 60 dB in so many seconds. */
const BRIGHT_HERTZ = 2200;
const BRIGHT_PARTIALS = 3.2;
const BRIGHT_RING = 0.75;
/** The same for a string that is touched. */
const DAMPED_RING = 0.11;
/** Frequency below which the loop lets nothing through, in Hz. */
const BLOCKED = 4;
/** Time in which a string stops when it is played again, in seconds: the finger lies on it. */
const HANDOVER = 0.007;
/** Where the string is plucked, as a share of its length, and width of the pulse in ms: a thumb is softer than a nail. */
const TOUCH: Readonly<Record<Plucker, { readonly place: number; readonly width: number }>> = {
  thumb: { place: 0.19, width: 1.15 },
  finger: { place: 0.145, width: 0.82 },
};
const HAMMER_WIDTH = 1.7;
const HARMONIC_WIDTH = 1.4;
/** A slide takes so long, in seconds. */
const SLIDE = 0.07;
/** Below this a string counts as silent. */
const SILENCE = 2e-6;
const LONGEST = 2048;
const MASK = LONGEST - 1;
/** How the loudest of a vibration is forgotten from sample to sample, when nothing as loud follows. */
const FORGETTING = 0.9995;

export type Attack = 'pluck' | 'hammer' | 'harmonic';

/** One vibration of a string, from its attack until it is silent. */
class Vibration {
  private readonly line = new Float32Array(LONGEST);
  private write = 0;
  private delay = 100;
  private delayStep = 0;
  private delaySteps = 0;
  private pole = 0;
  private gain = 0;
  private damping = 1;
  private lowpass = 0;
  private blockIn = 0;
  private blockOut = 0;
  private readonly blockPole: number;
  private pulse:
    { phase: number; readonly width: number; readonly gap: number; readonly height: number } | undefined;
  private fade = 1;
  private fadeStep = 0;
  private level = 0;
  private period = 100;
  private readonly rate: number;

  constructor(rate: number) {
    this.rate = rate;
    this.blockPole = 1 - (2 * Math.PI * BLOCKED) / rate;
  }

  get isSilent(): boolean {
    return this.pulse === undefined && (this.fade <= 0 || this.level < SILENCE);
  }

  start(hertz: number, ring: number, height: number, width: number, place: number): void {
    this.line.fill(0);
    this.lowpass = 0;
    this.blockIn = 0;
    this.blockOut = 0;
    this.write = 0;
    this.fade = 1;
    this.fadeStep = 0;
    this.damping = 1;
    this.level = 1;
    this.delaySteps = 0;
    this.delay = this.tune(hertz, ring);
    this.pulse = { phase: 0, width: Math.max(4, width * this.rate), gap: place * this.period, height };
  }

  /** Goes on at another pitch: the same string made shorter or longer under the finger. */
  slideTo(hertz: number, ring: number): void {
    const target = this.tune(hertz, ring);
    this.delaySteps = Math.round(SLIDE * this.rate);
    this.delayStep = (target - this.delay) / this.delaySteps;
  }

  damp(): void {
    this.damping = 10 ** ((-3 * this.period) / (DAMPED_RING * this.rate));
  }

  hushIn(seconds: number): void {
    this.fadeStep = 1 / (seconds * this.rate);
  }

  /** Sets the filters for a pitch and gives the delay that makes it. */
  private tune(hertz: number, ring: number): number {
    const { rate } = this;
    this.period = rate / hertz;
    const bright = Math.min(0.45 * rate, Math.max(BRIGHT_HERTZ, BRIGHT_PARTIALS * hertz));
    const keep = (seconds: number): number => 10 ** (-3 / (hertz * seconds));
    const wanted = keep(BRIGHT_RING) / keep(ring);
    let low = 0;
    let high = 0.98;
    for (let step = 0; step < 30; step += 1) {
      const pole = (low + high) / 2;
      if (magnitude(pole, bright, rate) / magnitude(pole, hertz, rate) > wanted) low = pole;
      else high = pole;
    }
    this.pole = (low + high) / 2;
    this.gain = keep(ring) / magnitude(this.pole, hertz, rate);
    const omega = (2 * Math.PI * hertz) / rate;
    const poleDelay = Math.atan2(this.pole * Math.sin(omega), 1 - this.pole * Math.cos(omega)) / omega;
    const { blockPole } = this;
    const blockPhase =
      Math.atan2(Math.sin(omega), 1 - Math.cos(omega)) -
      Math.atan2(blockPole * Math.sin(omega), 1 - blockPole * Math.cos(omega));
    return this.period - poleDelay + blockPhase / omega;
  }

  /** Adds samples `from` to `to` of its sound; nothing more once it is silent. */
  addTo(sound: Float32Array, from: number, to: number): void {
    const { line, pole, gain, blockPole } = this;
    const through = gain * this.damping;
    let reader = readerAt(this.delay);
    let { write, lowpass, blockIn, blockOut, level, fade } = this;
    for (let sample = from; sample < to; sample += 1) {
      if (this.delaySteps > 0) {
        this.delay += this.delayStep;
        this.delaySteps -= 1;
        reader = readerAt(this.delay);
      }
      // What the line held a delay ago, between samples by a cubic (Lagrange).
      const at = write - reader.whole;
      const value =
        reader.a * line[(at + 1) & MASK]! +
        reader.b * line[at & MASK]! +
        reader.c * line[(at - 1) & MASK]! +
        reader.d * line[(at - 2) & MASK]!;
      lowpass = (1 - pole) * value + pole * lowpass;
      const kept = lowpass * through;
      blockOut = kept - blockIn + blockPole * blockOut;
      blockIn = kept;
      const into = this.pulse ? blockOut + this.attack() : blockOut;
      line[write] = into;
      write = (write + 1) & MASK;
      level = Math.max(Math.abs(into), level * FORGETTING);
      fade = Math.max(0, fade - this.fadeStep);
      sound[sample]! += into * fade;
    }
    Object.assign(this, { write, lowpass, blockIn, blockOut, level, fade });
  }

  /** The pulse of the finger and, turned round, its echo from the near end of the string. */
  private attack(): number {
    const { pulse } = this;
    if (!pulse) return 0;
    const { phase, width, gap, height } = pulse;
    pulse.phase += 1;
    if (phase > gap + width) this.pulse = undefined;
    return height * (bump(phase, width) - bump(phase - gap, width));
  }
}

/** Where to read between samples, and the share of each of the four around (Lagrange). */
const readerAt = (delay: number): { whole: number; a: number; b: number; c: number; d: number } => {
  const whole = Math.floor(delay);
  const part = delay - whole;
  const [up, down, far] = [part + 1, part - 1, part - 2];
  return {
    whole,
    a: (-part * down * far) / 6,
    b: (up * down * far) / 2,
    c: (-up * part * far) / 2,
    d: (up * part * down) / 6,
  };
};

const bump = (phase: number, width: number): number =>
  phase < 0 || phase > width ? 0 : 0.5 - 0.5 * Math.cos((2 * Math.PI * phase) / width);

/** How much of a frequency a one-pole low-pass lets through. */
const magnitude = (pole: number, hertz: number, rate: number): number =>
  (1 - pole) / Math.sqrt(1 + pole * pole - 2 * pole * Math.cos((2 * Math.PI * hertz) / rate));

/** Loudness of every pitch alike: heights of the pulse that bring it, found by measuring. */
const EVEN = { hertz: 196, height: 0.34, slope: 0.26 } as const;

/** One string: what sounds on it, and what just stopped because it is played again. */
export class PluckedString {
  private now: Vibration;
  private before: Vibration;
  private readonly open: number;
  private readonly ring: number;

  /** `open` is the pitch of the open string in Hz; `place` its number from 0. */
  constructor(rate: number, place: number, open: number) {
    this.now = new Vibration(rate);
    this.before = new Vibration(rate);
    this.open = open;
    this.ring = RING[place % RING.length]!;
  }

  get isSilent(): boolean {
    return this.now.isSilent && this.before.isSilent;
  }

  strike(attack: Attack, hertz: number, strength: number, plucker: Plucker, isRest: boolean): void {
    [this.now, this.before] = [this.before, this.now];
    this.before.hushIn(HANDOVER);
    const touch = TOUCH[plucker];
    // A harder stroke is shorter, so brighter; a rest stroke is fuller.
    const nail = (1.25 - 0.5 * strength) * (isRest ? 1.1 : 1);
    const width =
      attack === 'pluck' ? touch.width * nail : attack === 'hammer' ? HAMMER_WIDTH : HARMONIC_WIDTH;
    const place = attack === 'harmonic' ? 0.25 : attack === 'hammer' ? 0.42 : touch.place;
    const height = EVEN.height * (EVEN.hertz / hertz) ** EVEN.slope * (isRest ? 1.12 : 1);
    const soft = attack === 'hammer' ? 0.75 : 1;
    this.now.start(hertz, this.ringAt(hertz), height * soft * strength, width / 1000, place);
  }

  slideTo(hertz: number): void {
    this.now.slideTo(hertz, this.ringAt(hertz));
  }

  damp(): void {
    this.now.damp();
  }

  hushIn(seconds: number): void {
    this.now.hushIn(seconds);
    this.before.hushIn(seconds);
  }

  private ringAt(hertz: number): number {
    const frets = Math.max(0, 12 * Math.log2(hertz / this.open));
    return Math.max(LEAST_RING, this.ring * (1 - SHORTER_PER_FRET * frets));
  }

  /** Adds samples `from` to `to` of its sound. */
  addTo(sound: Float32Array, from: number, to: number): void {
    if (!this.now.isSilent) this.now.addTo(sound, from, to);
    if (!this.before.isSilent) this.before.addTo(sound, from, to);
  }
}
