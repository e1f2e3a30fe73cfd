import { error, type RequestEvent } from '@sveltejs/kit';
import type pg from 'pg';
import * as z from 'zod';
import { database } from './database/database.ts';
import { withDatabase } from './database/trouble.ts';
import { addressOf, throttleHere } from './teachers/door.ts';
import type { Counted } from './teachers/throttle.ts';

/** A token as it is made: nothing else is looked up. */
const tokenSchema = z.string().regex(/^[\w-]{20,64}$/);

/**
 * What the link of a request opens. One that opens nothing says so alike, whether it was revoked, is over or never was, and
 * is counted.
 */
export const openedByLink = async <T>(
  event: RequestEvent,
  open: (pool: pg.Pool, token: string) => Promise<T | undefined>,
): Promise<T> => {
  const token = tokenSchema.safeParse(event.params.token);
  const counts: readonly Counted[] = [['pages', addressOf(event)]];
  return withDatabase(async () => {
    if ((await throttleHere().wait(counts)) > 0)
      error(429, 'Too many links that open nothing were tried from here. Try again in a quarter of an hour.');
    const found = token.success ? await open(database(), token.data) : undefined;
    if (found === undefined) {
      await throttleHere().fail(counts);
      error(404, 'This link opens nothing any more. Ask your teacher for a new one.');
    }
    return found;
  });
};
