import { publicRoute } from '../../http/route.ts';

export const healthRoutes = [
  publicRoute('health.live', async () => ({ alive: true })),
  publicRoute('health.ready', async ({ deps }) => {
    await deps.database.ping();
    return { ready: true };
  }),
];
