import * as z from 'zod';
import type { Queryable } from '../database/database.ts';
import { sessionIdSchema, teacherIdSchema, type SessionId, type TeacherId } from '../ids.ts';
import { hashOfToken, newToken } from './tokens.ts';

/** How long a session lasts, in days: at most, and without being used. */
export const SESSION_DAYS = 30;
const IDLE_DAYS = 7;
/** How exactly it is known when a session was last used, in minutes: a write on every request would be waste. */
const SEEN_EVERY = 5;
const LONGEST_BROWSER = 300;

/** Signs a teacher in; returns the token for the cookie. */
export const openSession = async (
  client: Queryable,
  teacher: TeacherId,
  browser: string,
): Promise<string> => {
  const { token, hash } = newToken();
  await client.query(
    `insert into sessions (teacher_id, token_hash, browser, ends_at)
     values ($1, $2, $3, now() + make_interval(days => $4))`,
    [teacher, hash, browser.slice(0, LONGEST_BROWSER), SESSION_DAYS],
  );
  return token;
};

const openSchema = z.object({ id: sessionIdSchema, teacher: teacherIdSchema });
export type OpenSession = z.infer<typeof openSchema>;

/** Whose session a token opens, if it lasts still; marks it as used. */
export const findSession = async (client: Queryable, token: string): Promise<OpenSession | undefined> => {
  const { rows } = await client.query(
    `select id, teacher_id as teacher, seen_at < now() - make_interval(mins => $3) as stale from sessions
     where token_hash = $1 and ends_at > now() and seen_at > now() - make_interval(days => $2)`,
    [hashOfToken(token), IDLE_DAYS, SEEN_EVERY],
  );
  const session = openSchema.optional().parse(rows[0]);
  if (session && rows[0].stale)
    await client.query(`update sessions set seen_at = now() where id = $1`, [session.id]);
  return session;
};

const listedSchema = z.object({
  id: sessionIdSchema,
  browser: z.string(),
  createdAt: z.date(),
  seenAt: z.date(),
});
export type ListedSession = z.infer<typeof listedSchema>;

/** The sessions of a teacher that last still, last used first. */
export const listSessions = async (client: Queryable, teacher: TeacherId): Promise<ListedSession[]> => {
  const { rows } = await client.query(
    `select id, browser, created_at as "createdAt", seen_at as "seenAt" from sessions
     where teacher_id = $1 and ends_at > now() and seen_at > now() - make_interval(days => $2)
     order by seen_at desc`,
    [teacher, IDLE_DAYS],
  );
  return z.array(listedSchema).parse(rows);
};

export const closeSession = async (
  client: Queryable,
  teacher: TeacherId,
  session: SessionId,
): Promise<boolean> => {
  const { rowCount } = await client.query(`delete from sessions where teacher_id = $1 and id = $2`, [
    teacher,
    session,
  ]);
  return rowCount === 1;
};

/** Ends the session that a token opens, whoever's it is: the cookie of a browser in which somebody else signs in. */
export const closeSessionOf = async (client: Queryable, token: string): Promise<void> => {
  await client.query(`delete from sessions where token_hash = $1`, [hashOfToken(token)]);
};

/** Signs out everywhere, or everywhere but here. */
export const closeSessions = async (
  client: Queryable,
  teacher: TeacherId,
  except?: SessionId,
): Promise<void> => {
  await client.query(`delete from sessions where teacher_id = $1 and id is distinct from $2`, [
    teacher,
    except ?? null,
  ]);
};
