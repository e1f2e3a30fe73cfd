import { ask } from './ask.ts';

/** What is asked for when a page is handed out. */
export const HANDOUT = {
  lesson: {
    density: 'essential',
    depth: 'bars',
    cards: true,
    tablature: false,
    hardSpots: true,
    paper: 'A4',
    large: false,
    language: 'en',
    noteNames: 'letters',
  },
  recipient: 'Ivo',
  remarks: 'Slowly.',
  days: 30,
};

/** What is asked for when a newer version is given in place of an older one. */
export const RENEWAL = { lesson: HANDOUT.lesson, remarks: '' };

/** Hands a version out, as the teacher for whom the test server was started. */
export const given = (
  fingering: string,
  change: Partial<typeof HANDOUT> & { readonly student?: string; readonly ownHand?: boolean } = {},
) =>
  ask({
    method: 'POST',
    path: `/api/fingerings/${fingering}/handouts`,
    body: JSON.stringify({ ...HANDOUT, ...change }),
  });
