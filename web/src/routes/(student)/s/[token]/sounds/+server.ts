import { error, json } from '@sveltejs/kit';
import { openedByLink } from '$lib/server/by-link.ts';
import { soundsOfHandout } from '$lib/server/handouts/handouts.ts';
import type { RequestHandler } from './$types';

/** What is heard of a page: half of all there is of it, and only who listens needs it. */
export const GET: RequestHandler = async (event) => {
  const { sounds, givenAt } = await openedByLink(event, soundsOfHandout);
  if (event.url.searchParams.get('given') !== givenAt.toISOString())
    error(409, 'There is a newer edition of this page. Load it again.');
  if (!sounds) error(404, 'This page was given before there was sound. Ask your teacher for a new one.');
  return json(sounds);
};
