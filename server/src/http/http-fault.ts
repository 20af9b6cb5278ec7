import type { ErrorBody, ErrorCode } from '@map-step/contract';

/** Anything a request can be refused for; the one error handler turns it into an `ErrorBody`. */
export class HttpFault extends Error {
  override readonly name = 'HttpFault';
  readonly code: ErrorCode;
  readonly details: Pick<ErrorBody, 'problems' | 'current'>;

  constructor(code: ErrorCode, message: string, details: Pick<ErrorBody, 'problems' | 'current'> = {}) {
    super(message);
    this.code = code;
    this.details = details;
  }
}
