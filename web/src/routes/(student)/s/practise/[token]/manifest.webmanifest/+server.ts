import { webManifest } from '$lib/server/web-manifest.ts';
import type { RequestHandler } from './$types';

/** The same for every link: it looks nothing up. */
export const GET: RequestHandler = ({ params }) =>
  webManifest('my practice', 'My practice', `/s/practise/${encodeURIComponent(params.token)}`);
