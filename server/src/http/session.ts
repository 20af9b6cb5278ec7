import { createHash, randomBytes } from 'node:crypto';
import connectPgSimple from 'connect-pg-simple';
import { parse } from 'cookie';
import { unsign } from 'cookie-signature';
import type { Request, RequestHandler } from 'express';
import session from 'express-session';
import pg from 'pg';

/** Whose a session is. Their name and role are read with each request: they may have changed since. */
export interface SessionOwner {
  readonly studio: string;
  readonly id: string;
  /** The account they signed in by; none in the demo. */
  readonly account?: string;
  /** How often its password had been changed then: with another one since, the session holds no longer. */
  readonly epoch?: number;
}

declare module 'express-session' {
  interface SessionData {
    owner: SessionOwner;
    csrf: string;
    /** The day on which its fourteen days began again. */
    day: string;
    /** When it began, and on what. */
    since: string;
    device: string;
  }
}

export interface SessionOptions {
  readonly databaseUrl: string;
  readonly secret: string;
  /** True: the cookie is never sent in the clear. Otherwise it goes as its request came. */
  readonly secure: boolean;
}

const COOKIE = 'map-step';
const FOURTEEN_DAYS_MS = 14 * 24 * 3600 * 1000;
/** However often it is used, a session ends after so long. */
export const LONGEST_DAYS = 30;
const LONGEST_MS = LONGEST_DAYS * 24 * 3600 * 1000;

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
    name: COOKIE,
    secret: options.secret,
    resave: false,
    saveUninitialized: false,
    cookie: {
      httpOnly: true,
      sameSite: 'lax',
      secure: options.secure || 'auto',
      maxAge: FOURTEEN_DAYS_MS,
    },
  });
  const close = async () => {
    await store.close();
    await pool.end();
  };
  return { handler, close };
}

/** The session of a cookie that this server signed: whose it is, and whether it still holds, is another question. */
export function findSignedSession(request: Request, secret: string): string | undefined {
  const value = parse(request.headers.cookie ?? '')[COOKIE] ?? '';
  return unsign(value.replace(/^s:/, ''), secret) || undefined;
}

/** Lets a session live on from today; written once a day. */
export function keepAlive(request: Request, now: Date): void {
  const day = now.toISOString().slice(0, 10);
  if (!request.session.owner || request.session.day === day) return;
  request.session.day = day;
  request.session.since ??= now.toISOString();
}

/** Whose a request is, while its session has not gone on for too long. */
export function ownerOf(request: Request, now: Date): SessionOwner | undefined {
  const { owner, since } = request.session;
  const isOver = since !== undefined && now.getTime() - Date.parse(since) > LONGEST_MS;
  return isOver ? undefined : owner;
}

/** Starts a new session for a person; the old session id dies with it, and whoever calls tells its streams. */
export async function beginSession(request: Request, owner: SessionOwner, now: Date): Promise<void> {
  await settled(done => request.session.regenerate(done));
  request.session.owner = owner;
  request.session.csrf = randomBytes(16).toString('base64url');
  request.session.since = now.toISOString();
  request.session.device = deviceOf(request);
  await settled(done => request.session.save(done));
}

export async function endSession(request: Request): Promise<void> {
  await settled(done => request.session.destroy(done));
}

/** A session told to other servers: nobody can make its cookie of this. */
export function nameOfSession(request: Request): string {
  return nameOfSessionId(request.sessionID);
}

export function nameOfSessionId(id: string): string {
  return createHash('sha256').update(id).digest('base64url');
}

/** What somebody sits at, as far as a browser tells; enough to know one's own sessions apart. */
function deviceOf(request: Request): string {
  const agent = request.get('user-agent') ?? '';
  if (/tablet/i.test(agent)) return 'tablet';
  return /mobi/i.test(agent) ? 'phone' : 'computer';
}

function settled(work: (done: (error?: unknown) => void) => unknown): Promise<void> {
  return new Promise((resolve, reject) => {
    work(error => (error ? reject(error) : resolve()));
  });
}
