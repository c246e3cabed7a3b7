import { createHash, randomBytes, randomInt } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';

/** A token nobody guesses, and what it is found by: the token itself is kept nowhere here. */
export interface Token {
  readonly token: string;
  readonly hash: string;
}

const TOKEN_BYTES = 32;

export function newToken(): Token {
  const token = randomBytes(TOKEN_BYTES).toString('base64url');
  return { token, hash: tokenHash(token) };
}

/** What a token is found by. It is long and random: a plain hash of it tells nothing. */
export const tokenHash = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Letters that are not taken for one another when they are read off a screen. */
const CLEAR = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';

/** A code to be typed once: three groups of four. */
export const newCode = (): string =>
  [0, 1, 2].map(() => Array.from({ length: 4 }, () => CLEAR[randomInt(CLEAR.length)]).join('')).join('-');

/** The same code however it was typed. */
export const normalizeCode = (code: string): string => code.toUpperCase().replace(/[^A-Z0-9]/g, '');

/** What a passphrase or PIN is checked by (argon2id). */
export const hashSecret = (secret: string): Promise<string> => hash(secret.normalize('NFKC'));

/** Whether a passphrase or PIN is the one. With nothing kept the answer takes as long, and is no. */
export async function verifySecret(kept: string | null, secret: string): Promise<boolean> {
  const right = await verify(kept ?? (await nobody), secret.normalize('NFKC')).catch(() => false);
  return kept !== null && right;
}

const nobody = hashSecret(randomBytes(16).toString('hex'));
