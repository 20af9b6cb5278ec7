import type { ErrorBody, ErrorCode } from '@map-step/contract';

type Details = Pick<ErrorBody, 'problems' | 'current' | 'clashes'>;

/** Anything a request can be refused for; the one error handler turns it into an `ErrorBody`. */
export class HttpFault extends Error {
  override readonly name = 'HttpFault';
  readonly code: ErrorCode;
  readonly details: Details;

  constructor(code: ErrorCode, message: string, details: Details = {}) {
    super(message);
    this.code = code;
    this.details = details;
  }
}
