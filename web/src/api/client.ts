import { type ErrorBody, type ErrorCode, ROUTES, type RouteName } from '@map-step/contract';
import { hearLeftOut } from './left-out.ts';

/** A refused request, as the server put it. */
export class ApiError extends Error {
  override readonly name = 'ApiError';
  readonly body: ErrorBody;

  constructor(body: ErrorBody) {
    super(body.message);
    this.body = body;
  }
}

/** The server cannot be reached at all. */
class AwayError extends Error {
  override readonly name = 'AwayError';
  constructor() {
    super('The server does not answer. What you see is kept; this page tries again by itself.');
  }
}

/** The token of this session, sent with every change. */
let csrf = 'none';
export function setCsrf(token: string | null): void {
  csrf = token ?? 'none';
}

interface CallOptions {
  readonly params?: Readonly<Record<string, string | number>>;
  readonly query?: Readonly<Record<string, string | number>>;
  readonly body?: unknown;
  /** A text sent as it is, such as a file. */
  readonly text?: string;
  readonly signal?: AbortSignal;
  /** Sent to the end though the page goes meanwhile, when it is small enough for that. */
  readonly outlives?: boolean;
}

/** Characters; browsers let 64 KB outlive a page. */
const MOST_OUTLIVING = 15_000;

/** Calls a route of the contract. Rejects with `ApiError` or `AwayError`. */
export async function call<Answer>(name: RouteName, options: CallOptions = {}): Promise<Answer> {
  const { method, path } = ROUTES[name];
  const address = path.replace(/:(\w+)/g, (_, key: string) =>
    encodeURIComponent(options.params?.[key] ?? ''),
  );
  const query = options.query ? `?${new URLSearchParams(Object.entries(options.query).map(pair))}` : '';
  const body = options.text ?? (options.body === undefined ? undefined : JSON.stringify(options.body));
  const response = await fetch(address + query, {
    method,
    headers: { 'x-csrf-token': csrf, ...(body !== undefined && { 'content-type': 'application/json' }) },
    ...(body !== undefined && { body }),
    ...(options.signal && { signal: options.signal }),
    ...(options.outlives && (body?.length ?? 0) < MOST_OUTLIVING && { keepalive: true }),
  }).catch((error: unknown) => {
    if (error instanceof DOMException && error.name === 'AbortError') throw error;
    throw new AwayError();
  });
  hearLeftOut(response);
  const answer: unknown = await response.json().catch(() => undefined);
  if (response.ok) return answer as Answer;
  throw isErrorBody(answer) ? new ApiError(answer) : new AwayError();
}

function pair([name, value]: [string, string | number]): [string, string] {
  return [name, String(value)];
}

function isErrorBody(answer: unknown): answer is ErrorBody {
  return typeof answer === 'object' && answer !== null && 'code' in answer && 'message' in answer;
}

/** True when it is the session that stands in the way: it ended, or somebody signed in anew beside this page. */
export function isAboutSession(error: unknown): boolean {
  return error instanceof ApiError && (error.body.code === 'not-signed-in' || error.body.code === 'old-page');
}

const PASSING = new Set<ErrorCode>(['database-away', 'read-only', 'storage-full']);

/** True when trying again later may work. */
export function isPassing(error: unknown): boolean {
  return error instanceof AwayError || (error instanceof ApiError && PASSING.has(error.body.code));
}
