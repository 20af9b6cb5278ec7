import { availableParallelism } from 'node:os';
import { defineConfig } from 'vitest/config';

/** No test is timed: a busy machine may take its time. */
const PATIENCE = { testTimeout: 240_000, hookTimeout: 240_000 };

export default defineConfig({
  test: {
    // On two cores it would take one worker by itself, and twice the time.
    maxWorkers: Math.max(2, availableParallelism() - 1),
    projects: [
      {
        test: {
          name: 'core',
          // Nothing here keeps anything between tests: the core is read once by each worker, not once by each file.
          isolate: false,
          include: [
            'core/src/**/*.test.ts',
            'contract/src/**/*.test.ts',
            'cli/src/**/*.test.ts',
            'demo/*.test.ts',
            'scripts/*.test.ts',
          ],
          ...PATIENCE,
        },
      },
      {
        test: {
          name: 'server',
          isolate: false,
          include: ['server/src/**/*.test.ts', 'scripts/bench/*.api.test.ts'],
          globalSetup: ['server/src/test/cluster.ts'],
          ...PATIENCE,
        },
      },
      {
        test: {
          name: 'web',
          isolate: false,
          include: ['web/src/**/*.test.{ts,tsx}'],
          setupFiles: ['web/src/test/planner-at-hand.ts', 'web/src/test/patience.ts'],
          ...PATIENCE,
        },
      },
    ],
  },
});
