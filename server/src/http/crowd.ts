import type { ErrorBody } from '@map-step/contract';
import type { RequestHandler } from 'express';
import { hasSignedCookie } from './session.ts';

const AGAIN_SECONDS = 2;
/** How many requests the crowd may send at once after a quiet while, in seconds of what it may send all the time. */
const BURST_SECONDS = 3;

const REFUSAL = JSON.stringify({
  code: 'too-many',
  message: 'Very many requests come in at this moment. Wait a few seconds and try again.',
  id: '',
} satisfies ErrorBody);

/**
 * All whom this server has not signed in share so many requests a second, whatever addresses they come from. What is
 * above that is answered at once and costs nothing: those who are signed in do not wait for it.
 */
export function limitCrowd(perSecond: number, secret: string): RequestHandler {
  let left = perSecond * BURST_SECONDS;
  let filled = performance.now();
  return (request, response, next) => {
    if (hasSignedCookie(request, secret)) return next();
    const now = performance.now();
    left = Math.min(perSecond * BURST_SECONDS, left + ((now - filled) / 1000) * perSecond);
    filled = now;
    if (left >= 1) {
      left -= 1;
      return next();
    }
    const headers = { 'Content-Type': 'application/json', 'Retry-After': AGAIN_SECONDS, Connection: 'close' };
    response.writeHead(429, headers).end(REFUSAL);
  };
}
