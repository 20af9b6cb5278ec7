import compression from 'compression';
import express, { type Express, type Request, type Response } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import { pinoHttp } from 'pino-http';
import type { Deps } from './deps.ts';
import { describeError } from './faults/describe-error.ts';
import { HttpFault } from './faults/http-fault.ts';
import { accountRoutes } from './features/accounts/account-routes.ts';
import { checkRoutes } from './features/checks/check-routes.ts';
import { combinationRoutes } from './features/combinations/combination-routes.ts';
import { courseRoutes } from './features/courses/course-routes.ts';
import { figureRoutes } from './features/figures/figure-routes.ts';
import { healthRoutes } from './features/health/health-routes.ts';
import { jobRoutes } from './features/jobs/job-routes.ts';
import { liveRoutes } from './features/live/live-routes.ts';
import { programmeRoutes } from './features/programme/programme-routes.ts';
import { forWhoAsks } from './features/sections/class-view.ts';
import { requireOwnClass } from './features/sections/rights.ts';
import { sectionRoutes } from './features/sections/section-routes.ts';
import { sessionRoutes } from './features/session/session-routes.ts';
import { identify } from './features/session/session-service.ts';
import { setupRoutes } from './features/setup/setup-routes.ts';
import { shareRoutes } from './features/share/share-routes.ts';
import { studentRoutes } from './features/students/student-routes.ts';
import { studioRoutes } from './features/studio/studio-routes.ts';
import { type CrowdLimits, limitCrowd, limitPerson } from './http/crowd.ts';
import { errorHandler } from './http/errors.ts';
import { knownHosts } from './http/hosts.ts';
import { findBrowser } from './http/known-browser.ts';
import { endUnfinished } from './http/loose-ends.ts';
import { mountPages, securityHeaders } from './http/pages.ts';
import { mountRoutes } from './http/route.ts';
import { createSessions, type SessionOptions } from './http/session.ts';
import { signInTries } from './http/sign-in-tries.ts';

export interface AppOptions extends Omit<SessionOptions, 'secret' | 'databaseUrl'> {
  readonly pages: string;
  /** Sign-in attempts from one address in a quarter of an hour. */
  readonly signInLimit: number;
  /** Requests of nobody in particular from one address in a minute. */
  readonly anonymousLimit: number;
  readonly crowdLimit: CrowdLimits;
  /** Requests in a second of one person who is signed in. */
  readonly personLimit: number;
  /** Names under which this server is reached, besides those of its own machine. */
  readonly hosts: readonly string[];
  /** Which proxies are believed about who asks and how: addresses, or `loopback`. */
  readonly proxies: readonly string[];
}

export interface App {
  readonly express: Express;
  close(): Promise<void>;
}

const MINUTE_MS = 60_000;
const QUARTER_HOUR_MS = 15 * MINUTE_MS;

/** Where pages of the last version send what happened in a class: it stays with them until they are loaded again. */
const GONE = [
  '/api/sections/:section/logs',
  '/api/sections/:section/attendance',
  '/api/sections/:section/notes',
  '/api/sections/:section/checks/:check/marks',
];

/** Builds the server from its parts; it listens to nothing yet. */
export function createApp(deps: Deps, options: AppOptions): App {
  const app = express();
  const sessions = createSessions({ ...options, databaseUrl: deps.databaseUrl, secret: deps.secret });
  app.disable('x-powered-by').disable('etag');
  app.set('trust proxy', options.proxies).set('query parser', 'simple');
  app.use(endUnfinished);
  app.use('/api', limitCrowd(options.crowdLimit, deps.secret));
  app.use(securityHeaders, knownHosts(options.hosts), compression({ level: 3 }));
  app.use('/api', requestLog(deps), (_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  app.use('/api', sessions.handler, anonymousLimit(options));
  app.post(
    ['/api/session', '/api/session/demo', '/api/setup', '/api/invitations/:token'],
    signInLimit(deps, options),
  );
  const guards = {
    identify: (request: Request) => identify(deps, request),
    limitPerson: limitPerson(options.personLimit),
    requireOwnClass,
    forWhoAsks,
  };
  mountRoutes(app, deps, guards, [
    ...healthRoutes,
    ...liveRoutes,
    ...sessionRoutes,
    ...studioRoutes,
    ...combinationRoutes,
    ...courseRoutes,
    ...sectionRoutes,
    ...programmeRoutes,
    ...checkRoutes,
    ...figureRoutes,
    ...jobRoutes,
    ...shareRoutes,
    ...accountRoutes,
    ...setupRoutes,
    ...studentRoutes,
  ]);
  app.post(GONE, () => {
    throw new HttpFault('old-page', 'This page is older than the server. Load it again: nothing is lost.');
  });
  app.use('/api', () => {
    throw new HttpFault('not-found', 'There is nothing at this address.');
  });
  mountPages(app, options.pages);
  app.use(errorHandler(deps.logger));
  return { express: app, close: sessions.close };
}

/** One line a request, by the name of its route: no address, which may hold a secret, no names, bodies or cookies. */
function requestLog({ logger }: Deps) {
  return pinoHttp({
    logger,
    serializers: {
      req: ({ method }: { method: string }) => ({ method }),
      res: (response: { statusCode: number }) => ({ status: response.statusCode }),
      err: describeError,
    },
    quietReqLogger: true,
    customAttributeKeys: { responseTime: 'ms' },
    customProps: (_request, response) => ({ route: (response as Response).locals?.route ?? 'none' }),
    customLogLevel: (_request, response) => (response.statusCode >= 500 ? 'warn' : 'info'),
  });
}

/** Whoever is not signed in asks only so often, whatever they ask for. */
function anonymousLimit({ anonymousLimit: limit }: AppOptions) {
  return rateLimit({
    windowMs: MINUTE_MS,
    limit,
    skip: request => request.session.owner !== undefined,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: () => {
      throw new HttpFault('too-many', 'Too many requests from this address. Wait a minute and try again.');
    },
  });
}

function signInLimit({ database, secret }: Deps, { signInLimit: limit }: AppOptions) {
  return rateLimit({
    keyGenerator: request => findBrowser(request, secret) ?? ipKeyGenerator(request.ip ?? ''),
    store: signInTries(database, secret),
    windowMs: QUARTER_HOUR_MS,
    limit,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: () => {
      throw new HttpFault('too-many', 'Too many attempts. Wait a quarter of an hour and try again.');
    },
  });
}
