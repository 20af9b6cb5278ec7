import { randomUUID } from 'node:crypto';
import { ERROR_STATUS, type ErrorBody } from '@map-step/contract';
import type { ErrorRequestHandler } from 'express';
import type { Logger } from 'pino';
import { HttpFault } from './http-fault.ts';

const RETRY_SECONDS = 2;

/** The one place where a thrown error becomes an answer. Only unexpected ones are logged with their stack. */
export function errorHandler(logger: Logger): ErrorRequestHandler {
  // Express knows an error handler by its four parameters.
  return (error: unknown, _request, response, _next) => {
    if (response.headersSent) {
      logger.warn({ err: error }, 'an answer was cut short');
      if (!response.writableEnded) response.destroy();
      return;
    }
    const id = randomUUID();
    const fault = toFault(error);
    if (fault.code === 'internal') logger.error({ err: error, id }, 'unexpected error');
    if (fault.code === 'database-away') response.set('Retry-After', String(RETRY_SECONDS));
    const body: ErrorBody = { code: fault.code, message: fault.message, id, ...fault.details };
    response.status(ERROR_STATUS[fault.code]).json(body);
  };
}

const INTERNAL = new HttpFault('internal', 'Something went wrong here. Nothing was changed; try again.');

function toFault(error: unknown): HttpFault {
  if (error instanceof HttpFault) return error;
  if (!(error instanceof Error)) return INTERNAL;
  if (isDatabaseAway(error))
    return new HttpFault(
      'database-away',
      'The database does not answer. Nothing was lost; try again in a moment.',
    );
  if ('type' in error && error.type === 'entity.too.large')
    return new HttpFault('too-large', 'This is larger than the server takes. Send it in smaller parts.');
  if ('status' in error && typeof error.status === 'number' && error.status >= 400 && error.status < 500)
    return new HttpFault(
      error.status === 404 ? 'not-found' : 'bad-request',
      'The request could not be read.',
    );
  return INTERNAL;
}

/** How the driver says that its connection broke under a query. */
const GONE_MIDWAY =
  /Connection (terminated|ended|lost)|not queryable|terminating connection|timeout exceeded when trying to connect/i;
const AWAY_CODES = new Set([
  '57P01',
  '57P02',
  '57P03',
  '08000',
  '08003',
  '08006',
  'ECONNREFUSED',
  'ECONNRESET',
]);

function isDatabaseAway(error: Error): boolean {
  const parent =
    'parent' in error ? (error.parent as { code?: string; message?: string } | undefined) : undefined;
  const code = parent?.code ?? ('code' in error ? String(error.code) : undefined);
  return (
    /^Sequelize(Connection|HostNot|AccessDenied|InvalidConnection)/.test(error.name) ||
    (code !== undefined && AWAY_CODES.has(code)) ||
    GONE_MIDWAY.test(parent?.message ?? error.message)
  );
}
