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

/** An empty database without the demo, on a day. */
export async function startMovingStudio(day: string): Promise<MovingStudio> {
  const cluster = await startThrowawayCluster();
  const start = (today: string, port: string) =>
    startServerProcess(root, cluster.url('postgres'), {
      ...{ MAPSTEP_TODAY: today, MAPSTEP_DEMO: '0', NODE_ENV: 'production', PORT: port },
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
