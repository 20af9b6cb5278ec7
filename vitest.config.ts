import { availableParallelism } from 'node:os';
import { defineConfig } from 'vitest/config';

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
          testTimeout: 120_000,
        },
      },
      {
        test: {
          name: 'server',
          isolate: false,
          include: ['server/src/**/*.test.ts', 'scripts/bench/*.api.test.ts'],
          globalSetup: ['server/src/test/cluster.ts'],
          testTimeout: 120_000,
          hookTimeout: 120_000,
        },
      },
      {
        test: {
          name: 'web',
          include: ['web/src/**/*.test.{ts,tsx}'],
          setupFiles: ['web/src/test/planner-at-hand.ts'],
          testTimeout: 120_000,
        },
      },
    ],
  },
});
