// @vitest-environment happy-dom
import { ChakraProvider } from '@chakra-ui/react';
import type { CourseListAnswer, SessionAnswer } from '@map-step/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { afterEach, expect, test, vi } from 'vitest';
import { courseContent } from '../../test/in-course.tsx';
import { system } from '../../theme/system.ts';
import { ProgrammePage } from './programme-page.tsx';

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const course = (id: string, name: string): CourseListAnswer['courses'][number] => ({
  id,
  name,
  dances: ['hustle'],
  level: null,
  lessons: 8,
  items: 20,
  published: id === 'hustle-1',
  sections: [
    {
      id: `${id}-monday`,
      course: id,
      start: '19:00',
      dates: ['2026-02-09'],
      room: 'sail-loft',
      staff: ['bram-okoro'],
      students: 14,
      behind: 4,
    },
  ],
});

interface Setting {
  readonly role?: 'director' | 'teacher';
  readonly pages?: readonly CourseListAnswer[];
  readonly refuses?: boolean;
}

const ONE: readonly CourseListAnswer[] = [{ courses: [course('hustle-1', 'Hustle 1')], more: false }];

function open({ role = 'director', pages = ONE, refuses = false }: Setting = {}) {
  const { me, studio, today } = courseContent(role);
  const session: SessionAnswer = {
    person: me,
    csrf: 'x',
    today,
    demo: null,
    empty: false,
    founding: 'closed',
  };
  const answers: Readonly<Record<string, unknown>> = { '/api/session': session, '/api/studio': studio };
  vi.stubGlobal('fetch', async (path: string) => {
    const [where = '', query] = path.split('?');
    const told = answers[where] ?? pages[Number(new URLSearchParams(query).get('page') ?? 0)];
    if (refuses && where === '/api/courses')
      return Response.json({ code: 'forbidden', message: 'Not for you.', id: '1' }, { status: 403 });
    return Response.json(told);
  });
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const router = createMemoryRouter([{ path: '/', element: <ProgrammePage /> }]);
  render(
    <ChakraProvider value={system}>
      <QueryClientProvider client={client}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </ChakraProvider>,
  );
}

test('each course stands with its classes, and how far each is', async () => {
  open();
  expect(await screen.findByRole('link', { name: 'Hustle 1' })).toHaveProperty(
    'pathname',
    '/courses/hustle-1/map',
  );
  const entry = screen.getByRole('link', { name: 'Monday 19:00' });
  expect(entry.getAttribute('href')).toBe('/courses/hustle-1/lesson?class=hustle-1-monday');
  expect(screen.getByText('4 of 8 lessons taught')).toBeTruthy();
  expect(await screen.findByText('Sail Loft, Bram Okoro, 14 students')).toBeTruthy();
});

test('a course without a published plan says so', async () => {
  open({ pages: [{ courses: [course('hustle-2', 'Hustle 2')], more: false }] });
  expect(await screen.findByText('8 lessons, 20 figures, no plan published yet')).toBeTruthy();
});

test('older classes come when they are asked for', async () => {
  open({
    pages: [
      { courses: [course('hustle-1', 'Hustle 1')], more: true },
      { courses: [course('old', 'Hustle of old')], more: false },
    ],
  });
  await act(async () => fireEvent.click(await screen.findByRole('button', { name: 'Show older classes' })));
  expect(await screen.findByRole('link', { name: 'Hustle of old' })).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'Show older classes' })).toBeNull();
});

test.each([
  ['director', /^Import a file/],
  ['teacher', /^The director has not/],
] as const)('a studio without courses tells a %s what comes first', async (role, words) => {
  open({ role, pages: [{ courses: [], more: false }] });
  expect(await screen.findByText(words)).toBeTruthy();
});

test('only the director changes the staff and brings files in', async () => {
  open({ role: 'teacher' });
  await screen.findByRole('link', { name: 'Hustle 1' });
  expect(screen.queryByRole('button', { name: 'Staff of this class' })).toBeNull();
  expect(screen.queryByText('The studio as a file')).toBeNull();
  cleanup();
  open();
  expect(await screen.findByRole('button', { name: 'Staff of this class' })).toBeTruthy();
  expect(await screen.findByText('The studio as a file', {}, { timeout: 20_000 })).toBeTruthy();
});

test('what the server refuses is told', async () => {
  open({ refuses: true });
  expect(await screen.findByText('Not for you.')).toBeTruthy();
});
