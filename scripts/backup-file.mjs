import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { SetupError } from './commands.mjs';
import { withClient } from './database.mjs';
import { postgresPrograms } from './postgres.mjs';

/** Runs one of PostgreSQL's own programs; the password goes by the environment, where no list of processes shows it. */
const program = (name, args, url) =>
  new Promise((resolveRun, reject) => {
    const { password, username, hostname, port, pathname } = new URL(url);
    const child = spawn(join(postgresPrograms(), name), args, {
      stdio: ['ignore', 'pipe', 'pipe'],
      env: {
        ...process.env,
        PGHOST: hostname,
        PGPORT: port || '5432',
        PGUSER: decodeURIComponent(username),
        PGPASSWORD: decodeURIComponent(password),
        PGDATABASE: pathname.slice(1),
        PGCONNECT_TIMEOUT: '5',
      },
    });
    let output = '';
    let complaint = '';
    child.stdout.on('data', (data) => (output += data));
    child.stderr.on('data', (data) => (complaint += data));
    child.on('error', (error) => reject(new SetupError(`${name} could not be started: ${error.message}`)));
    child.on('close', (code) =>
      code === 0
        ? resolveRun(output)
        : reject(new SetupError(`${name} failed: ${complaint.trim().split('\n').slice(0, 3).join(' ')}`)),
    );
  });

/** Tables without which a backup is none. */
const TABLES = ['teachers', 'pieces', 'sources', 'fingerings', 'edits', 'schema_migrations'];

/** Reads a backup from its first byte to its last; throws when it is damaged or not ours. */
export const verifyBackup = async (file, url) => {
  if (!existsSync(file)) throw new SetupError(`There is no file ${file}.`);
  const list = await program('pg_restore', ['--list', file], url);
  const missing = TABLES.filter((table) => !new RegExp(`TABLE DATA \\S+ ${table}\\b`).test(list));
  if (missing.length > 0)
    throw new SetupError(`${file} is no backup of Oculon: it holds no ${missing.join(', no ')}.`);
  await program('pg_restore', ['--file=/dev/null', file], url);
};

/** Writes a backup of a database as it is at one moment, whatever is saved meanwhile, and reads it again before it counts. */
export const writeBackup = async (url, wanted) => {
  const file = resolve(wanted);
  if (existsSync(file)) throw new SetupError(`${file} is there already; it was not written over.`);
  mkdirSync(dirname(file), { recursive: true });
  const unfinished = `${file}.unfinished`;
  try {
    await program('pg_dump', ['--format=custom', '--no-owner', '--no-acl', `--file=${unfinished}`], url);
    await verifyBackup(unfinished, url);
    renameSync(unfinished, file);
  } finally {
    rmSync(unfinished, { force: true });
  }
  return { file, bytes: statSync(file).size };
};

const named = (url, name) => Object.assign(new URL(url), { pathname: `/${name}` }).toString();

const contentsOf = (url) =>
  withClient(url, async (client) => {
    const { rows } = await client.query(
      `select (select count(*) from pieces)::int as pieces, (select count(*) from edits)::int as edits,
              (select count(*) from fingerings f where f.revision <> (select count(*) from edits e where e.fingering_id = f.id))::int as torn`,
    );
    return rows[0];
  });

/**
 * Puts a backup in the place of a database. It is restored beside it, brought up to date and looked at first; the database
 * that was there is kept under another name. Nobody may be connected.
 */
export const restoreBackup = async (url, file, stamp) => {
  const { ensureRole, migrate } = await import('../web/database/migrate.mjs');
  await verifyBackup(file, url);
  const name = new URL(url).pathname.slice(1);
  const [fresh, before] = [`${name}_restored_${stamp}`, `${name}_before_${stamp}`];
  return withClient(named(url, 'postgres'), async (client) => {
    const id = (each) => client.escapeIdentifier(each);
    const { rows } = await client.query(
      `select count(*)::int as others from pg_stat_activity where datname = $1 and pid <> pg_backend_pid()`,
      [name],
    );
    if (rows[0].others > 0)
      throw new SetupError('Oculon is running on this database. Stop it (Ctrl-C), then restore.');
    // Policies in the backup name it.
    await ensureRole(client);
    await client.query(`create database ${id(fresh)}`);
    try {
      await program(
        'pg_restore',
        ['--no-owner', '--no-acl', '--exit-on-error', `--dbname=${fresh}`, file],
        named(url, fresh),
      );
      await migrate(named(url, fresh));
      const contents = await contentsOf(named(url, fresh));
      if (contents.torn > 0) throw new SetupError(`${file} is torn: ${contents.torn} fingerings lack edits.`);
      await client.query(`alter database ${id(name)} rename to ${id(before)}`);
      try {
        await client.query(`alter database ${id(fresh)} rename to ${id(name)}`);
      } catch (error) {
        await client.query(`alter database ${id(before)} rename to ${id(name)}`);
        throw error;
      }
      return { ...contents, before };
    } catch (error) {
      await client.query(`drop database if exists ${id(fresh)}`).catch(() => undefined);
      throw error;
    }
  });
};
