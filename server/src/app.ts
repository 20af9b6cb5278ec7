import { ROUTES } from '@map-step/contract';
import compression from 'compression';
import express, { type Express } from 'express';
import { rateLimit } from 'express-rate-limit';
import { pinoHttp } from 'pino-http';
import type { Deps } from './deps.ts';
import { checkRoutes } from './features/checks/check-routes.ts';
import { courseRoutes } from './features/courses/course-routes.ts';
import { figureRoutes } from './features/figures/figure-routes.ts';
import { healthRoutes } from './features/health/health-routes.ts';
import { jobRoutes } from './features/jobs/job-routes.ts';
import { liveRoutes } from './features/live/live-routes.ts';
import { sectionRoutes } from './features/sections/section-routes.ts';
import { sessionRoutes } from './features/session/session-routes.ts';
import { shareRoutes } from './features/share/share-routes.ts';
import { IMPORT_PATH, studioRoutes } from './features/studio/studio-routes.ts';
import { errorHandler } from './http/errors.ts';
import { HttpFault } from './http/http-fault.ts';
import { mountPages, securityHeaders } from './http/pages.ts';
import { mountRoutes } from './http/route.ts';
import { createSessions, type SessionOptions } from './http/session.ts';
import { signInTries } from './http/sign-in-tries.ts';

export interface AppOptions extends SessionOptions {
  readonly pages: string;
  /** Sign-in attempts from one address in a quarter of an hour. */
  readonly signInLimit: number;
}

export interface App {
  readonly express: Express;
  close(): Promise<void>;
}

const MAX_BODY = '1mb';
const MAX_IMPORT = '32mb';
const QUARTER_HOUR_MS = 900_000;

/** Builds the server from its parts; it listens to nothing yet. */
export function createApp(deps: Deps, options: AppOptions): App {
  const app = express();
  const sessions = createSessions(options);
  app.disable('x-powered-by').disable('etag');
  app.use(securityHeaders, compression({ level: 3 }));
  app.use('/api', requestLog(deps), (_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  app.use([IMPORT_PATH, ROUTES['table.import'].path], express.text({ type: () => true, limit: MAX_IMPORT }));
  app.use('/api', express.text({ type: 'application/json', limit: MAX_BODY }), sessions.handler);
  app.post(['/api/session', '/api/setup'], signInLimit(deps, options));
  mountRoutes(app, deps, [
    ...healthRoutes,
    ...liveRoutes,
    ...sessionRoutes,
    ...studioRoutes,
    ...courseRoutes,
    ...sectionRoutes,
    ...checkRoutes,
    ...figureRoutes,
    ...jobRoutes,
    ...shareRoutes,
  ]);
  app.use('/api', () => {
    throw new HttpFault('not-found', 'There is nothing at this address.');
  });
  mountPages(app, options.pages);
  app.use(errorHandler(deps.logger));
  return { express: app, close: sessions.close };
}

/** One line a request, without names, bodies, cookies or the secrets that stand in addresses. */
function requestLog({ logger }: Deps) {
  return pinoHttp({
    logger,
    serializers: {
      req: (request: { method: string; url: string }) => ({
        method: request.method,
        url: request.url.replace(/\/share\/[^/?]+/, '/share/…'),
      }),
      res: (response: { statusCode: number }) => ({ status: response.statusCode }),
    },
    quietReqLogger: true,
    customLogLevel: (_request, response) => (response.statusCode >= 500 ? 'warn' : 'info'),
  });
}

function signInLimit({ database }: Deps, { signInLimit: limit, secret }: AppOptions) {
  return rateLimit({
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
