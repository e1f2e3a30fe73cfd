import { error, redirect, type Handle, type HandleServerError, type ServerInit } from '@sveltejs/kit';
import { compressed } from '$lib/server/compressed.ts';
import { closeDatabase, database } from '$lib/server/database/database.ts';
import { withDatabase } from '$lib/server/database/trouble.ts';
import { startHousekeeping, stopHousekeeping } from '$lib/server/housekeeping.ts';
import { log } from '$lib/server/log.ts';
import { requestSeconds } from '$lib/server/metrics.ts';
import { closeScoreReaders } from '$lib/server/reading/pool.ts';
import { visitorOf } from '$lib/server/teachers/visit.ts';
import * as z from 'zod/mini';

// Schemas that browsers load as well come without words for what is wrong; forms are answered here, with words.
z.config(z.locales.en());

export const init: ServerInit = () => {
  startHousekeeping(database);
};

// The end of the server is announced; connections are returned so that the database can stop cleanly.
process.on('sveltekit:shutdown', () => {
  stopHousekeeping();
  void closeDatabase();
  void closeScoreReaders();
});

/** Paths that need nobody to be signed in, and look up nobody. */
const PUBLIC = new Set(['/health', '/metrics']);
/** Where nobody needs to be signed in: the door, and what is shown when there is nothing. */
const DOOR = /^\/\(door\)\//;
/** A student's page opens by its link: whoever has it needs no account, and whoever is signed in is none of its business. */
const BY_LINK = /^\/\(student\)\//;
/** What is written down of such an address: the link itself is a secret. */
const LOGGED_LINK = '/s/…';
/** What a link opens is for whoever has it alone. */
const PRIVATE_HEADERS = { 'referrer-policy': 'no-referrer', 'x-robots-tag': 'noindex, nofollow' } as const;
/** Pages on which music is engraved as soon as its font is there: it comes with the code instead of after it. */
const WITH_MUSIC = /\/\[fingering\](\/lesson)?$|\/s\/\[token\]$/;
const MUSIC_FONT = /\/ocumuse\./;
const READING = new Set(['GET', 'HEAD', 'OPTIONS']);
/** When to try again after a 503, in seconds. */
const RETRY_AFTER = '2';

/** Whether a request that changes something comes from a page of ours; programs that are no browser send no origin. */
const isFromElsewhere = ({ headers, method }: Request, origin: string): boolean => {
  if (READING.has(method)) return false;
  const from = headers.get('origin');
  const site = headers.get('sec-fetch-site');
  return from === null ? site !== null && site !== 'same-origin' && site !== 'none' : from !== origin;
};

/** Everything but the door asks who is there. */
export const handle: Handle = async ({ event, resolve }) => {
  event.locals.requestId = crypto.randomUUID();
  const started = performance.now();
  const { pathname, search } = event.url;
  if (isFromElsewhere(event.request, event.url.origin))
    error(403, 'Changes are only taken from pages of this address.');
  const isByLink = BY_LINK.test(event.route.id ?? '');
  if (!PUBLIC.has(pathname) && !isByLink) {
    const visitor = await withDatabase(() => visitorOf(event.cookies));
    if (visitor) event.locals.visitor = visitor;
    else if (!DOOR.test(event.route.id ?? '')) {
      if (pathname.startsWith('/api/') || !READING.has(event.request.method))
        error(401, 'Nobody is signed in. Sign in and try again.');
      redirect(303, `/sign-in?to=${encodeURIComponent(pathname + search)}`);
    }
  }
  const hasMusic = WITH_MUSIC.test(event.route.id ?? '');
  const response = await resolve(event, {
    preload: ({ type, path }) =>
      type === 'js' || type === 'css' || (type === 'font' && hasMusic && MUSIC_FONT.test(path)),
  });
  const seconds = (performance.now() - started) / 1000;
  response.headers.set('x-request-id', event.locals.requestId);
  response.headers.set('cache-control', 'no-store');
  if (isByLink)
    for (const [name, value] of Object.entries(PRIVATE_HEADERS)) response.headers.set(name, value);
  if (response.status === 503 && !response.headers.has('retry-after'))
    response.headers.set('retry-after', RETRY_AFTER);
  const { method } = event.request;
  const route = event.route.id ?? 'none';
  requestSeconds.observe({ route, method, status: response.status }, seconds);
  if (!PUBLIC.has(route))
    log.info(
      {
        request: event.locals.requestId,
        method,
        path: isByLink ? LOGGED_LINK : pathname,
        status: response.status,
        ms: Math.round(seconds * 1000),
      },
      'request',
    );
  return compressed(event.request, response);
};

export const handleError: HandleServerError = ({ error: cause, event, status }) => {
  const { requestId } = event.locals;
  if (status >= 500)
    log.error(
      {
        err: cause,
        request: requestId,
        method: event.request.method,
        path: BY_LINK.test(event.route.id ?? '') ? LOGGED_LINK : event.url.pathname,
      },
      'failed',
    );
  return {
    message:
      status === 404
        ? 'There is nothing at this address.'
        : status < 500
          ? 'This request cannot be understood.'
          : 'Something went wrong on the server. Your work is kept; try again in a moment.',
    ...(status >= 500 && { requestId }),
  };
};
