import { createHash, randomBytes } from 'node:crypto';

/** Bytes of a token: beyond guessing (OWASP Session Management asks for 64 bits at least). */
const TOKEN_BYTES = 32;

/** What the database keeps of a token: who reads it there cannot use it. */
export const hashOfToken = (token: string): Buffer => createHash('sha256').update(token).digest();

/** A new secret for a cookie or a link, with what is kept of it. */
export const newToken = (): { readonly token: string; readonly hash: Buffer } => {
  const token = randomBytes(TOKEN_BYTES).toString('base64url');
  return { token, hash: hashOfToken(token) };
};
