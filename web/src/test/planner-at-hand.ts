import { vi } from 'vitest';
import type * as Planner from '../workers/planner.ts';
import type * as Sequences from '../workers/sequences.ts';

// There is no worker in a test of the page: the same is worked out where it is asked for.
vi.mock('../workers/planner.ts', async original => ({
  ...(await original<typeof Planner>()),
  planClassInWorker: async (...[material, ...rest]: Parameters<typeof Planner.planClassInWorker>) => {
    const { openLibrary, planClass } = await import('@map-step/core');
    return planClass(openLibrary(material), ...rest);
  },
}));

vi.mock('../workers/sequences.ts', () => ({
  runCombine: (...[material, request]: Parameters<typeof Sequences.runCombine>) => ({
    done: import('@map-step/core').then(({ combineFigures, openLibrary }) =>
      combineFigures(openLibrary(material), request),
    ),
    stop: () => undefined,
  }),
  refillInWorker: async (...[material, ...asked]: Parameters<typeof Sequences.refillInWorker>) => {
    const { openLibrary, refillAround } = await import('@map-step/core');
    return refillAround(openLibrary(material), ...asked);
  },
  eveningInWorker: async (...[material, figures]: Parameters<typeof Sequences.eveningInWorker>) => {
    const { eveningCombination, openLibrary } = await import('@map-step/core');
    return eveningCombination(openLibrary(material), figures) ?? null;
  },
}));
