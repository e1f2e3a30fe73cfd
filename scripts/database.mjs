import pg from 'pg';
import { MigrationProblem } from '../web/database/migrate.mjs';
import { SetupError } from './commands.mjs';

/** How long a database may take to answer, in ms. */
const PATIENCE = 5000;

/** Where a database is, without its password. */
const placeOf = (url) => {
  try {
    const { host, pathname } = new URL(url);
    return `${host}${pathname}`;
  } catch {
    return 'DATABASE_URL';
  }
};

/** Runs `work`; a database that cannot be reached is told in one line. */
export const reaching = async (url, work) => {
  try {
    return await work();
  } catch (error) {
    if (error instanceof SetupError) throw error;
    if (error instanceof MigrationProblem) throw new SetupError(error.message, { cause: error });
    const reason = error.errors?.[0]?.message ?? error.message;
    const isReach =
      /^(ECONN|ENOTFOUND|EHOST|ETIMEDOUT|ENET|EAI|28|3D|08|57P|53)/.test(error.code ?? '') ||
      /timeout|Invalid URL|terminated|SASL|connect/i.test(reason);
    if (!isReach) throw error;
    throw new SetupError(
      `The database at ${placeOf(url)} does not answer: ${reason.split('\\n')[0]}. Check DATABASE_URL.`,
      { cause: error },
    );
  }
};

/** A connection for the time of `work`. */
export const withClient = (url, work) =>
  reaching(url, async () => {
    const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: PATIENCE });
    client.on('error', () => undefined);
    await client.connect();
    try {
      return await work(client);
    } finally {
      await client.end().catch(() => undefined);
    }
  });

/** Creates a database that is not there yet. */
export const createDatabase = (url, name) =>
  withClient(url, async (client) => {
    const { rowCount } = await client.query('select 1 from pg_database where datname = $1', [name]);
    if (rowCount === 0) await client.query(`create database ${client.escapeIdentifier(name)}`);
  });
