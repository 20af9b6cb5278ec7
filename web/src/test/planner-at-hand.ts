import { vi } from 'vitest';
import type * as Planner from '../workers/planner.ts';

// There is no worker in a test of the page: the same is worked out where it is asked for.
vi.mock('../workers/planner.ts', async original => ({
  ...(await original<typeof Planner>()),
  planClassInWorker: async (...[material, ...rest]: Parameters<typeof Planner.planClassInWorker>) => {
    const { openLibrary, planClass } = await import('@map-step/core');
    return planClass(openLibrary(material), ...rest);
  },
}));
