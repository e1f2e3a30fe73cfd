import type { InstrumentMessage } from './guitar/guitar-worklet.ts';
import type { TimedEvent } from './guitar/string-events.ts';
import instrumentAddress from './guitar/guitar-worklet.ts?worker&url';

export { instrumentAddress };

/** Why nothing can be heard, in words. */
export class NoSound extends Error {}

/** The guitar in the browser's audio: one for the page. */
export class Instrument {
  readonly #context: AudioContext;
  readonly #guitar: AudioWorkletNode;
  readonly #volume: GainNode;

  private constructor(context: AudioContext) {
    this.#context = context;
    this.#guitar = new AudioWorkletNode(context, 'guitar', { numberOfInputs: 0, outputChannelCount: [2] });
    this.#volume = context.createGain();
    this.#guitar.connect(this.#volume).connect(context.destination);
  }

  /** Opens the instrument; throws `NoSound` where the browser has no audio. */
  static async open(): Promise<Instrument> {
    if (typeof AudioContext === 'undefined' || typeof AudioWorkletNode === 'undefined')
      throw new NoSound('This browser cannot play sound. Try a newer one; everything else works.');
    const context = new AudioContext({ latencyHint: 'playback' });
    try {
      await context.audioWorklet.addModule(instrumentAddress);
    } catch {
      await context.close().catch(() => undefined);
      throw new NoSound('The sound could not be loaded. Check the connection and try again.');
    }
    return new Instrument(context);
  }

  /** Lets the browser play: it waits for a key or a click. */
  async wake(): Promise<void> {
    if (this.#context.state !== 'running') await this.#context.resume();
  }

  /** Lets the browser's audio sleep: it costs as long as it is awake, also in silence. */
  rest(): void {
    void this.#context.suspend().catch(() => undefined);
  }

  /** Seconds of the clock by which events are scheduled. */
  get now(): number {
    return this.#context.currentTime;
  }

  /** What is heard now was played so many seconds ago. */
  get latency(): number {
    return this.#context.outputLatency || this.#context.baseLatency || 0;
  }

  set volume(share: number) {
    this.#volume.gain.setTargetAtTime(share, this.#context.currentTime, 0.02);
  }

  schedule(events: readonly TimedEvent[]): void {
    if (events.length > 0) this.#tell({ kind: 'schedule', events });
  }

  /** Takes back what was to happen from a second on. */
  forget(from: number): void {
    this.#tell({ kind: 'forget', from });
  }

  close(): void {
    void this.#context.close().catch(() => undefined);
  }

  #tell(message: InstrumentMessage): void {
    this.#guitar.port.postMessage(message);
  }
}
