import type { SoundPlan } from '@oculon/core';
import { Course } from './course.ts';
import { heardWith, timed, type PlayedPassage } from './playing.ts';
import type { RenderNews, RenderWork } from './render.worker.ts';
import type { SoundSettings } from './sound-settings-schema.ts';

/** Silence before the first note and time to ring out after the last, in seconds. */
const BEFORE = 0.1;
const AFTER = 3;

/** A rendering that is under way. */
export interface Rendering {
  readonly wav: Promise<Uint8Array<ArrayBuffer>>;
  readonly cancel: () => void;
}

/** Renders a passage to a WAV file in a worker, many times faster than it is played. */
export const render = (
  sound: SoundPlan,
  settings: SoundSettings,
  { from, to }: PlayedPassage,
  onProgress: (share: number) => void,
): Rendering => {
  const course = new Course(sound, settings.waits);
  const stretch = { second: BEFORE, ms: from, rate: settings.rate };
  const events = timed(heardWith(sound, settings), course, stretch, from, to);
  const seconds = BEFORE + (course.playedAt(to) - course.playedAt(from)) / 1000 / settings.rate + AFTER;
  const worker = new Worker(new URL('./render.worker.ts', import.meta.url), { type: 'module' });
  const wav = new Promise<Uint8Array<ArrayBuffer>>((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<RenderNews>) => {
      if (data.kind === 'progress') onProgress(data.share);
      else {
        resolve(data.wav);
        worker.terminate();
      }
    };
    worker.onerror = () => reject(new Error('The sound could not be written. Load the page again.'));
  });
  worker.postMessage({ events, seconds } satisfies RenderWork);
  return { wav, cancel: () => worker.terminate() };
};
