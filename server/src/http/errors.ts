import { randomUUID } from 'node:crypto';
import { ERROR_STATUS, type ErrorBody } from '@map-step/contract';
import type { ErrorRequestHandler } from 'express';
import type { Logger } from 'pino';
import { NO_DIRECTOR_LEFT } from '../db/migrations/0013-doors.ts';
import { describeError, driverError } from '../faults/describe-error.ts';
import { HttpFault } from '../faults/http-fault.ts';

const RETRY_SECONDS = 2;

/** The one place where a thrown error becomes an answer. Only unexpected ones are logged with their stack. */
export function errorHandler(logger: Logger): ErrorRequestHandler {
  // Express knows an error handler by its four parameters.
  return (error: unknown, _request, response, _next) => {
    if (response.headersSent) {
      logger.warn({ fault: describeError(error) }, 'an answer was cut short');
      if (!response.writableEnded) response.destroy();
      return;
    }
    const id = randomUUID();
    const fault = toFault(error);
    if (ERROR_STATUS[fault.code] >= 500 && fault.code !== 'database-away')
      logger.error({ fault: describeError(error), id }, 'unexpected error');
    if (ERROR_STATUS[fault.code] === 503) response.set('Retry-After', String(RETRY_SECONDS));
    const body: ErrorBody = { code: fault.code, message: fault.message, id, ...fault.details };
    response.status(ERROR_STATUS[fault.code]).json(body);
  };
}

const INTERNAL = new HttpFault('internal', 'Something went wrong here. Nothing was changed; try again.');

/** What a person is told of an error. */
export function toFault(error: unknown): HttpFault {
  if (error instanceof HttpFault) return error;
  if (!(error instanceof Error)) return INTERNAL;
  if (isDatabaseAway(error))
    return new HttpFault(
      'database-away',
      'The database does not answer. Nothing was lost; try again in a moment.',
    );
  const refusal = REFUSALS.find(({ codes }) => codes.has(codeOf(error)));
  if (refusal) return refusal.fault;
  if ('type' in error && error.type === 'encoding.unsupported')
    return new HttpFault('bad-request', 'Compressed requests are not taken. Send it as it is.');
  if ('type' in error && error.type === 'entity.too.large')
    return new HttpFault('too-large', 'This is larger than the server takes. Send it in smaller parts.');
  if ('status' in error && typeof error.status === 'number' && error.status >= 400 && error.status < 500)
    return new HttpFault(
      error.status === 404 ? 'not-found' : 'bad-request',
      'The request could not be read.',
    );
  return INTERNAL;
}

/** What PostgreSQL says when it may not or cannot write; the transaction is rolled back whole. */
const REFUSALS: readonly { readonly codes: ReadonlySet<string>; readonly fault: HttpFault }[] = [
  {
    codes: new Set(['53100', '58030']),
    fault: new HttpFault(
      'storage-full',
      'The disk of the database is full, so nothing can be stored now. Nothing was changed; tell whoever runs the server.',
    ),
  },
  {
    codes: new Set(['23505']),
    fault: new HttpFault('conflict', 'Somebody has just written this too. Load it again and look.'),
  },
  {
    codes: new Set(['23503']),
    fault: new HttpFault(
      'conflict',
      'Something that this names has just been taken away. Load it again and look.',
    ),
  },
  {
    codes: new Set(['23514', '54000']),
    fault: new HttpFault('bad-request', 'This is not something that can be kept. Nothing was changed.'),
  },
  {
    codes: new Set(['22021', '22P05']),
    fault: new HttpFault('bad-request', 'The file holds NUL characters. Save it as UTF-8 text.'),
  },
  {
    codes: new Set([NO_DIRECTOR_LEFT]),
    fault: new HttpFault(
      'conflict',
      'A studio keeps one director who can sign in. Make somebody else one first.',
    ),
  },
  {
    codes: new Set(['25006']),
    fault: new HttpFault(
      'read-only',
      'The database takes no changes at the moment. Nothing was changed; what you see stays readable.',
    ),
  },
];

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
  return (
    /^Sequelize(Connection|HostNot|AccessDenied|InvalidConnection)/.test(error.name) ||
    AWAY_CODES.has(codeOf(error)) ||
    GONE_MIDWAY.test(driverError(error)?.message ?? error.message)
  );
}

function codeOf(error: Error): string {
  return driverError(error)?.code ?? ('code' in error ? String(error.code) : '');
}
