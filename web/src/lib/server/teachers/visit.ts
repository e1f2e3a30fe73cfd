import type { Cookies, RequestEvent } from '@sveltejs/kit';
import { env } from '$env/dynamic/private';
import { database } from '../database/database.ts';
import { teacherIdSchema, type SessionId, type TeacherId } from '../ids.ts';
import { isKnownDevice, rememberDevice } from './devices.ts';
import { closeSessionOf, findSession, openSession, SESSION_DAYS } from './sessions.ts';

const SESSION_COOKIE = 'oculon-session';
/** Shows that somebody has signed in here before. */
const DEVICE_COOKIE = 'oculon-device';
/** The demo lets its teacher in without being asked, until that teacher has left. */
const LEFT_COOKIE = 'oculon-left';
const DAY = 24 * 60 * 60;
const DEVICE_DAYS = 365;

/** Who is there: signed in, or the teacher for whom this server was started. */
export interface Visitor {
  readonly teacher: TeacherId;
  /** Missing for whom the server lets in by itself. */
  readonly session: SessionId | undefined;
}

type Place = Pick<RequestEvent, 'cookies' | 'url' | 'request'>;

const options = ({ url }: Pick<Place, 'url'>, days: number) =>
  ({
    path: '/',
    httpOnly: true,
    sameSite: 'lax',
    secure: url.protocol === 'https:',
    maxAge: days * DAY,
  }) as const;

/** Whose request this is; undefined when nobody is signed in. */
export const visitorOf = async (cookies: Cookies): Promise<Visitor | undefined> => {
  const token = cookies.get(SESSION_COOKIE);
  if (token !== undefined) {
    const session = await findSession(database(), token);
    // A session that is over lets nobody in, the server's own teacher neither.
    return session && { teacher: session.teacher, session: session.id };
  }
  const own = teacherIdSchema.safeParse(env.OCULON_TEACHER);
  return own.success && cookies.get(LEFT_COOKIE) === undefined
    ? { teacher: own.data, session: undefined }
    : undefined;
};

export const deviceOf = (cookies: Cookies): string | undefined => cookies.get(DEVICE_COOKIE);

/** Signs a teacher in with a new session; whatever session the browser had is over. */
export const enter = async (place: Place, teacher: TeacherId): Promise<void> => {
  const { cookies, request } = place;
  const before = cookies.get(SESSION_COOKIE);
  if (before !== undefined) await closeSessionOf(database(), before);
  const token = await openSession(database(), teacher, request.headers.get('user-agent') ?? '');
  cookies.set(SESSION_COOKIE, token, options(place, SESSION_DAYS));
  if (!(await isKnownDevice(database(), teacher, deviceOf(cookies))))
    cookies.set(DEVICE_COOKIE, await rememberDevice(database(), teacher), options(place, DEVICE_DAYS));
  cookies.delete(LEFT_COOKIE, { path: '/' });
};

/** Signs out here. */
export const leave = async (place: Place): Promise<void> => {
  const token = place.cookies.get(SESSION_COOKIE);
  if (token !== undefined) await closeSessionOf(database(), token);
  place.cookies.delete(SESSION_COOKIE, { path: '/' });
  if (env.OCULON_TEACHER) place.cookies.set(LEFT_COOKIE, 'yes', options(place, SESSION_DAYS));
};
