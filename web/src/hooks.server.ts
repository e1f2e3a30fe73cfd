import { error, type Handle, type HandleServerError } from '@sveltejs/kit';
import { env } from '$env/dynamic/private';
import { closeDatabase } from '$lib/server/database.ts';
import { teacherIdSchema } from '$lib/server/ids.ts';

// adapter-node announces the end of the server; connections are returned so that the database can stop cleanly.
process.on('sveltekit:shutdown', () => void closeDatabase());

/** Paths that need nobody to be signed in. */
const PUBLIC = new Set(['/health']);

/** The teacher is the one the demo was started for; signing in comes with its own screen later. */
export const handle: Handle = async ({ event, resolve }) => {
  if (!PUBLIC.has(event.url.pathname)) {
    const teacher = teacherIdSchema.safeParse(env.OCULON_TEACHER);
    if (!teacher.success) error(401, 'Nobody is signed in. Start Oculon with npm run demo.');
    event.locals.teacher = teacher.data;
  }
  const started = performance.now();
  const response = await resolve(event);
  if (event.url.pathname.startsWith('/api/'))
    console.log(
      JSON.stringify({
        level: 'info',
        method: event.request.method,
        path: event.url.pathname,
        status: response.status,
        ms: Math.round(performance.now() - started),
      }),
    );
  return response;
};

export const handleError: HandleServerError = ({ error: cause, event, status }) => {
  if (status !== 404)
    console.error(
      JSON.stringify({
        level: 'error',
        path: event.url.pathname,
        message: (cause as Error).message,
        stack: (cause as Error).stack,
      }),
    );
  return {
    message:
      status === 404
        ? 'There is nothing at this address.'
        : 'Something went wrong on the server. Your work is kept; try again in a moment.',
  };
};
