// Serves the built application: who may ask, how large a request may be, what every answer carries, and how it ends.
import { createServer } from 'node:http';
import { fileURLToPath } from 'node:url';
import { readAddress, SetupProblem } from './address.mjs';
import { guard, SECURITY_HEADERS } from './guard.mjs';
import { whenParentEnds } from './parent.mjs';

/**
 * Above what any route takes. The routes have narrower limits of their own, and let what is too large pass unread, so that
 * the sender hears why; beyond this one the connection is simply ended.
 */
const BODY_SIZE_LIMIT = '64M';
/** How long requests that run may take to end when the server is told to, in ms. */
const PATIENCE = 1500;
const HEADERS_TIMEOUT = 10_000;
const REQUEST_TIMEOUT = 120_000;

const start = async () => {
  const { host, port, origin } = readAddress(process.env);
  // Read by the built application when it is loaded.
  process.env.ORIGIN = origin.origin;
  process.env.BODY_SIZE_LIMIT = BODY_SIZE_LIMIT;
  process.env.OCULON_SCORE_READER ??= fileURLToPath(new URL('../build/score-reader.mjs', import.meta.url));
  const { handler } = await import('../build/handler.js');

  const server = createServer((request, response) => {
    for (const [name, value] of Object.entries(SECURITY_HEADERS)) response.setHeader(name, value);
    if (guard(request, response, origin)) return;
    handler(request, response, () => {
      response.statusCode = 404;
      response.end('There is nothing at this address.');
    });
  });
  server.headersTimeout = HEADERS_TIMEOUT;
  server.requestTimeout = REQUEST_TIMEOUT;

  let isEnding = false;
  const end = (reason) => {
    if (isEnding) return;
    isEnding = true;
    process.emit('sveltekit:shutdown', reason);
    server.close(() => process.exit(0));
    server.closeIdleConnections();
    setTimeout(() => process.exit(0), PATIENCE).unref();
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => end(signal));
  whenParentEnds(() => end('parent'));

  server.on('error', (error) => {
    process.stderr.write(
      error.code === 'EADDRINUSE'
        ? `Port ${port} is in use. Choose another one with PORT=….\n`
        : `The server cannot listen on ${host}:${port}: ${error.message}\n`,
    );
    process.exit(1);
  });
  // Whoever started this process is told, so that it does not take another server on this port for this one.
  server.listen(port, host, () => process.send?.('listening'));
};

start().catch((error) => {
  process.stderr.write(`${error instanceof SetupProblem ? error.message : error.stack}\n`);
  process.exit(1);
});
