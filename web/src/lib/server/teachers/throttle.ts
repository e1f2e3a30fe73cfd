import { createHash } from 'node:crypto';
import type pg from 'pg';
import { RateLimiterPostgres } from 'rate-limiter-flexible';

const MINUTE = 60;
const DAY = 24 * 60 * MINUTE;

/**
 * How many failures are borne, and for how long they are remembered, in seconds. One address trying one account is stopped
 * first; a browser in which the teacher has signed in before has a count of its own, so that nobody can lock the teacher
 * out by failing in their name (OWASP, Slow Down Online Guessing Attacks with Device Cookies). Our own values.
 */
const LIMITS = {
  /** One account from one network address. */
  pair: { points: 8, duration: 15 * MINUTE },
  /** Anything from one network address. */
  address: { points: 60, duration: 15 * MINUTE },
  /** One account from browsers that nobody knows. */
  account: { points: 60, duration: DAY },
  /** One account from a browser that is known. */
  device: { points: 15, duration: 15 * MINUTE },
  /** Links that do not work, and letters asked for, from one network address. */
  links: { points: 30, duration: 15 * MINUTE },
  /** Students' pages that are not there, from one network address: a class may share one. */
  pages: { points: 60, duration: 15 * MINUTE },
} as const;
type Limit = keyof typeof LIMITS;

/** A count and what it counts for. */
export type Counted = readonly [limit: Limit, key: string];

const keyOf = (key: string): string => createHash('sha256').update(key).digest('base64url');

/** Counts failures in the database, so that all servers know of them. */
export class Throttle {
  private readonly limiters: Readonly<Record<Limit, RateLimiterPostgres>>;

  constructor(pool: pg.Pool) {
    const limiter = (limit: Limit): RateLimiterPostgres =>
      new RateLimiterPostgres({
        storeClient: pool,
        tableName: 'attempts',
        tableCreated: true,
        keyPrefix: limit,
        ...LIMITS[limit],
      });
    this.limiters = {
      pair: limiter('pair'),
      address: limiter('address'),
      account: limiter('account'),
      device: limiter('device'),
      links: limiter('links'),
      pages: limiter('pages'),
    };
  }

  /** Seconds to wait until none of the counts is full; 0 when there is nothing to wait for. */
  async wait(counts: readonly Counted[]): Promise<number> {
    const states = await Promise.all(
      counts.map(async ([limit, key]) => {
        const state = await this.limiters[limit].get(keyOf(key));
        return state && state.consumedPoints >= LIMITS[limit].points ? state.msBeforeNext / 1000 : 0;
      }),
    );
    return Math.ceil(Math.max(0, ...states));
  }

  /** Counts one more failure. */
  async fail(counts: readonly Counted[]): Promise<void> {
    await Promise.all(counts.map(([limit, key]) => this.limiters[limit].penalty(keyOf(key))));
  }

  /** Forgets what was counted. */
  async forget(counts: readonly Counted[]): Promise<void> {
    await Promise.all(counts.map(([limit, key]) => this.limiters[limit].delete(keyOf(key))));
  }
}
