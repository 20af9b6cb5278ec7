import type { ErrorBody, ErrorCode } from '@map-step/contract';

type Details = Pick<ErrorBody, 'problems' | 'current' | 'clashes'>;

const MOST_PROBLEMS = 50;
const LONGEST = 300;

/** Anything a request can be refused for; the one error handler turns it into an `ErrorBody`. Never long. */
export class HttpFault extends Error {
  override readonly name = 'HttpFault';
  readonly code: ErrorCode;
  readonly details: Details;

  constructor(code: ErrorCode, message: string, details: Details = {}) {
    super(shorten(message));
    this.code = code;
    this.details = details.problems ? { ...details, problems: capped(details.problems) } : details;
  }
}

function capped(problems: NonNullable<Details['problems']>): NonNullable<Details['problems']> {
  const told = problems
    .slice(0, MOST_PROBLEMS)
    .map(({ at, message }) => ({ at: shorten(at), message: shorten(message) }));
  const more = problems.length - told.length;
  return more > 0 ? [...told, { at: '', message: `and ${more} more` }] : told;
}

function shorten(text: string): string {
  return text.length > LONGEST ? `${text.slice(0, LONGEST)}…` : text;
}
