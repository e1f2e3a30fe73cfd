import { Guitar } from './guitar/guitar.ts';
import type { TimedEvent } from './guitar/string-events.ts';
import { wavFile } from './wav.ts';

/** What is to be rendered: events by the second, and how long the sound lasts. */
export interface RenderWork {
  readonly events: readonly TimedEvent[];
  readonly seconds: number;
}
export type RenderNews =
  | { readonly kind: 'progress'; readonly share: number }
  | { readonly kind: 'done'; readonly wav: Uint8Array<ArrayBuffer> };

const RATE = 44_100;
/** Progress is told after so many seconds of sound. */
const CHUNK = 1;

self.onmessage = ({ data: { events, seconds } }: MessageEvent<RenderWork>) => {
  const guitar = new Guitar(RATE);
  guitar.schedule(events);
  const length = Math.ceil(seconds * RATE);
  const [left, right] = [new Float32Array(length), new Float32Array(length)];
  const tell = (news: RenderNews, transfer: Transferable[] = []): void =>
    self.postMessage(news, { transfer });
  for (let from = 0; from < length; from += CHUNK * RATE) {
    const to = Math.min(length, from + CHUNK * RATE);
    guitar.render(from / RATE, left.subarray(from, to), right.subarray(from, to));
    tell({ kind: 'progress', share: to / length });
  }
  const wav = wavFile(left, right, RATE);
  tell({ kind: 'done', wav }, [wav.buffer]);
};
