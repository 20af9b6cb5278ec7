import type { Change } from '@map-step/contract';
import { route } from '../../http/route.ts';

/** Shorter than what proxies wait before they cut a silent connection. */
const HEARTBEAT_MS = 15_000;

export const liveRoutes = [
  route('live.follow', async ({ deps, who, request, response }) => {
    response.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store, no-transform' });
    response.flushHeaders();
    response.write('retry: 1000\n\nevent: begin\ndata: {}\n\n');
    const send = (change: Change) => response.write(`data: ${JSON.stringify(change)}\n\n`);
    const stop = deps.changes.follow(who.studio, send);
    const heartbeat = setInterval(() => response.write(': here\n\n'), HEARTBEAT_MS);
    request.once('close', () => {
      clearInterval(heartbeat);
      stop();
    });
  }),
];
