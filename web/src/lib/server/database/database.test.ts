import { createServer, type AddressInfo, type Server } from 'node:net';
import { afterAll, expect, it } from 'vitest';
import { databaseState } from './database.ts';
import { troubleOf } from './trouble.ts';

const servers: Server[] = [];
afterAll(() => servers.forEach((server) => server.close()));
/** A port on which something listens that never speaks. */
const mute = async (): Promise<number> => {
  const server = createServer(() => undefined);
  servers.push(server);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return (server.address() as AddressInfo).port;
};

it('the database is told to be up, slow or gone, each within a second', async () => {
  const states = [
    process.env.DATABASE_URL!,
    `postgres://u:p@127.0.0.1:${await mute()}/x`,
    'postgres://u:p@127.0.0.1:1/x',
  ];
  const found: string[] = [];
  for (const url of states) {
    const asked = performance.now();
    found.push(await databaseState(url));
    expect(performance.now() - asked).toBeLessThan(1000);
  }
  expect(found).toEqual(['up', 'slow', 'gone']);
});

it('what fails in the database is told apart by what can be done about it', () => {
  const failed = (code: string | undefined, message = '') =>
    troubleOf(Object.assign(new Error(message), { code }));
  for (const code of ['55P03', '57014', '57P01', '08006', '53300', 'ECONNREFUSED', 'ECONNRESET'])
    expect(failed(code)).toBe('unavailable');
  expect(failed(undefined, 'timeout exceeded when trying to connect')).toBe('unavailable');
  for (const code of ['22021', '22P05', '22003']) expect(failed(code)).toBe('not-storable');
  expect(failed('23505')).toBeUndefined();
  expect(troubleOf('text')).toBeUndefined();
});
