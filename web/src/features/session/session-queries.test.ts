import { QueryClient } from '@tanstack/react-query';
import { afterEach, expect, test, vi } from 'vitest';
import { isPassing } from '../../api/client.ts';
import { sessionQuery } from './session-queries.ts';

afterEach(() => vi.unstubAllGlobals());

test('a browser without a database of its own goes on asking a server that is away', async () => {
  vi.stubGlobal('fetch', async () => Promise.reject(new TypeError('failed')));
  expect(globalThis.indexedDB).toBeUndefined();
  const failed = await new QueryClient().fetchQuery(sessionQuery).catch((error: unknown) => error);
  expect(isPassing(failed)).toBe(true);
});
