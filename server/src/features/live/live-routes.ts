import type { SignedInPerson } from '@map-step/contract';
import type { Signal } from '../../db/change-feed.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import { routeWithoutScope } from '../../http/route.ts';
import { nameOfSession } from '../../http/session.ts';
import { endStrangers, type OpenStream, watchStream } from './open-streams.ts';

const MOST_A_PERSON = 20;

/** How many streams each person has open at this server. */
const open = new Map<string, number>();

export const liveRoutes = [
  routeWithoutScope('live.follow', async ({ deps, who, request, response }) => {
    const leave = enter(who);
    const session = nameOfSession(request);
    const stream: OpenStream = {
      sid: request.sessionID,
      beat: () => response.write(': here\n\n'),
      end: () => {
        unwatch();
        stop();
        leave();
        response.end();
      },
    };
    const send = (signal: Signal) => {
      if (signal.topic === 'session') {
        if (signal.id === session) stream.end();
        return;
      }
      response.write(`data: ${JSON.stringify(signal)}\n\n`);
      // It may be who the people are, or whatever.
      if (signal.topic === 'everything' || signal.topic === 'studio') void endStrangers(deps, [stream]);
    };
    const stop = deps.changes.follow(who.studio, send);
    const unwatch = watchStream(deps, stream);
    request.once('close', stream.end);
    response.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store, no-transform' });
    response.flushHeaders();
    response.write('retry: 1000\n\nevent: begin\ndata: {}\n\n');
  }),
];

/** Counts a stream of a person; the answer uncounts it, once. */
function enter({ studio, id }: SignedInPerson): () => void {
  const key = `${studio}/${id}`;
  const count = open.get(key) ?? 0;
  if (count >= MOST_A_PERSON)
    throw new HttpFault(
      'too-many',
      `At most ${MOST_A_PERSON} pages of one person are kept up to date at once.`,
    );
  open.set(key, count + 1);
  let isIn = true;
  return () => {
    if (!isIn) return;
    isIn = false;
    const left = (open.get(key) ?? 1) - 1;
    if (left === 0) open.delete(key);
    else open.set(key, left);
  };
}
