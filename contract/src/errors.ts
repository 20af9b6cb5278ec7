import type { Clash } from '@map-step/core';

/** Every way a request can fail, with its HTTP status: one table for server and browser. */
export const ERROR_STATUS = {
  'bad-request': 400,
  'not-signed-in': 401,
  'wrong-password': 401,
  'not-allowed': 403,
  /** The session is another one than the page was loaded with. */
  'old-page': 403,
  /** Asked for under the name of another server, or from a page of one. */
  'wrong-host': 403,
  'not-found': 404,
  'too-slow': 408,
  stale: 409,
  conflict: 409,
  'link-expired': 410,
  'too-large': 413,
  'unusable-file': 422,
  /** Working it out was given up: it is larger or more twisted than anything that is danced. */
  'takes-too-long': 422,
  'too-many': 429,
  internal: 500,
  'database-away': 503,
  'read-only': 503,
  'storage-full': 507,
} as const satisfies Record<string, number>;

export type ErrorCode = keyof typeof ERROR_STATUS;

/** What a failed request answers: what is wrong, where, and what to do; never how the server is built. */
export interface ErrorBody {
  readonly code: ErrorCode;
  readonly message: string;
  /** Of this one failure, as the server's log names it. */
  readonly id: string;
  readonly problems?: readonly { readonly at: string; readonly message: string }[];
  /** With `stale`: what stands on the server now, and where two people differ. */
  readonly current?: unknown;
  readonly clashes?: readonly Clash[];
}
