// npm run chaos [-- EDITS [SEED]]: edits are saved while the server, the database server and its connections are killed at
// random. At the end every acknowledged edit must be there once and in its order, and the server must never have died of
// the database.
import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  APPLICATION,
  bin,
  checkNode,
  ensurePackages,
  fingerprint,
  ROOT,
  runMain,
  runShown,
  say,
  SetupError,
} from './commands.mjs';

const EDITS = 1000;
const WINDOWS = 4;
const TEACHER = '0f3c1f64-6f0e-4a0e-9d55-0c0a0d3f5a77';
const PORT = 4298;
const ADDRESS = `http://127.0.0.1:${PORT}`;
/** Between two acts of violence, in ms. */
const PEACE = [150, 900];
/** How long an answer is waited for, and how long one edit may need in all, in ms. */
const PATIENCE = 4000;
const MOST_PER_EDIT = 60_000;

const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** Keeps a server running, and tells its own deaths from those we caused. */
class Server {
  faults = [];
  kills = 0;
  #child;
  #isWanted = true;
  #isKilled = false;
  #environment;

  constructor(environment) {
    this.#environment = environment;
    this.#start();
  }

  #start() {
    this.#isKilled = false;
    this.#child = spawn(process.execPath, ['server/main.mjs'], {
      cwd: join(ROOT, 'web'),
      env: this.#environment,
      stdio: ['ignore', 'ignore', 'pipe', 'ipc'],
    });
    let complaint = '';
    this.#child.stderr.on('data', (data) => (complaint += data));
    this.#child.on('exit', (code, signal) => {
      if (!this.#isKilled && this.#isWanted)
        this.faults.push(`died by itself (${signal ?? code}): ${complaint.slice(0, 300)}`);
      if (this.#isWanted) this.#start();
    });
  }

  kill() {
    this.#isKilled = true;
    this.kills += 1;
    this.#child.kill('SIGKILL');
  }

  end() {
    this.#isWanted = false;
    this.#child.kill('SIGTERM');
  }
}

const ask = (path, options = {}) =>
  fetch(ADDRESS + path, { signal: AbortSignal.timeout(PATIENCE), ...options });

/** One window: makes its edits one after the other, each sent until it is acknowledged, as the page does. */
const saveAll = async (fingering, count, acknowledged) => {
  let base = 0;
  for (let index = 0; index < count; index += 1) {
    const id = randomUUID();
    const edit = { kind: 'choose', note: `n${index}`, before: {}, after: { finger: 1 + (index % 4) } };
    const until = performance.now() + MOST_PER_EDIT;
    for (;;) {
      if (performance.now() > until)
        throw new SetupError(`an edit was not taken within ${MOST_PER_EDIT / 1000} s`);
      const answer = await ask(`/api/fingerings/${fingering}/edits`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', origin: ADDRESS },
        body: JSON.stringify({ base, format: 2, edits: [{ id, edit }] }),
      }).catch(() => undefined);
      if (answer?.status === 200) {
        base = (await answer.json()).revision;
        acknowledged.push(id);
        break;
      }
      if (answer !== undefined && answer.status < 500)
        throw new SetupError(`an edit was answered with ${answer.status}: ${await answer.text()}`);
      await pause(60);
    }
  }
};

const importStudy = async () => {
  for (;;) {
    const answer = await ask('/api/pieces', {
      method: 'POST',
      headers: { 'content-type': 'application/octet-stream', 'x-file-name': 'a.musicxml', origin: ADDRESS },
      body: readFileSync(join(ROOT, 'demo/studies/one-thread.musicxml')),
    }).catch(() => undefined);
    if (answer?.status === 201) return (await answer.json()).id;
    await pause(100);
  }
};

runMain(async () => {
  checkNode();
  await ensurePackages();
  const [edits = EDITS, seed = Date.now() % 100_000] = process.argv.slice(2).map(Number);
  const { startCluster } = await import('./postgres.mjs');
  const { withClient } = await import('./database.mjs');
  const { migrate } = await import('../web/database/migrate.mjs');
  const { buildApplication } = await import('../web/build.mjs');
  const stamp = fingerprint(APPLICATION);
  await buildApplication(stamp, (args) => runShown(bin('vite'), args, { cwd: join(ROOT, 'web') }));
  const cluster = await startCluster('chaos', `oculon_chaos_${Date.now()}`);
  await migrate(cluster.url);
  await withClient(cluster.url, (client) =>
    client.query(`insert into teachers (id, name) values ($1, 'Chaos')  on conflict (id) do nothing`, [
      TEACHER,
    ]),
  );
  const server = new Server({
    ...process.env,
    DATABASE_URL: cluster.url,
    OCULON_TEACHER: TEACHER,
    OCULON_ENDS_WITH: 'parent',
    PORT: String(PORT),
    ORIGIN: ADDRESS,
    LOG_LEVEL: 'silent',
  });
  let state = seed;
  const chance = () => {
    // A plain congruential sequence: only that the same seed gives the same blows matters.
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
    return state / 2_147_483_648;
  };
  let { postmaster } = cluster;
  const blows = { server: 0, postmaster: 0, connections: 0 };
  let isOver = false;
  const violence = async () => {
    while (!isOver) {
      await pause(PEACE[0] + chance() * (PEACE[1] - PEACE[0]));
      const what = chance();
      if (isOver) break;
      if (what < 0.35) {
        blows.server += 1;
        server.kill();
      } else if (what < 0.5) {
        blows.postmaster += 1;
        process.kill(postmaster, 'SIGKILL');
        postmaster = await cluster.revive();
      } else {
        blows.connections += 1;
        await withClient(cluster.url, (client) =>
          client.query(
            `select pg_terminate_backend(pid) from pg_stat_activity where pid <> pg_backend_pid() and backend_type = 'client backend' and random() < 0.6`,
          ),
        ).catch(() => undefined);
      }
    }
  };
  try {
    const pieces = [];
    for (let window = 0; window < WINDOWS; window += 1) pieces.push(await importStudy());
    const fingerings = await withClient(cluster.url, async (client) => {
      const { rows } = await client.query('select id from fingerings where piece_id = any($1::uuid[])', [
        pieces,
      ]);
      return rows.map(({ id }) => id);
    });
    const acknowledged = fingerings.map(() => []);
    const fury = violence();
    await Promise.all(
      fingerings.map((id, index) => saveAll(id, Math.ceil(edits / WINDOWS), acknowledged[index])),
    );
    isOver = true;
    await fury;
    const faults = [...server.faults];
    for (const [index, id] of fingerings.entries()) {
      const { rows } = await withClient(cluster.url, (client) =>
        client.query('select edit_id as id, revision from edits where fingering_id = $1 order by revision', [
          id,
        ]),
      );
      const kept = rows.map((row) => row.id);
      if (rows.some(({ revision }, place) => revision !== place + 1))
        faults.push(`fingering ${index}: revisions have gaps`);
      if (JSON.stringify(kept) !== JSON.stringify(acknowledged[index]))
        faults.push(
          `fingering ${index}: ${acknowledged[index].length} edits acknowledged, ${kept.length} kept, or in another order`,
        );
    }
    const all = acknowledged.reduce((sum, each) => sum + each.length, 0);
    say(
      `${all} edits acknowledged (seed ${seed}), through ${blows.server} killed servers, ${blows.postmaster} killed database servers and ${blows.connections} times cut connections.`,
    );
    faults.forEach((fault) => say(fault));
    say(
      faults.length === 0
        ? 'Every one of them is there, once and in order; the server never died of the database.'
        : `${faults.length} faults.`,
    );
    return faults.length === 0 ? 0 : 1;
  } finally {
    isOver = true;
    server.end();
    await cluster.leave();
  }
});
