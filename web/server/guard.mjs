/** What every answer carries: no frames, no guessing of types, no addresses told to others. */
export const SECURITY_HEADERS = {
  'content-security-policy': "frame-ancestors 'none'",
  'x-frame-options': 'DENY',
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'same-origin',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
};

const LOOPBACK_NAMES = new Set(['localhost', '127.0.0.1', '[::1]']);

const nameOf = (host) => host.replace(/:\d+$/, '').toLowerCase();

/**
 * Refuses requests that ask for another host than the configured one: a page elsewhere may have pointed a name of its own
 * at this machine. Another name of this same machine is led to the right one. True when the request is answered.
 */
export const guard = (request, response, origin) => {
  const host = request.headers.host ?? '';
  if (host.toLowerCase() === origin.host) return false;
  // Whoever watches over the server asks by whatever address it has, and learns nothing of a teacher's.
  if (request.url === '/health' && LOOPBACK_NAMES.has(nameOf(host))) return false;
  const isSameMachine = LOOPBACK_NAMES.has(nameOf(host)) && LOOPBACK_NAMES.has(origin.hostname);
  if (
    isSameMachine &&
    request.method === 'GET' &&
    request.url?.startsWith('/') &&
    !request.url.startsWith('//')
  ) {
    response.writeHead(307, { location: origin.origin + request.url });
    response.end();
    return true;
  }
  response.writeHead(421, { 'content-type': 'text/plain; charset=utf-8', connection: 'close' });
  response.end(`Oculon is at ${origin.origin}.\n`);
  return true;
};
