// @vitest-environment happy-dom
import type { TermAnswer } from '@map-step/contract';
import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { expect, test } from 'vitest';
import { demoStudio } from '../../test/in-course.tsx';
import { renderOnServer } from '../../test/on-server.tsx';
import { ClassPage } from './class-page.tsx';

const section = demoStudio.sections?.[0];
const course = demoStudio.courses?.find(({ id }) => id === section?.course);
if (!section || !course) throw new Error('the demo has no class');
const id = section.id;
const term: TermAnswer = {
  classes: [
    { ...section, students: undefined, behind: 4 },
    { ...section, id: 'other', start: '20:00', dates: [section.dates[5] ?? ''], behind: 0 },
  ].map(({ students: _, ...one }) => one),
  courses: [
    {
      id: course.id,
      name: course.name,
      dances: course.dances,
      level: course.level ?? null,
      minutes: course.lessons.map(({ minutes }) => minutes),
    },
  ],
};
const TOLD = { section, version: 1, students: [], logs: [], attendance: [], notes: [], recaps: [], seq: 0 };
const stored = (body: object) => ({ body, version: 1, history: [] });

function open(written: object[] = [], part = '', more: Readonly<Record<string, unknown>> = {}) {
  return renderOnServer(<ClassPage />, {
    at: `/classes/${id}${part}`,
    path: '/classes/:class',
    answers: {
      [`GET /api/sections/${id}/document`]: stored(section ?? {}),
      [`POST /api/sections/${id}/commands`]: () => stored({ ...section, start: '19:30' }),
      [`GET /api/courses/${course?.id}`]: {
        course,
        version: 1,
        published: null,
        sections: [],
        history: [],
      },
      'GET /api/term': term,
      [`GET /api/sections/${id}`]: { ...TOLD, logs: written },
      ...more,
    },
  });
}

test('another hour that meets another class is named before it is saved, and nothing is sent until somebody saves', async () => {
  const { sent } = open();
  const hour = await screen.findByLabelText('Begins at');
  expect(screen.queryByRole('alert')).toBeNull();
  await act(async () => fireEvent.change(hour, { target: { value: '19:30' } }));
  const told = await screen.findByText('Two classes at once');
  expect(told.parentElement?.textContent).toContain('Sail Loft is taken by Hustle 1');
  expect(told.parentElement?.textContent).toContain('Bram Okoro teaches Hustle 1');
  expect(sent).toEqual([]);
  await act(async () => fireEvent.click(screen.getByRole('button', { name: 'Save it all the same' })));
  await waitFor(() => expect(sent).toHaveLength(1));
  expect(sent[0]?.body).toMatchObject({
    command: { kind: 'edit', changes: [{ field: 'start', from: '19:00', to: '19:30' }] },
  });
});

test('what is laid out and not saved can be left as it was', async () => {
  const { sent } = open();
  const hour = await screen.findByLabelText('Begins at');
  await act(async () => fireEvent.change(hour, { target: { value: '17:00' } }));
  expect(screen.getByText('not saved yet')).toBeTruthy();
  await act(async () => fireEvent.click(screen.getByRole('button', { name: 'Leave it as it was' })));
  expect(screen.getByLabelText('Begins at')).toHaveProperty('value', '19:00');
  expect(sent).toEqual([]);
});

test('an evening is called off with one press, a past one too of which nothing was written', async () => {
  const past = section.dates[4] ?? '';
  const { sent } = open([{ lesson: 4 }], '?part=off');
  const why = await screen.findByLabelText('Why, as students may read it');
  await waitFor(() =>
    expect(screen.getByRole('combobox', { name: 'The evening of' }).textContent).toContain('9 Mar'),
  );
  await act(async () => fireEvent.change(why, { target: { value: 'No heating' } }));
  await act(async () => fireEvent.click(screen.getByRole('button', { name: 'Call it off' })));
  await waitFor(() => expect(sent).toHaveLength(1));
  expect(JSON.stringify(sent[0]?.body)).toContain(JSON.stringify({ date: past, why: 'No heating' }));
});

test('a class of which something was written is not offered to be taken away', async () => {
  const offer = () => screen.queryByRole('button', { name: /^Take this class away/ });
  open([{ lesson: 1 }]);
  await screen.findByLabelText('Begins at');
  await act(async () => undefined);
  expect(offer()).toBeNull();
  cleanup();
  open();
  await waitFor(() => expect(offer()).not.toBeNull());
});

test('a name that the studio knows is offered before a new student is made; somebody else may have it too', async () => {
  const newest = { section: 'autumn', course: 'hustle-1', name: 'Hustle 1, autumn', start: '19:00' };
  const known = { ...newest, first: '2025-09-01', last: '2025-10-27', entered: [{ role: 'lead' }] };
  let answer: () => void = () => undefined;
  const answered = new Promise<void>(resolve => {
    answer = resolve;
  });
  const { sent } = open([], '', {
    'POST /api/students/match': () =>
      answered.then(() => ({ students: [{ id: 'student-1', name: 'Zoe Q', classes: [known] }] })),
    [`POST /api/sections/${id}/students`]: stored(section ?? {}),
  });
  const names = await screen.findByLabelText('Leaders, one name a line');
  await act(async () => fireEvent.change(names, { target: { value: 'zoe q\nNew N\nZoe Q' } }));
  await act(async () => fireEvent.click(screen.getByRole('button', { name: 'Enter these 3 students' })));
  await act(async () => answer());
  await screen.findByText('zoe q has been here before:');
  expect(sent.some(({ path }) => path.endsWith(`${id}/students`))).toBe(false);
  await act(async () => fireEvent.click(screen.getByRole('button', { name: 'Enter these 3 students' })));
  await waitFor(() => expect(sent.at(-1)?.path).toMatch(/students$/));
  expect(sent.at(-1)?.body).toMatchObject({
    students: [{ name: 'zoe q', known: 'student-1' }, { name: 'New N' }, { name: 'Zoe Q', role: 'lead' }],
  });
  expect(sent.at(-1)?.body).not.toHaveProperty('students.2.known');
  expect(screen.getAllByText('the one of Hustle 1, autumn, Monday 19:00, until 27 Oct 2025')).not.toEqual([]);
});
