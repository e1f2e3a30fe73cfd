/** Applies the numbered migrations that a database does not have yet, each in a transaction of its own; returns their names. */
export const migrate: (url: string) => Promise<readonly string[]>;
