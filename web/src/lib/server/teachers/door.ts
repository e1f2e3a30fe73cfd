import type { RequestEvent } from '@sveltejs/kit';
import { env } from '$env/dynamic/private';
import { database } from '../database/database.ts';
import { Throttle } from './throttle.ts';

let throttle: Throttle | undefined;
/** The counts of this server's database. */
export const throttleHere = (): Throttle => (throttle ??= new Throttle(database()));

/** Whether anybody may register, or only who is invited. */
export const isOpen = (): boolean => env.OCULON_REGISTRATION === 'open';

/** Where a request comes from; one that does not say is counted with all others like it. */
export const addressOf = (event: RequestEvent): string => {
  try {
    return event.getClientAddress();
  } catch {
    return 'unknown';
  }
};

/** A page of ours to go to after the door: never an address elsewhere. */
export const placeAfter = (to: string | null): string =>
  to !== null && /^\/(?![/\\])/.test(to) && !/[\u0000-\u001f]/.test(to) ? to : '/';

/** How long to wait, as it is said. */
export const waitText = (seconds: number): string => {
  const minutes = Math.ceil(seconds / 60);
  return `Too many attempts. Try again in ${minutes <= 1 ? 'a minute' : `${minutes} minutes`}, or ask for a new password.`;
};
