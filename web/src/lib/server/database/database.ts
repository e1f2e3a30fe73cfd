import pg from 'pg';
import { env } from '$env/dynamic/private';
import type { TeacherId } from '../ids.ts';
import { log } from '../log.ts';

/** Connections one server may hold. */
const POOL_SIZE = 10;
/** How long the database may take, in ms: to be reached, to answer, to give a lock. What takes longer is given up. */
const TIMEOUTS = {
  connectionTimeoutMillis: 2000,
  statement_timeout: 5000,
  query_timeout: 6000,
  lock_timeout: 2000,
  idle_in_transaction_session_timeout: 10_000,
} as const;

export type Queryable = Pick<pg.ClientBase, 'query'>;

let pool: pg.Pool | undefined;

const address = (): string => {
  if (!env.DATABASE_URL) throw new Error('DATABASE_URL is not set; start Oculon with npm run demo.');
  return env.DATABASE_URL;
};

/** A pool that survives whatever becomes of its connections, lent out or idle. */
export const openPool = (connectionString: string, size = POOL_SIZE): pg.Pool => {
  const opened = new pg.Pool({
    connectionString,
    max: size,
    application_name: 'oculon',
    keepAlive: true,
    ...TIMEOUTS,
  });
  // A lost connection tells so by an event; one that nobody listens to would end the process.
  opened.on('connect', (client) => {
    client.on('error', (error) => log.warn({ err: error }, 'database connection lost'));
  });
  opened.on('error', (error) => log.warn({ err: error }, 'idle database connection lost'));
  return opened;
};

/** The pool of this server, opened on first use. */
export const database = (): pg.Pool => (pool ??= openPool(address()));

export const poolCounts = () => ({
  all: pool?.totalCount ?? 0,
  idle: pool?.idleCount ?? 0,
  waiting: pool?.waitingCount ?? 0,
});

export const closeDatabase = async (): Promise<void> => {
  const open = pool;
  pool = undefined;
  await open?.end();
};

/** Runs `work` in one transaction: all of it happens, or none. `opening` are statements that go with its begin. */
export const inTransaction = async <T>(
  from: pg.Pool,
  work: (client: pg.PoolClient) => Promise<T>,
  opening: (client: pg.PoolClient) => string = () => '',
): Promise<T> => {
  const client = await from.connect();
  let broken: Error | undefined;
  try {
    await client.query(`begin; ${opening(client)}`);
    const result = await work(client);
    await client.query('commit');
    return result;
  } catch (error) {
    // A connection that cannot even roll back is not lent out again.
    await client.query('rollback').catch((failed: Error) => {
      broken = failed;
    });
    throw error;
  } finally {
    client.release(broken);
  }
};

/**
 * Runs `work` in a teacher's name, in one transaction: the database shows and takes that teacher's rows alone, whatever a
 * statement forgets to ask for.
 */
export const asTeacher = <T>(
  from: pg.Pool,
  teacher: TeacherId,
  work: (client: pg.PoolClient) => Promise<T>,
): Promise<T> =>
  inTransaction(
    from,
    work,
    // A setting takes no parameter; the id is one by its type, and is quoted besides.
    (client) => `set local role oculon_teacher; set local oculon.teacher = ${client.escapeLiteral(teacher)}`,
  );

export type DatabaseState = 'up' | 'slow' | 'gone';

/** How long the health check waits, in ms. */
const HEALTH_PATIENCE = 800;

/** How the database is, on a connection of its own: a busy pool says nothing about it. Answers within a second. */
export const databaseState = async (url = address()): Promise<DatabaseState> => {
  const client = new pg.Client({ connectionString: url, application_name: 'oculon health' });
  client.on('error', () => undefined);
  const answer = client
    .connect()
    .then(() => client.query('select 1'))
    .then((): DatabaseState => 'up')
    .catch((): DatabaseState => 'gone');
  let timer: NodeJS.Timeout | undefined;
  const patience = new Promise<DatabaseState>((resolve) => {
    timer = setTimeout(() => resolve('slow'), HEALTH_PATIENCE);
  });
  try {
    return await Promise.race([answer, patience]);
  } finally {
    clearTimeout(timer);
    void client.end().catch(() => undefined);
  }
};
