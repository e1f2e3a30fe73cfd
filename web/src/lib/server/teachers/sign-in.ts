import type pg from 'pg';
import type { TeacherId } from '../ids.ts';
import { isKnownDevice } from './devices.ts';
import { isPassword } from './passwords.ts';
import { findCredentials, type Email } from './teachers.ts';
import type { Counted, Throttle } from './throttle.ts';

export interface Attempt {
  readonly email: Email;
  readonly password: string;
  /** Network address that it comes from. */
  readonly from: string;
  /** What the browser shows to have been here before. */
  readonly device: string | undefined;
}

export type SignInOutcome =
  | { readonly kind: 'in'; readonly teacher: TeacherId }
  /** Address or password are wrong: which of them nobody is told, and it takes the same time. */
  | { readonly kind: 'wrong' }
  | { readonly kind: 'wait'; readonly seconds: number };

/** Lets a teacher in, or counts a failure. */
export const signIn = async (
  pool: pg.Pool,
  throttle: Throttle,
  { email, password, from, device }: Attempt,
): Promise<SignInOutcome> => {
  const known = await findCredentials(pool, email);
  // Somebody unknown is looked for in the same way.
  const isKnown = known ? await isKnownDevice(pool, known.id, device) : false;
  const own: readonly Counted[] = isKnown
    ? [['device', `${email} ${device}`]]
    : [
        ['pair', `${email} ${from}`],
        ['account', email],
      ];
  const counts: readonly Counted[] = isKnown ? own : [...own, ['address', from]];
  const seconds = await throttle.wait(counts);
  if (seconds > 0) return { kind: 'wait', seconds };
  if (!(await isPassword(known?.passwordHash, password)) || !known) {
    await throttle.fail(counts);
    return { kind: 'wrong' };
  }
  await throttle.forget(own.filter(([limit]) => limit !== 'account'));
  return { kind: 'in', teacher: known.id };
};
