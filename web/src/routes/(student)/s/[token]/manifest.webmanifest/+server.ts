import type { RequestHandler } from './$types';

/** Lets a phone put the page among its applications. The same for every link: it looks nothing up. */
export const GET: RequestHandler = ({ params }) =>
  new Response(
    JSON.stringify({
      name: 'Oculon: my sheet',
      short_name: 'My sheet',
      start_url: `/s/${encodeURIComponent(params.token)}`,
      scope: '/s/',
      display: 'standalone',
      background_color: '#faf6ea',
      theme_color: '#faf6ea',
      icons: [{ src: '/favicon.svg', sizes: 'any', type: 'image/svg+xml' }],
    }),
    { headers: { 'content-type': 'application/manifest+json' } },
  );
