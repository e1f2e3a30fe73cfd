import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import pg from 'pg';

const FOLDER = fileURLToPath(new URL('./migrations', import.meta.url));
const sqlOf = (name) => readFileSync(fileURLToPath(new URL(`./${name}`, import.meta.url)), 'utf8');
/** Any number that nothing else locks: one migrator at a time per database. */
const LOCK = 7_240_114;

const digestOf = (text) => createHash('sha256').update(text.replaceAll('\r\n', '\n')).digest('hex');

/** Database and folder do not fit; the message says what to do. */
export class MigrationProblem extends Error {}

/** The numbered migrations of a folder, in order. Throws when two have one number or one is missing. */
export const migrationsIn = (folder = FOLDER) => {
  const names = readdirSync(folder)
    .filter((name) => name.endsWith('.sql'))
    .sort();
  names.forEach((name, index) => {
    if (Number(/^(\d{4})_/.exec(name)?.[1]) !== index + 1)
      throw new MigrationProblem(
        `Migrations are numbered 0001, 0002 and so on: ${name} stands at place ${index + 1}`,
      );
  });
  return names.map((name) => {
    const sql = readFileSync(join(folder, name), 'utf8');
    return { name, sql, digest: digestOf(sql) };
  });
};

/**
 * What is left to apply, once the migrations applied so far are found to be the first ones of the folder, unchanged since.
 * Those applied before digests were kept count as unchanged.
 */
const pendingOf = (all, applied) => {
  applied.forEach(({ name, digest }, index) => {
    const own = all[index];
    if (!own)
      throw new MigrationProblem(
        `The database has the migration ${name}, which this Oculon does not know: it belongs to a newer one. Start that one, or restore a backup of before.`,
      );
    if (own.name !== name)
      throw new MigrationProblem(
        `The database has the migration ${name} where ${own.name} was expected: it belongs to another program. Use another database.`,
      );
    if (digest !== null && digest !== own.digest)
      throw new MigrationProblem(
        `The migration ${name} was changed after the database had taken it. Put the file back as it was published, or begin with an empty database.`,
      );
  });
  return all.slice(applied.length);
};

/** Makes the role in whose name a teacher's work is done; it belongs to the whole cluster. */
export const ensureRole = (client) => client.query(sqlOf('role.sql'));

/**
 * Applies the numbered migrations that a database does not have yet, each in a transaction of its own, and makes sure of
 * what a teacher's role may do.
 */
export const migrate = async (url, folder = FOLDER) => {
  const all = migrationsIn(folder);
  const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: 5000 });
  // A connection that is lost fails the statement that runs on it; its event must not end the process besides.
  client.on('error', () => undefined);
  await client.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [LOCK]);
    await client.query(
      'create table if not exists schema_migrations (name text primary key, applied_at timestamptz not null default now())',
    );
    await client.query('alter table schema_migrations add column if not exists digest text');
    const { rows } = await client.query('select name, digest from schema_migrations order by name');
    const pending = pendingOf(all, rows);
    await ensureRole(client);
    for (const { name, sql, digest } of pending) {
      await client.query('begin');
      try {
        await client.query(sql);
        await client.query('insert into schema_migrations (name, digest) values ($1, $2)', [name, digest]);
        await client.query('commit');
      } catch (error) {
        await client.query('rollback');
        throw new MigrationProblem(
          `The migration ${name} failed: ${error.message}${error.hint ? ` ${error.hint}` : ''}`,
          {
            cause: error,
          },
        );
      }
    }
    await client.query(sqlOf('grants.sql'));
    return pending.map(({ name }) => name);
  } finally {
    await client.end();
  }
};
