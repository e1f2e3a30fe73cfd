/** What is worth packing: text of some length. Fonts, archives and music files are packed already, or small. */
const TEXT = /^(text\/|application\/(json|manifest\+json)|image\/svg\+xml)/;

/**
 * The response as the browser takes it: packed with gzip where it asks for that and the body is text. A page carries a whole
 * plan, which packs to a fifth; a student opens it over a phone's connection.
 */
export const compressed = (request: Request, response: Response): Response => {
  const takesGzip = /\bgzip\b/.test(request.headers.get('accept-encoding') ?? '');
  const type = response.headers.get('content-type') ?? '';
  if (!takesGzip || !response.body || !TEXT.test(type) || response.headers.has('content-encoding'))
    return response;
  const headers = new Headers(response.headers);
  headers.delete('content-length');
  headers.set('content-encoding', 'gzip');
  headers.append('vary', 'accept-encoding');
  const { status, statusText } = response;
  return new Response(response.body.pipeThrough(new CompressionStream('gzip')), {
    status,
    statusText,
    headers,
  });
};
