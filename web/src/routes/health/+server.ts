import { json } from '@sveltejs/kit';
import { databaseState } from '$lib/server/database/database.ts';

const WORDS = { up: 'up', slow: 'database slow', gone: 'database gone' } as const;

/** How the server and its database are, told within a second. */
export const GET = async () => {
  const state = await databaseState();
  return json({ ok: state === 'up', state: WORDS[state] }, { status: state === 'gone' ? 503 : 200 });
};
