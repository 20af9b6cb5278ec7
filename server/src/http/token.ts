import { createHash, randomBytes } from 'node:crypto';

/** The secret of a link: 128 random bits. */
export function newToken(): string {
  return randomBytes(16).toString('base64url');
}

/** A link is kept only as its hash: who reads the database cannot open it. */
export function hashToken(token: string): string {
  return createHash('sha256').update(token).digest('hex');
}
