import pg from 'pg';
import { env } from '$env/dynamic/private';

/** Connections one server may hold; statements that take longer than the timeout are ended by the database. */
const POOL_SIZE = 10;
const STATEMENT_TIMEOUT_MS = 10_000;

export type Queryable = Pick<pg.ClientBase, 'query'>;

let pool: pg.Pool | undefined;

/** The pool of this server, opened on first use. */
export const database = (): pg.Pool => {
  if (!pool) {
    if (!env.DATABASE_URL) throw new Error('DATABASE_URL is not set; start Oculon with npm run demo.');
    pool = new pg.Pool({
      connectionString: env.DATABASE_URL,
      max: POOL_SIZE,
      statement_timeout: STATEMENT_TIMEOUT_MS,
      application_name: 'oculon',
    });
    // A connection lost while idle is replaced on next use; without a listener it would end the process.
    pool.on('error', (error) =>
      console.error(JSON.stringify({ level: 'error', event: 'idle-connection', message: error.message })),
    );
  }
  return pool;
};

export const closeDatabase = async (): Promise<void> => {
  const open = pool;
  pool = undefined;
  await open?.end();
};

/** Runs `work` in one transaction: all of it happens, or none. */
export const inTransaction = async <T>(
  from: pg.Pool,
  work: (client: pg.PoolClient) => Promise<T>,
): Promise<T> => {
  const client = await from.connect();
  try {
    await client.query('begin');
    const result = await work(client);
    await client.query('commit');
    return result;
  } catch (error) {
    await client.query('rollback').catch(() => undefined);
    throw error;
  } finally {
    client.release();
  }
};
