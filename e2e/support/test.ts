import { test as base } from '@playwright/test';

export { expect } from '@playwright/test';

/** The demo's servers: one for each worker, so that journeys beside each other share nothing. */
const SERVERS = (process.env.MAPSTEP_URLS ?? 'http://127.0.0.1:4170').split(' ');

export const test = base.extend<{ leave: undefined }>({
  // biome-ignore lint/correctness/noEmptyPattern: Playwright reads what a fixture needs from this pattern.
  baseURL: ({}, use, { parallelIndex }) => use(SERVERS[parallelIndex % SERVERS.length]),
  /** Whoever came in during a journey leaves when it ends: no page of theirs goes on listening. */
  leave: [
    async ({ browser }, use) => {
      await use(undefined);
      await Promise.all(browser.contexts().map(context => context.close()));
    },
    { auto: true },
  ],
});
