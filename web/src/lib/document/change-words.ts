import type { SaveQueueEvents } from './save-queue.svelte.ts';

type Why = Parameters<SaveQueueEvents['onChanged']>[1];

/** What a teacher is told when the fingering became another one without their doing. */
export const CHANGE_WORDS: Readonly<Record<Why, (count: number) => string>> = {
  merged: (count) =>
    count === 1
      ? 'A change made in another window was taken in.'
      : `${count} changes made in another window were taken in.`,
  restored: () => 'The server was set back to an older copy; what was known here was sent to it again.',
  aside: (count) =>
    count === 0 ? '' : 'A change was not accepted by the server and was set aside; see beside the title.',
};
