// @vitest-environment happy-dom
import { changeItem, placeItems } from '@map-step/core';
import { act, waitFor } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { useRefusal } from '../../api/use-commands.ts';
import { DIRECTOR, renderInCourse } from '../../test/in-course.tsx';
import { useCourseCommands, useCoursePast } from './course-commands.ts';
import { keys } from './course-queries.ts';

function open() {
  const page = renderInCourse(() => ({
    commands: useCourseCommands(),
    past: useCoursePast(),
    refusal: useRefusal(keys.course('hustle-1')),
  }));
  const now = () => page.result.current;
  const move = (to: number | null, pattern = 'wrap') =>
    act(() => now().commands.edit(`${pattern} moved`, course => placeItems(course, { [pattern]: to })));
  const pin = (lesson: number | undefined, onSaved?: () => void) =>
    act(() =>
      now().commands.edit('Wrap pinned', course => changeItem(course, 'wrap', { pin: lesson }), onSaved),
    );
  const itemOf = (id: string) => page.view().answer.course.items.find(({ pattern }) => pattern === id);
  /** The page shows a change a moment after it was made. */
  const shows = (lesson: number | undefined, pattern = 'wrap') =>
    waitFor(() => expect(page.lessonOf(pattern)).toBe(lesson));
  return { ...page, now, move, pin, itemOf, shows };
}

const at = (lesson: number) => ({ pattern: 'wrap', lesson });

test('a move is shown before it is answered, and said with where the figure was seen', async () => {
  const { move, shows, server, lessonOf, saved } = open();
  const before = lessonOf('wrap') ?? 0;
  server.hold();
  move(4);
  await shows(4);
  server.letGo();
  await saved();
  const changes = [{ field: 'placed/wrap', from: at(before), to: at(4) }];
  expect(server.orders).toEqual([{ seen: 1, command: { kind: 'edit', what: 'wrap moved', changes } }]);
});

test('what is changed twice before it is drawn adds up', async () => {
  const { now, shows, server, saved } = open();
  server.hold();
  act(() => {
    now().commands.edit('once', course => placeItems(course, { wrap: 4 }));
    now().commands.edit('twice', course => placeItems(course, { wrap: 3, gather: 2 }));
  });
  await shows(3);
  server.letGo();
  await saved();
  expect(server.orders.map(({ command }) => command.kind === 'edit' && command.changes)).toMatchObject([
    [{ field: 'placed/wrap', to: at(4) }],
    [{ field: 'placed/gather' }, { field: 'placed/wrap', from: at(4), to: at(3) }],
  ]);
});

test('the answer to a move leaves the course that is shown as it is', async () => {
  const { move, shows, view, saved, now } = open();
  expect(now().past.canUndo).toBe(false);
  move(4);
  await shows(4);
  const { course } = view().answer;
  await saved();
  await waitFor(() => expect(now().past).toEqual({ version: 2, canUndo: true, canRedo: false }));
  expect(view().answer.course).toBe(course);
});

test('what is as it is wanted is not sent', async () => {
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
  expect(server.answer.course.placed).toContainEqual(at(5));
});

test('undo pressed twice while two moves are being saved takes both back, and redo brings them again', async () => {
  const { move, shows, server, lessonOf, now } = open();
  const before = lessonOf('wrap');
  server.hold();
  move(4);
  move(3);
  act(() => now().commands.undo());
  act(() => now().commands.undo());
  await shows(3);
  server.letGo();
  await shows(before);
  expect(server.orders.map(({ command }) => command.kind)).toEqual(['edit', 'edit', 'undo', 'undo']);
  await waitFor(() => expect(now().past.canRedo).toBe(true));
  act(() => now().commands.redo());
  await shows(4);
});

const clashOf = (theirs: number, mine: number) => [
  { field: 'placed/wrap', seen: at(6), theirs: at(theirs), mine: at(mine) },
];

test('when somebody else was first theirs is shown beside what was wanted, until it is decided', async () => {
  const { move, shows, server, now } = open();
  const course = placeItems(server.answer.course, { wrap: 5 });
  server.answer = { ...server.answer, version: 7, course };
  server.refusal = {
    status: 409,
    body: { code: 'stale', message: 'Moved.', id: '1', current: server.answer, clashes: clashOf(5, 2) },
  };
  act(() => now().commands.edit('both moved', before => placeItems(before, { wrap: 2, gather: 3 })));
  await waitFor(() => expect(now().refusal?.clashes).toEqual(clashOf(5, 2)));
  await shows(5);
  move(3, 'left-turn');
  await shows(3, 'left-turn');
  expect(now().refusal?.clashes).toHaveLength(1);
  act(() => now().commands.settle({ 'placed/wrap': at(2) }));
  await shows(2);
  expect(now().refusal).toBeUndefined();
  // What the same change wanted besides is not lost with it.
  await shows(3, 'gather');
});

test('a change that is refused is told, and the page shows again what the server has', async () => {
  const { pin, itemOf, now, server } = open();
  server.refusal = { status: 400, body: { code: 'bad-request', message: 'There is no lesson 40.', id: '1' } };
  server.hold();
  pin(40);
  await waitFor(() => expect(itemOf('wrap')?.pin).toBe(40));
  server.letGo();
  await waitFor(() => expect(now().refusal?.error.message).toBe('There is no lesson 40.'));
  await waitFor(() => expect(itemOf('wrap')?.pin).toBeUndefined());
  act(() => now().commands.dismiss());
  await waitFor(() => expect(now().refusal).toBeUndefined());
});

test('a rule is saved over what was seen, and who asked is told when it is', async () => {
  const { pin, itemOf, server, saved } = open();
  const before = itemOf('wrap');
  server.hold();
  const onSaved = vi.fn();
  pin(6, onSaved);
  await waitFor(() => expect(itemOf('wrap')?.pin).toBe(6));
  expect(onSaved).not.toHaveBeenCalled();
  server.letGo();
  await saved();
  await waitFor(() => expect(onSaved).toHaveBeenCalledTimes(1));
  expect(server.orders[0]?.command).toEqual({
    kind: 'edit',
    what: 'Wrap pinned',
    changes: [{ field: 'items/wrap', from: before, to: { ...before, pin: 6 } }],
  });
});

test('a plan is published and kept over the version that stands once what is on its way has been saved', async () => {
  const { move, server, now } = open();
  server.hold();
  move(4);
  act(() => now().commands.send({ kind: 'publish', name: 'Spring', note: 'New order' }));
  server.letGo();
  await waitFor(() => expect(server.orders).toHaveLength(2));
  expect(server.orders[1]).toEqual({
    seen: 2,
    command: { kind: 'publish', name: 'Spring', note: 'New order' },
  });
  await waitFor(() => expect(now().past.version).toBe(3));
  act(() => now().commands.send({ kind: 'keep', name: 'For later', note: '' }));
  await waitFor(() => expect(server.orders).toHaveLength(3));
  expect(server.orders[2]).toEqual({ seen: 3, command: { kind: 'keep', name: 'For later', note: '' } });
  expect(server.answer.history[0]?.by).toBe(DIRECTOR);
});
