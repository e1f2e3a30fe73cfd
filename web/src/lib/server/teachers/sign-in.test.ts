import type pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { newAccount, testPool, type TestAccount } from '../testing.ts';
import { rememberDevice } from './devices.ts';
import { hashPassword, isPassword, passwordSchema } from './passwords.ts';
import {
  closeSession,
  closeSessionOf,
  closeSessions,
  findSession,
  listSessions,
  openSession,
} from './sessions.ts';
import { signIn } from './sign-in.ts';
import { emailSchema, setPasswordHash } from './teachers.ts';
import { Throttle } from './throttle.ts';
import { createInvitation, createReset, findTicket, takeTicket } from './tickets.ts';

let pool: pg.Pool;
let throttle: Throttle;
beforeAll(() => {
  pool = testPool();
  throttle = new Throttle(pool);
});
afterAll(() => pool.end());

const attempt = (account: TestAccount, password: string, more: { from?: string; device?: string } = {}) =>
  signIn(pool, throttle, {
    email: account.email,
    password,
    from: more.from ?? `10.0.0.${Math.floor(Math.random() * 250)}`,
    device: more.device,
  });

describe('passwords', () => {
  it('are kept as Argon2id with the parameters that OWASP names, and told apart', async () => {
    const stored = await hashPassword('a long enough one');
    expect(stored).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
    expect(await isPassword(stored, 'a long enough one')).toBe(true);
    expect(await isPassword(stored, 'another one')).toBe(false);
    expect(await isPassword(undefined, 'nobody has this password')).toBe(false);
    expect(await isPassword('no hash at all', 'x')).toBe(false);
  });

  it('are the same however a keyboard composes their letters', async () => {
    expect(await isPassword(await hashPassword('guitarra clásica'), 'guitarra cla\u0301sica')).toBe(true);
  });

  it('have ten characters at least', () => {
    expect(passwordSchema.safeParse('short').success).toBe(false);
    expect(passwordSchema.safeParse('ten letters').success).toBe(true);
  });
});

describe('signing in', () => {
  it('takes address and password, whatever the capitals of the address', async () => {
    const account = await newAccount(pool);
    const shouted = { ...account, email: emailSchema.parse(account.email.toUpperCase()) };
    expect(await attempt(shouted, account.password)).toEqual({ kind: 'in', teacher: account.teacher });
    expect(await attempt(account, 'wrong')).toEqual({ kind: 'wrong' });
  });

  it('answers the same for an unknown address', async () => {
    const email = emailSchema.parse(`nobody-${Date.now()}@oculon.example`);
    expect(
      await signIn(pool, throttle, { email, password: 'x', from: '10.1.1.1', device: undefined }),
    ).toEqual({
      kind: 'wrong',
    });
  });

  it('stops one address that guesses, and lets the teacher in from elsewhere', async () => {
    const account = await newAccount(pool);
    const from = `10.2.${Date.now() % 250}.1`;
    const outcomes = [];
    for (let guess = 0; guess < 12; guess += 1)
      outcomes.push((await attempt(account, `guess ${guess}`, { from })).kind);
    expect(outcomes.slice(0, 8)).toEqual(Array.from({ length: 8 }, () => 'wrong'));
    expect(outcomes.slice(8)).toEqual(Array.from({ length: 4 }, () => 'wait'));
    // Also the right password has to wait there, or guessing would go on unseen.
    expect((await attempt(account, account.password, { from })).kind).toBe('wait');
    expect((await attempt(account, account.password, { from: '10.9.9.9' })).kind).toBe('in');
  });

  it('that is tried from everywhere does not lock out a browser in which the teacher was before', async () => {
    const account = await newAccount(pool);
    const device = await rememberDevice(pool, account.teacher);
    await Promise.all(Array.from({ length: 70 }, () => throttle.fail([['account', account.email]])));
    expect((await attempt(account, account.password)).kind).toBe('wait');
    expect((await attempt(account, account.password, { device })).kind).toBe('in');
    expect((await attempt(account, account.password, { device: 'made up' })).kind).toBe('wait');
  });
});

describe('sessions', () => {
  it('open for their token alone, and not after they are closed', async () => {
    const { teacher } = await newAccount(pool);
    const token = await openSession(pool, teacher, 'A browser');
    const session = (await findSession(pool, token))!;
    expect(session.teacher).toBe(teacher);
    expect(await findSession(pool, `${token}x`)).toBeUndefined();
    expect(await closeSession(pool, teacher, session.id)).toBe(true);
    expect(await findSession(pool, token)).toBeUndefined();
  });

  it('are no longer open when they are old or were not used', async () => {
    const { teacher } = await newAccount(pool);
    const [old, idle] = [await openSession(pool, teacher, ''), await openSession(pool, teacher, '')];
    const ids = await Promise.all([old, idle].map(async (token) => (await findSession(pool, token))!.id));
    await pool.query(`update sessions set ends_at = now() - interval '1 second' where id = $1`, [ids[0]]);
    await pool.query(`update sessions set seen_at = now() - interval '8 days' where id = $1`, [ids[1]]);
    expect(await findSession(pool, old)).toBeUndefined();
    expect(await findSession(pool, idle)).toBeUndefined();
    expect(await listSessions(pool, teacher)).toEqual([]);
  });

  it('are listed for their teacher, and closed everywhere but here', async () => {
    const [{ teacher }, stranger] = [await newAccount(pool), await newAccount(pool)];
    const here = await openSession(pool, teacher, 'Here');
    await openSession(pool, teacher, 'There');
    const other = await openSession(pool, stranger.teacher, 'Elsewhere');
    expect((await listSessions(pool, teacher)).map(({ browser }) => browser)).toEqual(['There', 'Here']);
    const { id } = (await findSession(pool, here))!;
    expect(await closeSession(pool, stranger.teacher, id)).toBe(false);
    await closeSessions(pool, teacher, id);
    expect((await listSessions(pool, teacher)).map(({ browser }) => browser)).toEqual(['Here']);
    expect(await findSession(pool, other)).toBeDefined();
    await closeSessionOf(pool, here);
    expect(await listSessions(pool, teacher)).toEqual([]);
  });

  it('keep nothing in the database that would open them', async () => {
    const { teacher } = await newAccount(pool);
    const token = await openSession(pool, teacher, '');
    const { rows } = await pool.query('select token_hash as hash from sessions where teacher_id = $1', [
      teacher,
    ]);
    const kept = rows[0].hash as Buffer;
    expect(kept).toHaveLength(32);
    expect(await findSession(pool, kept.toString('base64url'))).toBeUndefined();
    expect(kept.toString('base64url')).not.toBe(token);
  });
});

describe('links in letters', () => {
  it('work once', async () => {
    const token = await createInvitation(pool, emailSchema.parse('a@oculon.example'));
    expect(await findTicket(pool, 'invitation', token)).toMatchObject({ email: 'a@oculon.example' });
    expect(await findTicket(pool, 'reset', token)).toBeUndefined();
    const taken = await Promise.all([1, 2, 3].map(() => takeTicket(pool, 'invitation', token)));
    expect(taken.filter((ticket) => ticket !== undefined)).toHaveLength(1);
    expect(await findTicket(pool, 'invitation', token)).toBeUndefined();
  });

  it('for a new password end those before them, and end by themselves', async () => {
    const { teacher } = await newAccount(pool);
    const first = await createReset(pool, teacher);
    const second = await createReset(pool, teacher);
    expect(await findTicket(pool, 'reset', first)).toBeUndefined();
    expect(await findTicket(pool, 'reset', second)).toMatchObject({ teacher });
    await pool.query(`update tickets set ends_at = now() where teacher_id = $1`, [teacher]);
    expect(await takeTicket(pool, 'reset', second)).toBeUndefined();
  });

  it('set a password with which one signs in', async () => {
    const account = await newAccount(pool);
    await setPasswordHash(pool, account.teacher, await hashPassword('a new password'));
    expect((await attempt(account, 'a new password')).kind).toBe('in');
    expect((await attempt(account, account.password)).kind).toBe('wrong');
  });
});
