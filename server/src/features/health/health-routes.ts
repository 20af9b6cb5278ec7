import { publicRoute } from '../../http/route.ts';

export const healthRoutes = [
  publicRoute('health.live', async () => ({ ok: true })),
  publicRoute('health.ready', async ({ deps }) => {
    await deps.database.ping();
    return { ok: true };
  }),
];
