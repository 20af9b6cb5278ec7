// @vitest-environment happy-dom
import { act, waitFor } from '@testing-library/react';
import { expect, test } from 'vitest';
import { renderInCourse } from '../../../test/in-course.tsx';
import { usePlacing } from './use-placing.ts';

const open = () => {
  const page = renderInCourse(usePlacing);
  const move = (to: number | null, pattern = 'wrap') =>
    act(() => page.result.current.place([{ pattern, to }], `${pattern} moved`));
  /** The page shows a change a moment after it was made. */
  const shows = (lesson: number | undefined, pattern = 'wrap') =>
    waitFor(() => expect(page.lessonOf(pattern)).toBe(lesson));
  return { ...page, move, shows, placing: () => page.result.current };
};

test('a move is shown before it is answered, and said with where the figure was seen', async () => {
  const { move, shows, server, lessonOf, saved } = open();
  const before = lessonOf('wrap');
  server.hold();
  move(4);
  await shows(4);
  server.letGo();
  await saved();
  expect(server.orders).toEqual([
    {
      seen: 1,
      command: { kind: 'place', why: 'wrap moved', moves: [{ pattern: 'wrap', from: before, to: 4 }] },
    },
  ]);
});

test('the answer to a move leaves the course that is shown as it is', async () => {
  const { move, shows, view, saved, placing } = open();
  expect(placing().canUndo).toBe(false);
  move(4);
  await shows(4);
  const { course } = view().answer;
  await saved();
  await waitFor(() => expect(placing().canUndo).toBe(true));
  expect(view().answer.course).toBe(course);
});

test('what lies where it is wanted is not sent', async () => {
  const { move, server, lessonOf, saved } = open();
  move(lessonOf('wrap') ?? null);
  await saved();
  expect(server.orders).toEqual([]);
});

test('a figure is left out and brought back', async () => {
  const { move, shows, server, saved } = open();
  move(null);
  await shows(undefined);
  move(5);
  await shows(5);
  await saved();
  expect(server.answer.course.placed).toContainEqual({ pattern: 'wrap', lesson: 5 });
});

test('undo pressed twice while two moves are being saved takes both back, and redo brings them again', async () => {
  const { move, shows, server, lessonOf, placing } = open();
  const before = lessonOf('wrap');
  server.hold();
  move(4);
  move(3);
  act(() => placing().undo());
  act(() => placing().undo());
  await shows(3);
  server.letGo();
  await shows(before);
  expect(server.orders.map(({ command }) => command.kind)).toEqual(['place', 'place', 'undo', 'undo']);
  await waitFor(() => expect(placing().canRedo).toBe(true));
  act(() => placing().redo());
  await shows(4);
});

test('when somebody else has moved the figure, theirs is shown beside what was wanted', async () => {
  const { move, shows, server, lessonOf, placing } = open();
  const theirs = { ...server.answer, version: 7 };
  server.refusal = {
    status: 409,
    body: { code: 'stale', message: 'Somebody has moved it.', id: '1', current: theirs, clashes: [] },
  };
  const before = lessonOf('wrap');
  move(2);
  await waitFor(() => expect(placing().clash).toBeDefined());
  expect(placing().clash).toEqual({ moves: [{ pattern: 'wrap', from: before, to: 2 }], why: 'wrap moved' });
  await shows(before);
  move(3, 'left-turn');
  await shows(3, 'left-turn');
  expect(placing().clash).toBeDefined();
  act(() => placing().dismiss());
  expect(placing().clash).toBeUndefined();
});

test('a move that is refused is told, and the page shows again what the server has', async () => {
  const { move, shows, server, lessonOf, placing } = open();
  const before = lessonOf('wrap');
  server.refusal = { status: 400, body: { code: 'bad-request', message: 'So it cannot stand.', id: '1' } };
  server.hold();
  move(2);
  await shows(2);
  server.letGo();
  await waitFor(() => expect(placing().error?.message).toBe('So it cannot stand.'));
  await shows(before);
  expect(placing().clash).toBeUndefined();
});

test('a plan is published and kept over the version that was seen', async () => {
  const { move, server, saved, placing } = open();
  move(4);
  await saved();
  await waitFor(() => expect(placing().canUndo).toBe(true));
  act(() => placing().publish('Spring', 'New order'));
  await saved();
  await waitFor(() => expect(server.orders).toHaveLength(2));
  expect(server.orders[1]).toEqual({
    seen: 2,
    command: { kind: 'publish', name: 'Spring', note: 'New order' },
  });
  act(() => placing().keep('For later', ''));
  await waitFor(() => expect(server.orders).toHaveLength(3));
  expect(server.orders[2]?.command).toEqual({ kind: 'keep', name: 'For later', note: '' });
});
