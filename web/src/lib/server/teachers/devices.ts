import type { Queryable } from '../database/database.ts';
import type { TeacherId } from '../ids.ts';
import { hashOfToken, newToken } from './tokens.ts';

/** Browsers remembered for one teacher; the oldest are forgotten. */
const MOST_DEVICES = 20;

/** Remembers a browser in which a teacher has just signed in; returns the token for its cookie. */
export const rememberDevice = async (client: Queryable, teacher: TeacherId): Promise<string> => {
  const { token, hash } = newToken();
  await client.query(`insert into devices (teacher_id, token_hash) values ($1, $2)`, [teacher, hash]);
  await client.query(
    `delete from devices where teacher_id = $1 and id not in
       (select id from devices where teacher_id = $1 order by created_at desc limit $2)`,
    [teacher, MOST_DEVICES],
  );
  return token;
};

/** Whether a teacher has signed in before with the browser that holds a token. */
export const isKnownDevice = async (
  client: Queryable,
  teacher: TeacherId,
  token: string | undefined,
): Promise<boolean> => {
  if (token === undefined) return false;
  const { rowCount } = await client.query(`select 1 from devices where teacher_id = $1 and token_hash = $2`, [
    teacher,
    hashOfToken(token),
  ]);
  return rowCount === 1;
};
