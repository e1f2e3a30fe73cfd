import { Guitar } from './guitar.ts';
import type { TimedEvent } from './string-events.ts';

/** What the page tells the instrument. */
export type InstrumentMessage =
  | { readonly kind: 'schedule'; readonly events: readonly TimedEvent[] }
  | { readonly kind: 'forget'; readonly from: number };

// The scope of audio worklets is not among the types of the DOM.
declare const sampleRate: number;
declare const currentTime: number;
declare class AudioWorkletProcessor {
  readonly port: MessagePort;
}
declare const registerProcessor: (name: string, processor: new () => AudioWorkletProcessor) => void;

class GuitarProcessor extends AudioWorkletProcessor {
  private readonly guitar = new Guitar(sampleRate);

  constructor() {
    super();
    this.port.onmessage = ({ data }: MessageEvent<InstrumentMessage>) => {
      if (data.kind === 'schedule') this.guitar.schedule(data.events);
      else this.guitar.forget(data.from);
    };
  }

  process(_: readonly Float32Array[][], outputs: readonly (readonly Float32Array[])[]): boolean {
    const [left, right] = outputs[0]!;
    if (left) this.guitar.render(currentTime, left, right ?? new Float32Array(left.length));
    return true;
  }
}
registerProcessor('guitar', GuitarProcessor);
