import { ChakraProvider } from '@chakra-ui/react';
import type { SessionAnswer } from '@map-step/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render } from '@testing-library/react';
import type { ReactNode } from 'react';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { onTestFinished, vi } from 'vitest';
import { system } from '../theme/system.ts';
import { courseContent } from './in-course.tsx';

interface Sent {
  readonly method: string;
  readonly path: string;
  readonly query: URLSearchParams;
  readonly body: unknown;
}

/** A value, or what makes one of what was sent; a whole response for what is refused. */
type Answer = unknown | ((sent: Sent) => unknown);

interface OnServer {
  readonly role?: 'director' | 'teacher';
  /** The address of the page. */
  readonly at?: string;
  /** Under which pattern it lies. */
  readonly path?: string;
  /** What is answered under `GET /api/term`, without what stands behind the `?`. */
  readonly answers?: Readonly<Record<string, Answer>>;
  readonly session?: Partial<SessionAnswer>;
}

/** What was sent; files are sent as they are. */
function bodyOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return text;
  }
}

/** A page of the studio with a server that answers so; what it sends is kept. */
export function renderOnServer(page: ReactNode, given: OnServer = {}) {
  const { role = 'director', at = '/', path = '*', answers = {} } = given;
  const { me, studio, today } = courseContent(role);
  const session: SessionAnswer = {
    ...{ person: me, csrf: 'x', today, demo: null, empty: false, founding: 'closed' },
    ...given.session,
  };
  const all: Readonly<Record<string, Answer>> = {
    'GET /api/session': session,
    'GET /api/studio': studio,
    'GET /api/courses': { courses: [], more: false },
    'GET /api/material': { stamp: 'x', material: { dances: [], levels: [], patterns: [], elements: [] } },
    ...answers,
  };
  const sent: Sent[] = [];
  vi.stubGlobal('fetch', async (asked: string, { method = 'GET', body }: RequestInit = {}) => {
    const [where = '', query = ''] = asked.split('?');
    const call = {
      method,
      path: where,
      query: new URLSearchParams(query),
      body: typeof body === 'string' ? bodyOf(body) : undefined,
    };
    if (method !== 'GET') sent.push(call);
    const answer = all[`${method} ${where}`];
    const refused = { code: 'not-found', message: `Nothing at ${where}.`, id: '1' };
    if (answer === undefined) return Response.json(refused, { status: 404 });
    const told = await (typeof answer === 'function' ? answer(call) : answer);
    return told instanceof Response ? told : Response.json(told);
  });
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const router = createMemoryRouter(
    [
      { path, element: page },
      { path: '*', element: null },
    ],
    {
      initialEntries: [at],
    },
  );
  render(
    <ChakraProvider value={system}>
      <QueryClientProvider client={client}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </ChakraProvider>,
  );
  onTestFinished(() => {
    cleanup();
    vi.unstubAllGlobals();
  });
  return { sent, router };
}
