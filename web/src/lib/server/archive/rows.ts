/** Times as text that keeps what the database keeps: microseconds, in UTC. */
export const timed = (column: string): string =>
  `to_char(${column} at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"')`;

/** A row as the database gives it. */
// eslint-disable-next-line @typescript-eslint/no-explicit-any -- read by the schema of the archive
export type Row = Record<string, any>;

/** Rows by what one of their columns says, without that column. */
export const grouped = (rows: readonly Row[], key: string): ReadonlyMap<string, readonly Row[]> => {
  const groups = new Map<string, Row[]>();
  for (const { [key]: of, ...row } of rows) groups.set(of, [...(groups.get(of) ?? []), row]);
  return groups;
};
