// @vitest-environment happy-dom
import type { Timetable, TimetableRequest } from '@map-step/core';
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { courseContent } from '../../test/in-course.tsx';
import { renderOnServer } from '../../test/on-server.tsx';
import { TimetableDesk } from './timetable-desk.tsx';

const laid = vi.hoisted(() => ({ asked: [] as unknown[], timetable: undefined as unknown }));
// No worker runs here: what it would find is given.
vi.mock('../../workers/programmes.ts', () => ({
  runTimetable: (request: unknown) => {
    laid.asked.push(request);
    return { done: Promise.resolve(laid.timetable), stop: () => undefined };
  },
}));

const { answer } = courseContent('director');
const course = { ...answer.course, level: 'one' };
const request: TimetableRequest = {
  classes: [{ level: 'one', times: 2, minutes: 60 }],
  slots: [{ room: 'loft', day: 'Monday', start: '18:00', end: '20:00' }],
  staff: [{ person: 'ana', levels: ['one'], free: [{ day: 'Monday', from: '18:00', to: '22:00' }], most: 2 }],
};
const timetable: Timetable = {
  placed: [{ level: 'one', n: 1, room: 'loft', day: 'Monday', start: '18:00', person: 'ana' }],
  left: [{ level: 'one', n: 2, why: 'taken', would: 'one more hour of loft on Monday, until 21:00' }],
  ...{ cost: 103, bound: 103, proven: true },
};

function open() {
  laid.timetable = timetable;
  laid.asked.length = 0;
  return renderOnServer(
    <TimetableDesk
      begun={request}
      levels={[{ id: 'one', name: 'Hustle 1', dance: 'hustle' }]}
      people={[{ id: 'ana', name: 'Ana K' }]}
      rooms={[{ id: 'loft', name: 'Sail Loft' }]}
      courses={[{ id: course.id, name: 'Hustle 1', dances: ['hustle'], minutes: [60], level: 'one' }]}
      today="2026-03-09"
    />,
    {
      answers: {
        [`GET /api/courses/${course.id}`]: { ...answer, course },
        'POST /api/courses': ({ body }: { body: unknown }) => ({ ...answer, ...(body as object) }),
        'POST /api/sections': ({ body }: { body: unknown }) => ({ ...answer, body }),
      },
    },
  );
}
const lay = async () =>
  act(async () => fireEvent.click(await screen.findByRole('button', { name: 'Lay out the timetable' })));

test('what is asked stands as lines; one that cannot be read is told and nothing is laid out', async () => {
  open();
  const classes = await screen.findByLabelText('Classes');
  expect((classes as HTMLTextAreaElement).value).toBe('Hustle 1: 2 of 60 min');
  fireEvent.change(classes, { target: { value: 'Hustle 9: 2 of 60 min' } });
  expect(screen.getByText('Line 1: there is no level “Hustle 9”.')).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Lay out the timetable' })).toHaveProperty('disabled', true);
  fireEvent.change(classes, { target: { value: 'Hustle 1: 2 of 60 min' } });
  await lay();
  expect(laid.asked).toEqual([request]);
});

test('what has no place is told with what would give it one; a class moved by hand names what it breaks', async () => {
  open();
  await lay();
  expect(await screen.findByText(/1 of 2 classes have a place\. No timetable is better\./)).toBeTruthy();
  expect(screen.getByText(/It would have one with one more hour of Sail Loft on Monday/)).toBeTruthy();
  fireEvent.change(screen.getByLabelText('Begin of Hustle 1 (1)'), { target: { value: '19:30' } });
  const broken = screen.getByText('What this breaks').parentElement as HTMLElement;
  expect(
    within(broken.parentElement as HTMLElement).getByText(/Sail Loft is not open for Hustle 1 \(1\)/),
  ).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Make this class all the same' })).toBeTruthy();
});

test('it becomes a course a level, and its classes with their evenings', async () => {
  const { sent } = open();
  await lay();
  fireEvent.change(await screen.findByLabelText('Begins in the week of'), {
    target: { value: '2026-04-15' },
  });
  fireEvent.change(screen.getByLabelText('What the term is called'), { target: { value: 'spring' } });
  await act(async () => fireEvent.click(screen.getByRole('button', { name: 'Make this class' })));
  await waitFor(() => expect(screen.getByText('One class made')).toBeTruthy());
  const bodyOf = (path: string) => sent.find(one => one.method === 'POST' && one.path === path)?.body;
  expect(bodyOf('/api/courses')).toMatchObject({ course: { name: 'Hustle 1, spring', items: course.items } });
  const { section } = bodyOf('/api/sections') as { section: { dates: string[] } };
  expect(section).toMatchObject({ room: 'loft', start: '18:00', staff: [{ person: 'ana' }], students: [] });
  expect(section.dates[0]).toBe('2026-04-13');
  expect(section.dates).toHaveLength(course.lessons.length);
});
