/** Lets a phone put a page among its applications. */
export const webManifest = (name: string, shortName: string, start: string): Response =>
  new Response(
    JSON.stringify({
      name: `Oculon: ${name}`,
      short_name: shortName,
      start_url: start,
      scope: '/s/',
      display: 'standalone',
      background_color: '#faf6ea',
      theme_color: '#faf6ea',
      icons: [{ src: '/favicon.svg', sizes: 'any', type: 'image/svg+xml' }],
    }),
    { headers: { 'content-type': 'application/manifest+json' } },
  );
