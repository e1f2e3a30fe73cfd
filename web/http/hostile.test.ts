import { randomUUID } from 'node:crypto';
import { beforeAll, describe, expect, it } from 'vitest';
import { address, ask, askJson, importedPiece, type Answer, type Question } from './ask.ts';

let piece: string;
let fingering: string;
beforeAll(async () => {
  ({ piece, fingering } = await importedPiece());
});

const edit = (after: unknown = { finger: 1 }, note = 'n', id: string = randomUUID()) => ({
  id,
  edit: { kind: 'choose', note, before: {}, after },
});
const isOurs = ({ status, text }: Answer): void => {
  expect(text).not.toMatch(/\bat .*\.(js|ts|mjs):\d+/);
  expect(status).toBeGreaterThanOrEqual(400);
  expect(status).toBeLessThan(500);
};

const IDS = [
  'x',
  '..%2f..%2fetc',
  '%00',
  '%ff',
  '%',
  'constructor',
  '__proto__',
  randomUUID(),
  `${'a'.repeat(3000)}`,
];
const BODIES: readonly (readonly [string, string])[] = [
  ['nothing', ''],
  ['no JSON', '{"a":'],
  ['null', 'null'],
  ['a number', '1e999'],
  ['deep nesting', '['.repeat(60_000)],
  ['a prototype', '{"__proto__":{"title":"x"},"constructor":{"prototype":{}}}'],
  ['bytes that are no text', '\u00ff\u00fe'],
];

describe('every route', () => {
  const routes = (): Question[] =>
    IDS.flatMap((id) => [
      { path: `/pieces/${id}` },
      { path: `/pieces/${id}/__data.json` },
      { path: `/pieces/${piece}/${id}` },
      { path: `/pieces/${id}/versions` },
      { path: `/pieces/${piece}/compare?one=${id}&other=${id}` },
      { path: `/students/${id}` },
      ...['plan', 'log', 'log/csv', 'lesson'].map((place) => ({ path: `/students/${id}/${place}` })),
      { path: `/s/practise/${id}` },
      { path: `/s/practise/${id}/sheets/${id}` },
      { path: `/s/practise/${id}/log`, method: 'POST', body: '{"entries":[]}' },
      { path: `/api/pieces/${id}/source` },
      { path: `/api/fingerings/${id}/edits` },
      { path: `/api/pieces/${id}`, method: 'DELETE' },
      { path: `/api/pieces/${id}`, method: 'PATCH', body: '{"title":"x","composer":""}' },
      { path: `/api/fingerings/${id}/edits`, method: 'POST', body: '{"base":0,"edits":[]}' },
    ]);

  it('answers an id that is none with 4xx and no stack', async () => {
    for (const route of routes()) {
      const answer = await ask(route);
      // An unknown id has no edits; its data request tells so inside.
      if (answer.status === 200) expect(answer.text).toMatch(/"edits":\[\]|"status":404|"type":"error"/);
      else isOurs(answer);
    }
  });

  it.each(BODIES)('answers a body of %s with 4xx', async (_, body) => {
    for (const [method, path] of [
      ['POST', '/api/pieces'],
      ['PATCH', `/api/pieces/${piece}`],
      ['POST', `/api/fingerings/${fingering}/edits`],
      ['POST', '/'],
      ['PUT', `/api/pieces/${piece}`],
      ['DELETE', `/api/fingerings/${fingering}/edits`],
      ['POST', '/health'],
    ] as const)
      isOurs(await ask({ method, path, body: Buffer.from(body, 'latin1') }));
  });

  it.each(['GET', 'POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS', 'HEAD'])(
    '%s survives odd paths',
    async (method) => {
      for (const path of [
        '/..%2f',
        '//',
        '/%',
        '/\u00e9',
        '/api',
        '/api/pieces/',
        '/__data.json',
        '/?part=%00',
        '/favicon.svg/x',
      ])
        expect((await ask({ method, path: encodeURI(path).replaceAll('%25', '%') })).status).toBeLessThan(
          500,
        );
    },
  );
});

describe('edits', () => {
  const post = (body: unknown) =>
    askJson({ method: 'POST', path: `/api/fingerings/${fingering}/edits`, body });

  it.each([
    ['a revision beyond the database’s numbers', { base: 3_000_000_000, format: 2, edits: [edit()] }],
    ['a revision below 0', { base: -1, format: 2, edits: [edit()] }],
    ['a revision that is no number', { base: '0', format: 2, edits: [edit()] }],
    ['a format to come', { base: 0, format: 99, edits: [edit()] }],
    ['no edits', { base: 0, format: 2, edits: [] }],
    ['too many edits', { base: 0, format: 2, edits: Array.from({ length: 501 }, () => edit()) }],
    ['NUL in a note', { base: 0, format: 2, edits: [edit({ finger: 1 }, 'a\u0000b')] }],
    ['half a sign', { base: 0, format: 2, edits: [edit({ finger: 1 }, 'a\ud800b')] }],
    [
      'a control character in a text',
      {
        base: 0,
        format: 2,
        edits: [
          {
            id: randomUUID(),
            edit: {
              kind: 'mark',
              mark: 'text@n',
              before: null,
              after: { kind: 'text', from: 'n', text: 'a\u000bb' },
            },
          },
        ],
      },
    ],
    ['NUL in an older format', { base: 0, edits: [edit({ finger: 1 }, '\u0000')] }],
    ['a finger that nobody has', { base: 0, format: 2, edits: [edit({ finger: 9 })] }],
    ['more than is asked', { base: 0, format: 2, edits: [edit()], more: 1 }],
  ])('with %s are refused', async (_, body) => isOurs(await post(body)));

  it('with the same id twice in one request are refused', async () => {
    const id = randomUUID();
    isOurs(
      await post({ base: 0, format: 2, edits: [edit({ finger: 1 }, 'a', id), edit({ finger: 2 }, 'b', id)] }),
    );
    isOurs(
      await post({
        base: 0,
        format: 2,
        edits: [edit({ finger: 1 }, 'a', id), edit({ finger: 2 }, 'b', id.toUpperCase())],
      }),
    );
  });

  it('with an id in capitals are kept once', async () => {
    const own = await importedPiece();
    const path = `/api/fingerings/${own.fingering.toUpperCase()}/edits`;
    const id = randomUUID().toUpperCase();
    for (let time = 0; time < 2; time += 1) {
      const answer = await askJson({
        method: 'POST',
        path,
        body: { base: 0, format: 2, edits: [edit({ finger: 1 }, 'n', id)] },
      });
      expect([answer.status, JSON.parse(answer.text)]).toEqual([200, { kind: 'saved', revision: 1 }]);
    }
  });

  it('made on a revision that the server does not have are answered with what it has', async () => {
    const own = await importedPiece();
    const path = `/api/fingerings/${own.fingering}/edits`;
    await askJson({ method: 'POST', path, body: { base: 0, format: 2, edits: [edit()] } });
    const answer = await askJson({ method: 'POST', path, body: { base: 40, format: 2, edits: [edit()] } });
    expect(answer.status).toBe(409);
    expect(JSON.parse(answer.text)).toMatchObject({
      kind: 'behind',
      revision: 1,
      after: 0,
      since: [{ revision: 1 }],
    });
  });

  it.each(['-1', '1.5', 'x', '99999999999', 'NaN', '1e400'])(
    'after the revision %s are no question',
    async (since) => {
      isOurs(await ask({ path: `/api/fingerings/${fingering}/edits?since=${since}` }));
    },
  );
});

describe('names', () => {
  const rename = (body: unknown) => askJson({ method: 'PATCH', path: `/api/pieces/${piece}`, body });

  it.each(['', '   ', 'a\u0000b', 'a\ud800', 'a\u000bb', 'x'.repeat(301), '𝄞'.repeat(301)])(
    'that cannot be written are refused: %j',
    async (title) => isOurs(await rename({ title, composer: '' })),
  );

  it('are composed, and counted as a reader does', async () => {
    expect((await rename({ title: '𝄞'.repeat(300), composer: 'E\u0301' })).status).toBe(200);
    const { text } = await ask({ path: '/__data.json' });
    expect(text).toContain('É');
  });

  it('of files that nobody can read are no reason to refuse a piece', async () => {
    for (const name of ['%00%01', '%ED%A0%80', '%', '../../x', `${'%F0%9D%84%9E'.repeat(600)}`]) {
      const answer = await ask({
        method: 'POST',
        path: '/api/pieces',
        headers: { 'x-file-name': name },
        body: '<score-partwise/>',
      });
      expect(answer.status).toBe(422);
    }
  });
});

describe('who asks', () => {
  it('for another host is told where Oculon is, and nothing else', async () => {
    for (const host of ['evil.example', '127.0.0.1', 'evil.example:4292', '127.0.0.1:4292.evil.example'])
      expect((await ask({ path: '/', headers: { host } })).status).toBe(host === '127.0.0.1' ? 307 : 421);
    const { text } = await ask({ path: `/api/pieces/${piece}/source`, headers: { host: 'evil.example' } });
    expect(text).toBe(`Oculon is at ${address}.\n`);
  });

  it('from another page changes nothing, whatever it says it sends', async () => {
    const writing: readonly (readonly [string, string])[] = [
      ['POST', '/api/pieces'],
      ['PATCH', `/api/pieces/${piece}`],
      ['DELETE', `/api/pieces/${piece}`],
      ['POST', `/api/fingerings/${fingering}/edits`],
    ];
    for (const [method, path] of writing)
      for (const type of [
        'application/json',
        'text/plain',
        'application/octet-stream',
        'application/x-www-form-urlencoded',
      ])
        for (const headers of [
          { origin: 'https://evil.example' },
          { origin: 'null' },
          { origin: address.replace('http', 'https') },
        ]) {
          const answer = await ask({
            method,
            path,
            headers: { 'content-type': type, ...headers },
            body: '{}',
          });
          expect([method, path, type, answer.status]).toEqual([method, path, type, 403]);
        }
    expect((await ask({ path: `/pieces/${piece}/${fingering}` })).status).toBe(200);
  });

  it('is answered with headers that keep others out, and nothing of a teacher’s is kept in caches', async () => {
    for (const path of [
      '/',
      `/pieces/${piece}`,
      `/pieces/${piece}/__data.json`,
      `/api/pieces/${piece}/source`,
      '/nowhere',
      `/api/fingerings/${fingering}/edits`,
    ]) {
      const { headers } = await ask({ path });
      expect(headers['cache-control']).toBe('no-store');
      expect(headers['content-security-policy']).toMatch(/frame-ancestors 'none'/);
      expect(headers['x-content-type-options']).toBe('nosniff');
      expect(headers['referrer-policy']).toBe('same-origin');
      expect(headers['cross-origin-opener-policy']).toBe('same-origin');
      expect(headers['x-request-id']).toMatch(/^[0-9a-f-]{36}$/);
    }
  });

  it('reads figures only from this machine, and not through a proxy', async () => {
    const { status, text } = await ask({ path: '/metrics' });
    expect(status).toBe(200);
    for (const name of [
      'oculon_request_seconds',
      'oculon_save_seconds',
      'oculon_pool_connections',
      'nodejs_eventloop_lag',
    ])
      expect(text).toContain(name);
    expect((await ask({ path: '/metrics', headers: { 'x-forwarded-for': '127.0.0.1' } })).status).toBe(404);
  });
});
