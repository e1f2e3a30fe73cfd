import { readFileSync } from 'node:fs';
import { request } from 'node:http';
import { fileURLToPath } from 'node:url';
import { inject } from 'vitest';

export const address = inject('address');

export interface Answer {
  readonly status: number;
  readonly headers: Readonly<Record<string, string | string[] | undefined>>;
  readonly text: string;
  readonly ms: number;
}

export interface Question {
  readonly method?: string;
  readonly path: string;
  readonly headers?: Readonly<Record<string, string>>;
  readonly body?: string | Uint8Array;
}

/** Sends a request exactly as it is given, host and all. */
export const ask = ({ method = 'GET', path, headers = {}, body }: Question): Promise<Answer> =>
  new Promise((resolve, reject) => {
    const { hostname, port, host } = new URL(address);
    const started = performance.now();
    const sent = request(
      {
        hostname,
        port,
        method,
        path,
        agent: false,
        headers: {
          host,
          ...(method !== 'GET' && { origin: address, 'content-type': 'application/octet-stream' }),
          // Node sends the body of some methods without saying how long it is.
          ...(body !== undefined &&
            !('transfer-encoding' in headers) && { 'content-length': String(Buffer.byteLength(body)) }),
          ...headers,
        },
      },
      (response) => {
        const chunks: Buffer[] = [];
        const done = () =>
          resolve({
            status: response.statusCode!,
            headers: response.headers,
            text: Buffer.concat(chunks).toString(),
            ms: performance.now() - started,
          });
        response.on('data', (chunk: Buffer) => chunks.push(chunk));
        response.on('end', done);
        response.on('error', done);
      },
    );
    let isAnswered = false;
    sent.on('response', () => (isAnswered = true));
    // A server that refuses a large body may close before it has taken all of it; its answer may still be on its way.
    sent.on('error', (error) => setTimeout(() => isAnswered || reject(error), 1000));
    if (body === undefined) sent.end();
    else sent.end(body);
  });

export const askJson = (question: Omit<Question, 'body'> & { readonly body: unknown }): Promise<Answer> =>
  ask({
    ...question,
    headers: { 'content-type': 'application/json', ...question.headers },
    body: JSON.stringify(question.body),
  });

const STUDY = readFileSync(fileURLToPath(new URL('../../demo/studies/one-thread.musicxml', import.meta.url)));

/** Imports a study and finds its fingering. */
export const importedPiece = async (): Promise<{ piece: string; fingering: string }> => {
  const answer = await ask({
    method: 'POST',
    path: '/api/pieces',
    headers: { 'x-file-name': 'one-thread.musicxml', 'content-type': 'application/octet-stream' },
    body: STUDY,
  });
  const piece = (JSON.parse(answer.text) as { id: string }).id;
  // A piece opens at the version that was worked on last.
  const page = await ask({ path: `/pieces/${piece}` });
  const fingering = String(page.headers.location).split('/').at(-1)!;
  return { piece, fingering };
};
