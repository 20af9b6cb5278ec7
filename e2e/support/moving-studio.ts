// A studio of its own on a server whose day moves on: the weeks of a term in a minute.
import { fileURLToPath } from 'node:url';
import { startThrowawayCluster } from '../../scripts/postgres.mjs';
import { type ServerProcess, startServerProcess } from '../../scripts/server-process.mjs';

const root = fileURLToPath(new URL('../..', import.meta.url));

export interface MovingStudio {
  /** Where it is, on every day. */
  readonly address: string;
  /** The same studio on another day. */
  goTo(day: string): Promise<void>;
  close(): Promise<void>;
}

/** An empty database, on a day; with the demo in it where that is wished. */
export async function startMovingStudio(
  day: string,
  demo: 'demo' | 'empty' = 'empty',
): Promise<MovingStudio> {
  const cluster = await startThrowawayCluster();
  const start = (today: string, port: string) =>
    startServerProcess(root, cluster.url('postgres'), {
      ...{ MAPSTEP_TODAY: today, NODE_ENV: 'production', PORT: port },
      ...(demo === 'empty' && { MAPSTEP_DEMO: '0' }),
    });
  let server: ServerProcess = await start(day, '0');
  const { address } = server;
  return {
    address,
    goTo: async next => {
      await server.stop('SIGTERM');
      server = await start(next, new URL(address).port);
    },
    close: async () => {
      await server.stop('SIGTERM');
      cluster.remove();
    },
  };
}
