import { error } from '@sveltejs/kit';
import { log } from '../log.ts';

/** What became of a statement that failed, as far as whoever asked can do something about it. */
export type DatabaseTrouble = 'unavailable' | 'not-storable';

/**
 * SQLSTATE codes and classes, and codes of the connection, by what they mean (PostgreSQL 15, appendix A): no connection,
 * shut down, too many connections, no lock or no answer in time; text or numbers that a column cannot hold.
 */
const TROUBLES: readonly (readonly [RegExp, DatabaseTrouble])[] = [
  [/^(08|53|57P|XX000$|55P03$|57014$|25P03$|40001$|40P01$)/, 'unavailable'],
  [/^(ECONN|EPIPE|ETIMEDOUT|ENOTFOUND|EHOSTUNREACH)/, 'unavailable'],
  [/^(22021|22P02|22P05|22003|22001)$/, 'not-storable'],
];
/** Failures of the driver that carry no code. */
const UNCODED = /timeout|terminated|Connection ended|not queryable|client was closed/i;

export const troubleOf = (cause: unknown): DatabaseTrouble | undefined => {
  if (!(cause instanceof Error)) return undefined;
  const code = (cause as { code?: unknown }).code;
  if (typeof code === 'string') return TROUBLES.find(([pattern]) => pattern.test(code))?.[1];
  return UNCODED.test(cause.message) ? 'unavailable' : undefined;
};

/** The work of a route that needs the database: where that cannot answer, 503; where it cannot keep what was sent, 400. */
export const withDatabase = async <T>(work: () => Promise<T>): Promise<T> => {
  try {
    return await work();
  } catch (cause) {
    const trouble = troubleOf(cause);
    if (trouble === undefined) throw cause;
    log.warn({ err: cause }, `database: ${trouble}`);
    if (trouble === 'not-storable')
      error(400, 'This cannot be kept: it holds text or numbers that do not fit.');
    error(503, 'The database does not answer just now. Nothing was lost; try again in a moment.');
  }
};
