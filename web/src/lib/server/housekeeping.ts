import type pg from 'pg';
import { log } from './log.ts';

/** How long things that nobody needs any more are kept, in days. */
const KEPT_DAYS = { tickets: 30, outbox: 30, deletedFingerings: 30 } as const;
const HOUR = 60 * 60 * 1000;

/** Deletes what is due: accounts after their pause, sessions and links that are over, versions put away long ago. */
export const keepHouse = async (pool: pg.Pool): Promise<void> => {
  await pool.query(`delete from teachers where deletion_due_at <= now()`);
  await pool.query(`delete from sessions where ends_at <= now()`);
  await pool.query(`delete from tickets where ends_at < now() - make_interval(days => $1)`, [
    KEPT_DAYS.tickets,
  ]);
  await pool.query(`delete from outbox where created_at < now() - make_interval(days => $1)`, [
    KEPT_DAYS.outbox,
  ]);
  await pool.query(`delete from fingerings where deleted_at < now() - make_interval(days => $1)`, [
    KEPT_DAYS.deletedFingerings,
  ]);
  await pool.query(`delete from attempts where expire < $1`, [Date.now()]);
};

let timer: NodeJS.Timeout | undefined;

/** Keeps house now and every hour; what fails is tried again the next time. */
export const startHousekeeping = (pool: () => pg.Pool): void => {
  const once = (): void => {
    keepHouse(pool()).catch((cause: unknown) => log.warn({ err: cause }, 'housekeeping failed'));
  };
  once();
  timer = setInterval(once, HOUR);
  timer.unref();
};

export const stopHousekeeping = (): void => clearInterval(timer);
