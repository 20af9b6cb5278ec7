import { test as base } from '@playwright/test';

export { expect } from '@playwright/test';

/** Whoever came in during a journey leaves when it ends: no page of theirs goes on listening. */
export const test = base.extend<{ leave: undefined }>({
  leave: [
    async ({ browser }, use) => {
      await use(undefined);
      await Promise.all(browser.contexts().map(context => context.close()));
    },
    { auto: true },
  ],
});
