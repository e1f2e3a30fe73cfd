// Waits for the end of a process that uses the cluster, however it ends, and leaves the cluster for it. The pipe from that
// process closes with it. Started by postgres.mjs, in a session of its own.
import { leaveCluster } from './postgres.mjs';

const [home, pid] = process.argv.slice(2);
// A process that ends in order needs a moment to stop what uses the database.
const PATIENCE = 300;

for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => undefined);
process.stdin.resume();
process.stdin.on('end', () =>
  setTimeout(() => leaveCluster(home, pid).finally(() => process.exit(0)), PATIENCE),
);
