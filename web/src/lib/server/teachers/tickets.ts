import * as z from 'zod';
import type { Queryable } from '../database/database.ts';
import { teacherIdSchema, type TeacherId } from '../ids.ts';
import type { Email } from './teachers.ts';
import { hashOfToken, newToken } from './tokens.ts';

/** How long a link works, in hours. */
export const INVITATION_HOURS = 24 * 7;
export const RESET_HOURS = 1;

/** A link that invites whoever holds it, or the holder of one address; returns its token. */
export const createInvitation = async (client: Queryable, email?: Email): Promise<string> => {
  const { token, hash } = newToken();
  await client.query(
    `insert into tickets (kind, token_hash, email, ends_at)
     values ('invitation', $1, $2, now() + make_interval(hours => $3))`,
    [hash, email ?? null, INVITATION_HOURS],
  );
  return token;
};

/** A link that sets a new password; the ones before it stop working. */
export const createReset = async (client: Queryable, teacher: TeacherId): Promise<string> => {
  const { token, hash } = newToken();
  await client.query(`delete from tickets where kind = 'reset' and teacher_id = $1 and used_at is null`, [
    teacher,
  ]);
  await client.query(
    `insert into tickets (kind, token_hash, teacher_id, ends_at)
     values ('reset', $1, $2, now() + make_interval(hours => $3))`,
    [hash, teacher, RESET_HOURS],
  );
  return token;
};

const ticketSchema = z.object({ email: z.string().nullable(), teacher: teacherIdSchema.nullable() });
export type Ticket = z.infer<typeof ticketSchema>;

/** What a link is for, if it works still. */
export const findTicket = async (
  client: Queryable,
  kind: 'invitation' | 'reset',
  token: string,
): Promise<Ticket | undefined> => {
  const { rows } = await client.query(
    `select email, teacher_id as teacher from tickets
     where kind = $1 and token_hash = $2 and used_at is null and ends_at > now()`,
    [kind, hashOfToken(token)],
  );
  return ticketSchema.optional().parse(rows[0]);
};

/** Uses a link up; undefined when it does not work, also for the second of two who try at once. */
export const takeTicket = async (
  client: Queryable,
  kind: 'invitation' | 'reset',
  token: string,
): Promise<Ticket | undefined> => {
  const { rows } = await client.query(
    `update tickets set used_at = now()
     where kind = $1 and token_hash = $2 and used_at is null and ends_at > now()
     returning email, teacher_id as teacher`,
    [kind, hashOfToken(token)],
  );
  return ticketSchema.optional().parse(rows[0]);
};
