import type { ErrorBody } from '@map-step/contract';
import type { Request, RequestHandler } from 'express';
import { ipKeyGenerator } from 'express-rate-limit';
import { HttpFault } from '../faults/http-fault.ts';
import { openBuckets } from './buckets.ts';
import { hasSignedCookie } from './session.ts';

const AGAIN_SECONDS = 2;
/** How many requests may come at once after a quiet while, in seconds of what may come all the time. */
const BURST_SECONDS = 3;
const OWN_BURST_SECONDS = 6;

const REFUSAL = JSON.stringify({
  code: 'too-many',
  message: 'Very many requests come in at this moment. Wait a few seconds and try again.',
  id: '',
} satisfies ErrorBody);

export interface CrowdLimits {
  /** Requests a second of all whom this server has not signed in. */
  readonly all: number;
  /** Of those, from one address. */
  readonly address: number;
}

/**
 * All whom this server has not signed in share so many requests a second; each address has its own share of them first,
 * so that one that floods takes nothing from the others. What is above that is answered at once and costs nothing.
 */
export function limitCrowd({ all, address }: CrowdLimits, secret: string): RequestHandler {
  const everybody = openBuckets({ perSecond: all, burst: all * BURST_SECONDS });
  const addresses = openBuckets({ perSecond: address, burst: address * OWN_BURST_SECONDS });
  return (request, response, next) => {
    if (hasSignedCookie(request, secret)) return next();
    if (addresses.take(ipKeyGenerator(request.ip ?? '')) && everybody.take('all')) return next();
    const headers = { 'Content-Type': 'application/json', 'Retry-After': AGAIN_SECONDS, Connection: 'close' };
    response.writeHead(429, headers).end(REFUSAL);
  };
}

const BYTES_OF_ONE = 32_000;
const MOST_COST = 60;

/** How much one person may ask for, in whatever browsers; a long body counts as several requests. */
export function limitPerson(perSecond: number): (person: string, request: Request) => void {
  const people = openBuckets({ perSecond, burst: perSecond * OWN_BURST_SECONDS });
  return (person, request) => {
    const bytes = Number(request.get('content-length') ?? MOST_COST * BYTES_OF_ONE);
    const isBare = request.method === 'GET' || request.method === 'DELETE';
    const cost = isBare ? 1 : Math.min(MOST_COST, 1 + Math.floor(bytes / BYTES_OF_ONE));
    if (!people.take(person, cost))
      throw new HttpFault('too-many', 'You ask for very much at once. Wait a few seconds and try again.');
  };
}
