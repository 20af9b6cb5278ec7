// @vitest-environment happy-dom
import { act, fireEvent, screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { DIRECTOR, renderRoom } from '../../../test/in-course.tsx';
import { figureDrafts } from '../figure/use-figure-draft.ts';
import { NewFigure } from './new-figure.tsx';

const OWNER = `00000000-0000-4000-8000-000000000000/${DIRECTOR}`;

function open() {
  const close = vi.fn();
  const { router } = renderRoom(<NewFigure close={close} />);
  const name = screen.getByLabelText('What the house calls it');
  const call = (words: string) => act(async () => fireEvent.input(name, { target: { value: words } }));
  const begin = () =>
    act(async () => fireEvent.click(screen.getByRole('button', { name: 'Open an empty sheet' })));
  return { close, router, call, begin };
}

test('a name opens an empty sheet of the dance and level of the course, in its first hold', async () => {
  const { close, router, call, begin } = open();
  await call('Harbour sway');
  await begin();
  expect(close).toHaveBeenCalledOnce();
  expect(router.state.location.pathname).toBe('/courses/hustle-1/material/harbour-sway');
  const begun = Object.values(figureDrafts.read(OWNER)).map(({ base, now }) => [base, now]);
  expect(begun).toContainEqual([
    null,
    expect.objectContaining({ name: 'Harbour sway', dance: 'hustle', level: 'hustle-1', kind: 'pattern' }),
  ]);
});

test('a figure has a name, and one that there is already is asked about once', async () => {
  const { close, router, call, begin } = open();
  await begin();
  expect(screen.getByText('Give it the name that the house calls it by.')).toBeTruthy();
  await call('wrap');
  await begin();
  expect(screen.getByText(/^There is a Wrap in Hustle already\./)).toBeTruthy();
  expect(close).not.toHaveBeenCalled();
  await begin();
  expect(close).toHaveBeenCalledOnce();
  expect(router.state.location.pathname).toMatch(/\/material\/wrap-\d+$/);
});

test('Escape leaves it', () => {
  const { close } = open();
  fireEvent.keyDown(screen.getByLabelText('What the house calls it'), { key: 'Escape' });
  expect(close).toHaveBeenCalledOnce();
});
