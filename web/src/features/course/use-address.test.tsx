// @vitest-environment happy-dom
import { act, cleanup, render, waitFor } from '@testing-library/react';
import { createMemoryRouter, Outlet, RouterProvider } from 'react-router';
import { afterEach, expect, test } from 'vitest';
import { HeadingContext, useAddress } from './use-address.ts';

afterEach(cleanup);

/** A course with two rooms, of which the second is fetched when the test says. */
function open() {
  let arrive = () => {};
  const fetched = new Promise<void>(resolve => {
    arrive = resolve;
  });
  const shown: { address?: ReturnType<typeof useAddress> } = {};
  function Course() {
    shown.address = useAddress();
    return <Outlet />;
  }
  const lesson = async () => {
    await fetched;
    return { Component: () => <p>Lesson</p> };
  };
  const routes = [
    {
      element: <Course />,
      children: [
        { path: '/map', element: <p>Map</p> },
        { path: '/lesson', lazy: lesson },
      ],
    },
  ];
  const router = createMemoryRouter(routes, { initialEntries: ['/map?class=monday'] });
  const heading = () => router.state.navigation.location ?? router.state.location;
  const page = render(
    <HeadingContext value={heading}>
      <RouterProvider router={router} />
    </HeadingContext>,
  );
  const at = () => `${router.state.location.pathname}${router.state.location.search}`;
  return { ...page, arrive, at, address: () => shown.address as ReturnType<typeof useAddress> };
}

test('what is asked is added to the address, and asked again it is replaced', () => {
  const { address, at } = open();
  act(() => address().ask('lesson', '3'));
  expect(at()).toBe('/map?class=monday&lesson=3');
  act(() => address().ask('lesson', '4'));
  expect(at()).toBe('/map?class=monday&lesson=4');
  expect(address().search().get('lesson')).toBe('4');
});

test('before the page has drawn one answer the next goes on from it', () => {
  const { address, at } = open();
  const next = () => address().ask('lesson', String(Number(address().search().get('lesson') ?? 4) + 1));
  act(() => {
    next();
    next();
    next();
  });
  expect(at()).toBe('/map?class=monday&lesson=7');
});

test('what is asked while a room is fetched goes along into that room', async () => {
  const { address, at, arrive, findByText } = open();
  act(() => address().openRoom('/lesson'));
  act(() => address().ask('lesson', '3'));
  expect(at()).toBe('/map?class=monday');
  arrive();
  await findByText('Lesson');
  await waitFor(() => expect(at()).toBe('/lesson?class=monday&lesson=3'));
});
