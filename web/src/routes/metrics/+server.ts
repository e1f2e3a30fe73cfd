import { error } from '@sveltejs/kit';
import { metrics } from '$lib/server/metrics.ts';
import type { RequestHandler } from './$types';

const LOOPBACK = /^(127\.|::1$|::ffff:127\.)/;

/** Figures of this server for whoever watches it from the same machine; what came through a proxy came from elsewhere. */
export const GET: RequestHandler = async ({ getClientAddress, request }) => {
  if (!LOOPBACK.test(getClientAddress()) || request.headers.has('x-forwarded-for'))
    error(404, 'There is nothing at this address.');
  return new Response(await metrics.metrics(), { headers: { 'content-type': metrics.contentType } });
};
