import {
  type AnswerOf,
  type BodyOf,
  type ErrorBody,
  type ErrorCode,
  PATHS,
  type ParamsOf,
  type QueryOf,
  type RouteName,
  type RoutePath,
} from '@map-step/contract';
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

/** What is sent may not be changed by whoever sends it. */
type Sent<Value> = Value extends readonly (infer Entry)[]
  ? readonly Sent<Entry>[]
  : Value extends object
    ? { readonly [Key in keyof Value]: Sent<Value[Key]> }
    : Value;

/** Asked for where the route has it. */
type Part<Key extends string, Value> = [Value] extends [undefined]
  ? unknown
  : object extends Value
    ? { readonly [Name in Key]?: Sent<Value> }
    : { readonly [Name in Key]: Sent<Value> };

export type CallOptions<Name extends RouteName> = Part<'params', ParamsOf<Name>> &
  Part<'query', QueryOf<Name>> &
  Part<'body', BodyOf<Name>> & {
    readonly signal?: AbortSignal;
    /** Sent to the end though the page goes meanwhile, when it is small enough for that. */
    readonly outlives?: boolean;
  };

/** The same for any route, as it is sent. */
interface AnyOptions {
  readonly params?: Readonly<Record<string, string | number>>;
  readonly query?: Readonly<Record<string, string | number | readonly string[] | undefined>>;
  readonly body?: unknown;
  readonly signal?: AbortSignal;
  readonly outlives?: boolean;
}

/** Characters; browsers let 64 KB outlive a page. */
const MOST_OUTLIVING = 15_000;

/** Calls a route of the contract. Rejects with `ApiError` or `AwayError`. */
export async function call<Name extends RouteName>(
  name: Name,
  ...given: object extends CallOptions<Name> ? [CallOptions<Name>?] : [CallOptions<Name>]
): Promise<AnswerOf<Name>> {
  const options: AnyOptions = given[0] ?? {};
  const { method, path, takes }: RoutePath = PATHS[name];
  const address = path.replace(/:(\w+)/g, (_, key: string) =>
    encodeURIComponent(options.params?.[key] ?? ''),
  );
  const query = options.query ? `?${new URLSearchParams(Object.entries(options.query).flatMap(pair))}` : '';
  const body = takes === 'file' ? String(options.body) : JSON.stringify(options.body);
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
  if (response.ok) return answer as AnswerOf<Name>;
  throw isErrorBody(answer) ? new ApiError(answer) : new AwayError();
}

function pair([name, value]: [string, string | number | readonly string[] | undefined]): [string, string][] {
  return value === undefined ? [] : [[name, String(value)]];
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
