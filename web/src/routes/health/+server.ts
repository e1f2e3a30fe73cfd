import { json } from '@sveltejs/kit';
import { database } from '$lib/server/database.ts';

/** Answers once the server and its database do. */
export const GET = async () => {
  await database().query('select 1');
  return json({ ok: true });
};
