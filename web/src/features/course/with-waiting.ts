import { type Happenings, signEvent, withEvents } from '@map-step/core';
import type { WaitingEvent } from '../../api/outbox.ts';

/** What is known, with what this person has put down and the server has not got yet; what it refused is left out. */
export function withWaiting<Known extends Partial<Happenings>>(
  known: Known,
  waiting: readonly WaitingEvent[],
  by: string,
): Known {
  const going = waiting.filter(({ refused }) => refused === undefined);
  return withEvents(
    known,
    going.map(event => signEvent(event, { section: event.section, by })),
  );
}
