import { error } from '@sveltejs/kit';
import type pg from 'pg';
import { asTeacher, database } from './database/database.ts';
import { withDatabase } from './database/trouble.ts';
import type { TeacherId } from './ids.ts';
import type { Visitor } from './teachers/visit.ts';

/** Who is signed in; beyond the door that is always somebody. */
export const visitorIn = ({ visitor }: App.Locals): Visitor => {
  if (!visitor) error(401, 'Nobody is signed in. Sign in and try again.');
  return visitor;
};

/**
 * What a route does with the work of whoever is signed in, in one transaction that sees nobody else's: where the database
 * cannot answer, 503; where it cannot keep what was sent, 400.
 */
export const withOwn = <T>(
  locals: App.Locals,
  work: (client: pg.PoolClient, teacher: TeacherId) => Promise<T>,
): Promise<T> => {
  const { teacher } = visitorIn(locals);
  return withDatabase(() => asTeacher(database(), teacher, (client) => work(client, teacher)));
};
