import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { onTestFinished, vi } from 'vitest';

interface Asked {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
}

interface Reply {
  readonly status?: number;
  readonly body: unknown;
}

/** Runs a hook on a page whose server answers what the test says, by a clock that the test moves. */
export function renderOnPage<Props, Result>(
  hook: (props: Props) => Result,
  initialProps: Props,
  answer: (asked: Asked) => Reply,
  around: (children: ReactNode) => ReactNode = children => children,
) {
  vi.useFakeTimers();
  const asked: Asked[] = [];
  vi.stubGlobal('fetch', async (path: string, { method = 'GET', body }: RequestInit = {}) => {
    const question = { method, path, body: body === undefined ? undefined : JSON.parse(String(body)) };
    asked.push(question);
    const { status = 200, body: told } = answer(question);
    return Response.json(told, { status });
  });
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>{around(children)}</QueryClientProvider>
  );
  const page = renderHook(hook, { wrapper, initialProps });
  onTestFinished(() => {
    cleanup();
    client.clear();
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });
  const wait = (milliseconds: number) => act(() => vi.advanceTimersByTimeAsync(milliseconds));
  return { ...page, client, wait, asked, sent: () => asked.filter(({ method }) => method !== 'GET') };
}
