import type { ErrorBody } from '@map-step/contract';
import type { Request, RequestHandler } from 'express';
import { ipKeyGenerator } from 'express-rate-limit';
import { openBuckets } from '../bounds/buckets.ts';
import { refuseLater } from '../bounds/refuse-later.ts';
import { HttpFault } from '../faults/http-fault.ts';
import { findSignedSession } from './session.ts';

const AGAIN_SECONDS = 2;
/** How many requests may come at once after a quiet while, in seconds of what may come all the time. */
const BURST_SECONDS = 3;
const OWN_BURST_SECONDS = 6;

const REFUSAL = JSON.stringify({
  code: 'too-many',
  message: 'Very many requests come in at this moment. Wait a few seconds and try again.',
  id: '',
} satisfies ErrorBody);

/** Requests in a second: of all who are not signed in, of each address among them, of each session. */
export interface CrowdLimits {
  readonly all: number;
  readonly address: number;
  readonly session: number;
}

const inSeconds = (perSecond: number, seconds: number) => ({ perSecond, burst: perSecond * seconds });

/**
 * All whom this server has not signed in share so many requests a second; each address has its own share of them first,
 * so that one that floods takes nothing from the others. A session has its own. What is above that is refused
 * before anything is read or asked of the database.
 */
export function limitCrowd({ all, address, session }: CrowdLimits, secret: string): RequestHandler {
  const everybody = openBuckets(inSeconds(all, BURST_SECONDS));
  const addresses = openBuckets(inSeconds(address, OWN_BURST_SECONDS));
  const sessions = openBuckets(inSeconds(session, OWN_BURST_SECONDS));
  return (request, response, next) => {
    const signed = findSignedSession(request, secret);
    const isLeft =
      signed !== undefined
        ? sessions.take(signed, costOf(request))
        : addresses.take(ipKeyGenerator(request.ip ?? '')) && everybody.take('all');
    if (isLeft) return next();
    const headers = { 'Content-Type': 'application/json', 'Retry-After': AGAIN_SECONDS, Connection: 'close' };
    refuseLater(response, () => response.writeHead(429, headers).end(REFUSAL));
  };
}

const BYTES_OF_ONE = 32_000;
const MOST_COST = 60;

/** A long body counts as several requests. */
function costOf(request: Request): number {
  if (request.method === 'GET' || request.method === 'DELETE') return 1;
  const bytes = Number(request.get('content-length') ?? MOST_COST * BYTES_OF_ONE);
  return Math.min(MOST_COST, 1 + Math.floor(bytes / BYTES_OF_ONE));
}

export interface PersonLimit {
  /** Refuses a person who asks for too much at once. */
  ask(person: string, request: Request): void;
  /** A long answer counts as several requests too. */
  answered(person: string, length: number): void;
}

/** How much one person may ask for, in whatever browsers. */
export function limitPerson(perSecond: number): PersonLimit {
  const people = openBuckets(inSeconds(perSecond, OWN_BURST_SECONDS));
  return {
    ask(person, request) {
      if (!people.take(person, costOf(request)))
        throw new HttpFault('too-many', 'You ask for very much at once. Wait a few seconds and try again.');
    },
    answered: (person, length) => people.charge(person, Math.floor(length / BYTES_OF_ONE)),
  };
}
