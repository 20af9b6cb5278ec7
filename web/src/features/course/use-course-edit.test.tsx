// @vitest-environment happy-dom
import { act, waitFor } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { renderInCourse } from '../../test/in-course.tsx';
import { itemField } from './item-field.ts';
import { useCourseEdit } from './use-course-edit.ts';

function open() {
  const page = renderInCourse(useCourseEdit);
  const course = () => page.view().answer.course;
  const itemOf = (id: string) => course().items.find(({ pattern }) => pattern === id);
  const pin = (lesson: number | undefined, onSaved?: () => void) => {
    const item = itemOf('wrap');
    if (!item) throw new Error('the course has no such item');
    act(() => page.result.current.edit('Wrap pinned', itemField(item, { pin: lesson }), onSaved));
  };
  return { ...page, course, itemOf, pin };
}

test('a rule is shown at once, and saved over what was seen', async () => {
  const { pin, itemOf, server, saved } = open();
  const before = itemOf('wrap');
  server.hold();
  const onSaved = vi.fn();
  pin(6, onSaved);
  await waitFor(() => expect(itemOf('wrap')?.pin).toBe(6));
  expect(onSaved).not.toHaveBeenCalled();
  server.letGo();
  await saved();
  expect(onSaved).toHaveBeenCalledTimes(1);
  expect(server.orders).toEqual([
    {
      seen: 1,
      command: {
        kind: 'edit',
        what: 'Wrap pinned',
        changes: [{ field: 'items/wrap', from: before, to: { ...before, pin: 6 } }],
      },
    },
  ]);
});

test('what is as it was is not sent', async () => {
  const { course, result, server, saved } = open();
  act(() => result.current.edit('Approach', { approach: course().approach ?? null }));
  await saved();
  expect(server.orders).toEqual([]);
});

test('a rule that is refused is told, and the page shows again what the server has', async () => {
  const { pin, itemOf, result, server } = open();
  server.refusal = { status: 400, body: { code: 'bad-request', message: 'There is no lesson 40.', id: '1' } };
  pin(40);
  await waitFor(() => expect(result.current.error?.message).toBe('There is no lesson 40.'));
  await waitFor(() => expect(itemOf('wrap')?.pin).toBeUndefined());
  act(() => result.current.dismiss());
  await waitFor(() => expect(result.current.error).toBeNull());
});

test('when somebody was first, theirs is shown', async () => {
  const { pin, itemOf, result, server } = open();
  const items = server.answer.course.items.map(item => ({
    ...item,
    ...(item.pattern === 'wrap' && { pin: 5 }),
  }));
  const theirs = { ...server.answer, version: 9, course: { ...server.answer.course, items } };
  server.answer = theirs;
  server.refusal = {
    status: 409,
    body: { code: 'stale', message: 'Somebody has changed it.', id: '1', current: theirs, clashes: [] },
  };
  pin(6);
  await waitFor(() => expect(result.current.error?.message).toBe('Somebody has changed it.'));
  await waitFor(() => expect(itemOf('wrap')?.pin).toBe(5));
});
