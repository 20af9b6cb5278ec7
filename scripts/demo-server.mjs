import { startThrowawayCluster } from './postgres.mjs';
import { startServerProcess } from './server-process.mjs';

/** The built product on a throwaway database with the demo, on a day of its own; or one that others have started. */
export async function startDemoServer(root, today, more = {}) {
  const shared = process.env.MAPSTEP_SHARED_DEMO;
  if (shared && Object.keys(more).length === 0) return { address: shared, stop: async () => undefined };
  const cluster = await startThrowawayCluster();
  const settings = { MAPSTEP_TODAY: today, NODE_ENV: 'production', PORT: '0', ...more };
  const server = await startServerProcess(root, cluster.url('postgres'), settings);
  const stop = async () => {
    await server.stop('SIGTERM');
    cluster.remove();
  };
  return { address: server.address, stop };
}
