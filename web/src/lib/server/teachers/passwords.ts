import { hash, verify, type Options } from '@node-rs/argon2';
import * as z from 'zod';

/** Argon2id in the package's own numbering, whose enumeration is not there at run time. */
const ARGON2ID = 2 as NonNullable<Options['algorithm']>;
/**
 * 19 MiB, two passes, one lane: the least that OWASP's Password Storage Cheat Sheet recommends (from memory, as of 2024).
 */
const PARAMETERS: Options = { algorithm: ARGON2ID, memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** Length alone makes a password good: no rules about its characters (NIST SP 800-63B, 5.1.1.2). */
export const SHORTEST_PASSWORD = 10;
const LONGEST_PASSWORD = 200;
export const passwordSchema = z
  .string()
  .min(SHORTEST_PASSWORD, { error: `A password has ${SHORTEST_PASSWORD} characters at least.` })
  .max(LONGEST_PASSWORD, { error: `A password has ${LONGEST_PASSWORD} characters at most.` });

export const hashPassword = (password: string): Promise<string> =>
  hash(password.normalize('NFC'), PARAMETERS);

/** Stands in for the hash of somebody who is not there, so that looking takes the same time. */
let nobody: Promise<string> | undefined;
const hashOfNobody = (): Promise<string> => (nobody ??= hashPassword('nobody has this password'));

/** Whether a password belongs to a hash; takes as long when there is none. */
export const isPassword = async (stored: string | null | undefined, password: string): Promise<boolean> => {
  const fits = await verify(stored ?? (await hashOfNobody()), password.normalize('NFC')).catch(() => false);
  return fits && typeof stored === 'string';
};
