import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import pg from 'pg';

const FOLDER = fileURLToPath(new URL('./migrations', import.meta.url));
/** Any number that nothing else locks: one migrator at a time per database. */
const LOCK = 7_240_114;

/** Applies the numbered migrations that a database does not have yet, each in a transaction of its own. */
export const migrate = async (url) => {
  const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: 5000 });
  // A connection that is lost fails the statement that runs on it; its event must not end the process besides.
  client.on('error', () => undefined);
  await client.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [LOCK]);
    await client.query(
      'create table if not exists schema_migrations (name text primary key, applied_at timestamptz not null default now())',
    );
    const { rows } = await client.query('select name from schema_migrations');
    const applied = new Set(rows.map((row) => row.name));
    const pending = readdirSync(FOLDER)
      .filter((name) => name.endsWith('.sql') && !applied.has(name))
      .sort();
    for (const name of pending) {
      await client.query('begin');
      try {
        await client.query(readFileSync(join(FOLDER, name), 'utf8'));
        await client.query('insert into schema_migrations (name) values ($1)', [name]);
        await client.query('commit');
      } catch (error) {
        await client.query('rollback');
        throw new Error(`migration ${name} failed: ${error.message}`, { cause: error });
      }
    }
    return pending;
  } finally {
    await client.end();
  }
};
