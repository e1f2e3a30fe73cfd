import type pg from 'pg';

/** Applies the numbered migrations that a database does not have yet, each in a transaction of its own; returns their names. */
export const migrate: (url: string, folder?: string) => Promise<readonly string[]>;

/** Makes the role in whose name a teacher's work is done; it belongs to the whole cluster. */
export const ensureRole: (client: pg.ClientBase) => Promise<unknown>;
