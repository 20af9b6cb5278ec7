// @vitest-environment happy-dom

import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import { demoStudio, mondayClass, renderInClass, renderRoom } from '../../test/in-course.tsx';
import { keys } from '../course/course-queries.ts';
import { CombinePage } from './combine-page.tsx';

const inLesson = (lesson: number) => renderInClass(<CombinePage />, { lesson, inClass: mondayClass() });
const board = () => screen.getByRole('list', { name: 'Phrases' });
const figures = () =>
  within(board())
    .getAllByRole('button')
    .map(({ textContent }) => textContent);
const press = (name: RegExp | string) =>
  act(async () => fireEvent.click(screen.getByRole('button', { name })));
const proposed = () => screen.findByRole('heading', { name: /Proposed for lesson/ });

test('an evening has a proposal: tonight’s figures twice, in whole eights, round and round', async () => {
  await inLesson(6);
  await proposed();
  expect(figures().filter(name => name === 'Wrap')).toHaveLength(2);
  expect(figures().filter(name => name === 'Unwrap')).toHaveLength(2);
  expect(screen.getByText(/eights, .* figures. It ends as it began/)).toBeDefined();
});

test('found with what must be in it; kept for the lesson as it is then', async () => {
  const { server } = await inLesson(6);
  await proposed();
  await press('Left turn: may be danced');
  await press('Find sequences');
  await screen.findByRole('heading', { name: /Found/ });
  expect(figures()).toEqual(expect.arrayContaining(['Wrap', 'Unwrap', 'Left turn']));
  await press('Put it into lesson 6');
  await waitFor(() => expect(server.combinations.size).toBe(1));
  const [kept] = [...server.combinations.values()];
  expect(kept).toMatchObject({ course: 'hustle-1', lesson: 6, dance: 'hustle', end: 'same' });
});

test('none: why, what would open a way, and the way once it is allowed', async () => {
  await inLesson(6);
  await proposed();
  await press('Unwrap: must be danced');
  await press('Find sequences');
  await screen.findByText(/Wrap has no way back/);
  await press('allow Unwrap');
  await press('Search again');
  await screen.findByRole('heading', { name: /Found/ });
});

test('by keys: taken out, put back, once more; a link that fails is told and mended', async () => {
  await inLesson(6);
  await proposed();
  const before = figures();
  const at = before.indexOf('Unwrap');
  const key = (name: string) =>
    act(async () =>
      fireEvent.keyDown(within(board()).getAllByRole('button')[at] as HTMLElement, { key: name }),
    );
  await act(async () => fireEvent.click(within(board()).getAllByRole('button')[at] as HTMLElement));
  await key('Backspace');
  expect(figures()).toHaveLength(before.length - 1);
  expect(screen.getByRole('alert').textContent).toContain('It cannot be danced through');
  await press(/Set Unwrap before it/);
  expect(figures()).toEqual(before);
  await press('Undo');
  await press('Undo');
  expect(figures()).toEqual(before);
  await press('Redo');
  expect(figures()).toHaveLength(before.length - 1);
});

test('what comes before a figure stays, and the rest is found anew', async () => {
  await inLesson(6);
  await proposed();
  const before = figures();
  await act(async () => fireEvent.click(within(board()).getAllByRole('button')[3] as HTMLElement));
  await press('Keep up to here, find the rest anew');
  await waitFor(() => expect(figures()).not.toEqual(before));
  expect(figures().slice(0, 4)).toEqual(before.slice(0, 4));
  expect(screen.getByText(/eights, .* It ends as it began/)).toBeDefined();
});

test('a figure in the middle stays, and what is on both its sides is found anew', async () => {
  await inLesson(6);
  await proposed();
  const before = figures();
  await act(async () => fireEvent.click(within(board()).getAllByRole('button')[5] as HTMLElement));
  await press('Let it stay');
  expect(within(board()).getByRole('button', { name: new RegExp(`${before[5]}.*, stays`) })).toBeDefined();
  await press('Find anew what is not to stay');
  await waitFor(() => expect(figures()).not.toEqual(before));
  const stays = within(board()).getByRole('button', { name: /, stays/ });
  expect(stays.textContent).toContain(before[5]);
  expect(screen.getByText(/eights, .* It ends as it began/)).toBeDefined();
});

test('what is kept for the lesson is shown with its name', async () => {
  const [combination] = demoStudio.combinations ?? [];
  if (!combination) throw new Error('the demo has no combination');
  const page = renderRoom(<CombinePage />, { lesson: 7 });
  await proposed();
  page.server.combinations.set(combination.id, combination);
  await act(() => page.client.invalidateQueries({ queryKey: keys.combinations('hustle-1') }));
  await waitFor(() => expect(screen.getByLabelText('Name')).toHaveProperty('value', combination.name));
  expect(figures().slice(0, 3)).toEqual(['Side basic', 'Side basic', 'Left turn']);
});
