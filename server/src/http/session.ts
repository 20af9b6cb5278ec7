import { randomBytes } from 'node:crypto';
import type { SignedInPerson } from '@map-step/contract';
import connectPgSimple from 'connect-pg-simple';
import type { Request, RequestHandler } from 'express';
import session from 'express-session';
import pg from 'pg';

declare module 'express-session' {
  interface SessionData {
    person: SignedInPerson;
    csrf: string;
    /** The day on which its fourteen days began again. */
    day: string;
  }
}

export interface SessionOptions {
  readonly databaseUrl: string;
  readonly secret: string;
  /** True behind TLS: the cookie is then never sent in the clear. */
  readonly secure: boolean;
}

const FOURTEEN_DAYS_MS = 14 * 24 * 3600 * 1000;

/** Sessions in PostgreSQL, so that any server of a studio knows them. `close` ends their own small pool. */
export function createSessions(options: SessionOptions): {
  handler: RequestHandler;
  close: () => Promise<void>;
} {
  const Store = connectPgSimple(session);
  const pool = new pg.Pool({ connectionString: options.databaseUrl, max: 4, connectionTimeoutMillis: 5000 });
  pool.on('error', () => undefined);
  const store = new Store({
    pool,
    tableName: 'sessions',
    // A session is not written again by every request that only reads: `keepAlive` does it once a day.
    disableTouch: true,
    pruneSessionInterval: 3600,
    errorLog: () => undefined,
  });
  const handler = session({
    store,
    name: 'map-step',
    secret: options.secret,
    resave: false,
    saveUninitialized: false,
    cookie: { httpOnly: true, sameSite: 'lax', secure: options.secure, maxAge: FOURTEEN_DAYS_MS },
  });
  const close = async () => {
    await store.close();
    await pool.end();
  };
  return { handler, close };
}

/** Lets a session live on from today; written once a day. */
export function keepAlive(request: Request, now: Date): void {
  const day = now.toISOString().slice(0, 10);
  if (request.session.person && request.session.day !== day) request.session.day = day;
}

/** Starts a new session for a person; the old session id dies with it. */
export async function beginSession(request: Request, person: SignedInPerson): Promise<void> {
  await new Promise<void>((resolve, reject) => {
    request.session.regenerate(error => (error ? reject(error) : resolve()));
  });
  request.session.person = person;
  request.session.csrf = randomBytes(16).toString('base64url');
  await new Promise<void>((resolve, reject) => {
    request.session.save(error => (error ? reject(error) : resolve()));
  });
}

export async function endSession(request: Request): Promise<void> {
  await new Promise<void>((resolve, reject) => {
    request.session.destroy(error => (error ? reject(error) : resolve()));
  });
}
