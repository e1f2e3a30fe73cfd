import type { Page } from './test';

export interface Scheduled {
  readonly kind: string;
  readonly string?: number;
  readonly hertz?: number;
  readonly at: number;
}
export interface Watched {
  readonly contexts: AudioContext[];
  readonly scheduled: Scheduled[];
}

/** Keeps what the page tells its instrument, and the clock it goes by. */
export const watch = (page: Page) =>
  page.addInitScript(() => {
    const watched: Watched = { contexts: [], scheduled: [] };
    (window as unknown as { watched: Watched }).watched = watched;
    const Original = window.AudioContext;
    window.AudioContext = class extends Original {
      constructor(options?: AudioContextOptions) {
        super(options);
        watched.contexts.push(this);
      }
    };
    const post = MessagePort.prototype.postMessage as (message: unknown, ...rest: unknown[]) => void;
    MessagePort.prototype.postMessage = function (this: MessagePort, message: unknown, ...rest: unknown[]) {
      const told = message as { kind?: string; events?: Scheduled[] };
      if (told?.kind === 'schedule') watched.scheduled.push(...told.events!);
      post.call(this, message, ...rest);
    } as typeof MessagePort.prototype.postMessage;
  });
/** What was scheduled since it was last forgotten. */
export const scheduled = (page: Page) =>
  page.evaluate(() => (window as unknown as { watched: Watched }).watched.scheduled);
export const forget = (page: Page) =>
  page.evaluate(() => {
    (window as unknown as { watched: Watched }).watched.scheduled.length = 0;
  });
/** What makes a string sound. */
export const plucks = (events: readonly Scheduled[]) => events.filter(({ hertz }) => hertz !== undefined);
