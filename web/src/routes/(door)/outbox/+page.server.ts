import { error } from '@sveltejs/kit';
import { env } from '$env/dynamic/private';
import { database } from '$lib/server/database/database.ts';
import { withDatabase } from '$lib/server/database/trouble.ts';
import { listLetters } from '$lib/server/mail/mail.ts';
import type { PageServerLoad } from './$types';

/** Letters that would have gone out: shown by the demo, where there is no mail server and nobody's real mail. */
export const load: PageServerLoad = async () => {
  if (env.OCULON_SHOW_OUTBOX !== 'yes') error(404, 'There is nothing at this address.');
  return { letters: await withDatabase(() => listLetters(database())) };
};
