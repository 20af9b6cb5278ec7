// @vitest-environment happy-dom

import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { mondayClass, renderInClass } from '../../test/in-course.tsx';
import { LessonPage } from './lesson-page.tsx';

// The room opens at the block of the clock on the wall; the class begins at 19:00.
const atClock = (time: string) => vi.setSystemTime(`2026-03-09T${time}:00Z`);
beforeEach(() => void vi.useFakeTimers({ toFake: ['Date'], now: new Date('2026-03-09T18:30:00Z') }));
afterEach(() => void vi.useRealTimers());

async function open(lesson: number, role: 'director' | 'teacher' = 'director') {
  const keep = vi.fn();
  const inClass = mondayClass(keep);
  const page = await renderInClass(<LessonPage />, { role, lesson, inClass });
  const entries = () => keep.mock.calls.map(([event]) => event);
  return { ...page, entries, section: inClass.section };
}

const order = () => screen.getByRole('region', { name: 'Running order' });
const marksOf = (name: string) => screen.getByRole('group', { name: `How ${name} went` });

test('the next lesson is a running order from its first minute to its last', async () => {
  await open(5);
  const rows = within(order()).getAllByRole('listitem');
  expect(rows[0]?.textContent).toContain('19:00');
  expect(order().textContent).toContain('60 of 60 minutes');
  expect(
    within(order())
      .getAllByRole('heading')
      .map(({ textContent }) => textContent),
  ).toContain('Right turn');
});

test('one tap marks a figure, and says over which entry', async () => {
  const { entries } = await open(5);
  await act(async () =>
    fireEvent.click(within(marksOf('Right turn')).getByRole('button', { name: 'Shaky' })),
  );
  expect(entries()).toMatchObject([
    { kind: 'log', entry: { lesson: 5, pattern: 'right-turn', result: 'shaky' } },
  ]);
});

const now = () => screen.getByRole('region', { name: 'Now' });
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));

test('the next block opens where the hand is, and the last has no next', async () => {
  await open(5);
  const next = () => screen.queryByRole('button', { name: 'Next block' });
  let steps = 0;
  for (let button = next(); button; button = next()) {
    fireEvent.click(button);
    steps += 1;
  }
  expect(steps).toBe(within(order()).getAllByRole('heading').length - 1);
});

test('during the lesson it opens at the block of the clock', async () => {
  atClock('19:25');
  await open(5);
  const present = within(order())
    .getAllByRole('listitem')
    .find(row => row.getAttribute('aria-current') === 'step');
  expect(present?.querySelector('time')?.textContent).toBe('19:24');
});

test('the clock runs, a minute more is taken from the rest, and what a figure took goes into its log', async () => {
  atClock('19:00');
  const { entries } = await open(5);
  press('Start the evening');
  press('Next block');
  press('Next block');
  press('Next block');
  expect(within(now()).getByRole('timer').textContent).toMatch(/left$/);
  const name = within(now()).getByRole('heading').textContent ?? '';
  press('1 minute more');
  expect(order().textContent).toContain('60 of 60 minutes');
  atClock('19:07');
  await act(async () => fireEvent.keyDown(document.body, { key: 's', code: 'KeyS' }));
  expect(entries()).toMatchObject([{ kind: 'log', entry: { result: 'solid' } }]);
  expect(entries()[0].entry.minutes).toBeGreaterThan(0);
  expect(name).not.toBe('');
  press('Begin the clock anew');
});

test('an evening that starts late says when it now ends', async () => {
  atClock('19:08');
  await open(5);
  press('Start the evening');
  expect(order().textContent).toContain('it ends at 20:08');
  press('Begin the clock anew');
});

test('finishing without a connection says why it waits', async () => {
  const monday = mondayClass();
  const entry = { id: 'x', lesson: 5, pattern: 'gather', result: 'solid' };
  const waiting = [{ kind: 'log', entry }] as unknown as typeof monday.waiting;
  await renderInClass(<LessonPage />, { lesson: 5, inClass: { ...monday, waiting } });
  fireEvent.click(screen.getByRole('button', { name: 'Finish lesson 5' }));
  expect(screen.getByText(/It waits until one mark is sent/)).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Finish and draft the recap' })).toHaveProperty('disabled', true);
});

test('before it is finished it says what will be logged as not reached, and then sends just that', async () => {
  const { server } = await open(5);
  fireEvent.click(screen.getByRole('button', { name: 'Finish lesson 5' }));
  expect(screen.getByText('These will be logged as not reached:')).toBeTruthy();
  await act(async () => fireEvent.click(screen.getByRole('button', { name: 'Finish and draft the recap' })));
  await waitFor(() => expect(server.sent).toHaveLength(1));
  const [{ logs }] = server.sent as [{ logs: { result: string; lesson: number }[] }];
  expect(logs.length).toBeGreaterThan(0);
  expect(new Set(logs.map(({ result, lesson }) => `${lesson} ${result}`))).toEqual(
    new Set(['5 not-reached']),
  );
});

test('a lesson after the next is looked at, and not marked', async () => {
  await open(6);
  expect(screen.getByText('This lesson comes after lesson 5 is finished.')).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'Solid' })).toBeNull();
});

/** Lesson 5 had its day a week ago, and nobody wrote of it. */
function openAfterUnwritten(lesson: number) {
  return renderInClass(<LessonPage />, { lesson, inClass: mondayClass(), today: '2026-03-16' });
}

test('an evening of which nobody wrote does not lock the next one, and is asked about above it', async () => {
  const { server } = await openAfterUnwritten(6);
  expect(screen.getByRole('button', { name: 'Start the evening' })).toBeTruthy();
  expect(screen.getByText('Nothing was written of lesson 5 (Monday 9 March)')).toBeTruthy();
  expect(
    screen.getByText(/It is taken as planned until somebody says how it went: .*Right turn/),
  ).toBeTruthy();
  expect(screen.getByRole('link', { name: /It was not held/ })).toBeTruthy();
  press('It went as planned');
  await waitFor(() => expect(server.sent).toHaveLength(1));
  const [{ logs }] = server.sent as [{ logs: { result: string; lesson: number; pattern: string }[] }];
  expect(logs.map(({ pattern }) => pattern)).toContain('right-turn');
  expect(new Set(logs.map(({ result, lesson }) => `${lesson} ${result}`))).toEqual(new Set(['5 solid']));
});

test('it is written down late as the plan then was, and finished like any other', async () => {
  await openAfterUnwritten(5);
  const marks = await screen.findByRole('group', { name: 'How Right turn went' });
  expect(within(marks).getByRole('button', { name: 'Solid' })).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Finish lesson 5' })).toBeTruthy();
});

test('a lesson that was taught tells what happened, and leads to its recap', async () => {
  const { router } = await open(4);
  expect(screen.getByRole('heading', { name: 'Lesson 4, taught' })).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Recap of lesson 4' }));
  expect(router.state.location.pathname).toBe('/courses/hustle-1/recap');
});

test('who is here is one tap a student', async () => {
  const { entries, section } = await open(5);
  const count = section.students.length;
  await act(async () => press(`0 of ${count} here`));
  const first = section.students[0];
  await act(async () => fireEvent.click(screen.getByRole('button', { name: new RegExp(first?.name ?? '') })));
  expect(entries()).toMatchObject([
    { kind: 'present', entry: { lesson: 5, student: first?.id, here: true } },
  ]);
  await act(async () => press('All are here'));
  expect(entries()).toHaveLength(1 + count);
});
