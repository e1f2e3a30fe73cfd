import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';
import { poolCounts } from './database/database.ts';

/** What is measured of this server; the default metrics tell memory and the delay of the event loop. */
export const metrics = new Registry();
collectDefaultMetrics({ register: metrics });

export const requestSeconds = new Histogram({
  name: 'oculon_request_seconds',
  help: 'Time to answer a request, by route, method and status',
  labelNames: ['route', 'method', 'status'],
  buckets: [0.005, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 3, 10],
  registers: [metrics],
});

export const saveSeconds = new Histogram({
  name: 'oculon_save_seconds',
  help: 'Time from the arrival of edits to their answer, by outcome',
  labelNames: ['outcome'],
  buckets: [0.005, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 3],
  registers: [metrics],
});

new Gauge({
  name: 'oculon_pool_connections',
  help: 'Database connections: all, idle, and requests that wait for one',
  labelNames: ['state'],
  registers: [metrics],
  collect() {
    for (const [state, count] of Object.entries(poolCounts())) this.set({ state }, count);
  },
});
