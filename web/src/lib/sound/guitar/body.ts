/** A resonance as a filter of the second order (Bristow-Johnson's audio equaliser cookbook, band-pass with constant peak). */
class Resonance {
  private x1 = 0;
  private x2 = 0;
  private y1 = 0;
  private y2 = 0;
  private readonly b: number;
  private readonly a1: number;
  private readonly a2: number;

  constructor(rate: number, hertz: number, quality: number) {
    const omega = (2 * Math.PI * hertz) / rate;
    const alpha = Math.sin(omega) / (2 * quality);
    this.b = alpha / (1 + alpha);
    this.a1 = (-2 * Math.cos(omega)) / (1 + alpha);
    this.a2 = (1 - alpha) / (1 + alpha);
  }

  next(x: number): number {
    const y = this.b * (x - this.x2) - this.a1 * this.y1 - this.a2 * this.y2;
    this.x2 = this.x1;
    this.x1 = x;
    this.y2 = this.y1;
    this.y1 = y;
    return y;
  }
}

/** Resonances of a guitar's body: air and top plate, in Hz, with how sharp and how strong. By ear, after common figures. */
const RESONANCES = [
  { hertz: 98, quality: 4, gain: 0.45 },
  { hertz: 196, quality: 3.5, gain: 0.4 },
  { hertz: 405, quality: 3, gain: 0.25 },
] as const;
/** Echoes of a small room: delays in ms for both ears, what comes back of each, and how much of it is heard. */
const ECHOES = [
  [23.3, 25.7],
  [31.9, 34.1],
  [41.1, 43.7],
] as const;
const COMES_BACK = 0.42;
const HEARD = 0.045;
/** Room sounds duller than the instrument: how much of the highs each echo loses. */
const DULL = 0.55;

class Echo {
  private readonly line: Float32Array;
  private at = 0;
  private dull = 0;

  constructor(samples: number) {
    this.line = new Float32Array(Math.max(1, Math.round(samples)));
  }

  next(x: number): number {
    const out = this.line[this.at]!;
    this.dull = (1 - DULL) * out + DULL * this.dull;
    this.line[this.at] = x + COMES_BACK * this.dull;
    this.at = (this.at + 1) % this.line.length;
    return out;
  }
}

/** Full scale is never passed: what is louder than the knee is bent. */
const KNEE = 0.72;
const bent = (x: number): number => {
  const size = Math.abs(x);
  return size <= KNEE ? x : Math.sign(x) * (KNEE + (1 - KNEE) * Math.tanh((size - KNEE) / (1 - KNEE)));
};

/** What strings sound like from a few steps away: the body of the instrument in a quiet room. */
export class Body {
  private readonly resonances: readonly { readonly filter: Resonance; readonly gain: number }[];
  private readonly echoes: readonly (readonly [Echo, Echo])[];
  left = 0;
  right = 0;

  constructor(rate: number) {
    this.resonances = RESONANCES.map(({ hertz, quality, gain }) => ({
      filter: new Resonance(rate, hertz, quality),
      gain,
    }));
    this.echoes = ECHOES.map(([left, right]) => [
      new Echo((left * rate) / 1000),
      new Echo((right * rate) / 1000),
    ]);
  }

  /** Takes one sample of the strings; `left` and `right` are what is heard of it. */
  next(strings: number, click: number): void {
    let sound = strings;
    for (const { filter, gain } of this.resonances) sound += gain * filter.next(strings);
    let [left, right] = [0, 0];
    for (const [one, other] of this.echoes) {
      left += one.next(sound);
      right += other.next(sound);
    }
    this.left = bent(sound + HEARD * left + click);
    this.right = bent(sound + HEARD * right + click);
  }
}
