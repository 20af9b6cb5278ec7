// Whoever asks too fast waits for the refusal: a client that goes on at once slows down by itself, and the others have the server.
import type { Response } from 'express';

const WAIT_MS = 1000;
/** Refusals that wait at a time; what is above that is answered at once. */
const MOST_WAITING = 1000;

let waiting = 0;

/** Answers a while later, unless whoever asked has gone by then. */
export function refuseLater(response: Response, answer: () => void): void {
  if (waiting >= MOST_WAITING) {
    answer();
    return;
  }
  waiting += 1;
  const timer = setTimeout(() => response.writableEnded || response.destroyed || answer(), WAIT_MS);
  timer.unref();
  response.once('close', () => {
    clearTimeout(timer);
    waiting -= 1;
  });
}
