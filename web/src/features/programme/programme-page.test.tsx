// @vitest-environment happy-dom
import type {
  CourseListAnswer,
  FindingsAnswer,
  LevelsAnswer,
  TodayAnswer,
  TodaysClass,
} from '@map-step/contract';
import { act, cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import { courseContent } from '../../test/in-course.tsx';
import { renderOnServer } from '../../test/on-server.tsx';
import { ProgrammePage } from './programme-page.tsx';

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

const todaysClass = (id: string, more: Partial<TodaysClass>): TodaysClass => ({
  id,
  course: 'hustle-1',
  name: 'Hustle 1',
  level: 'hustle-1',
  lessons: 8,
  start: '19:00',
  dates: ['2026-03-02', '2026-03-09'],
  room: 'sail-loft',
  staff: [{ person: 'suki-larch' }],
  students: 14,
  standing: { unlogged: [], unrecapped: [], behind: [], ahead: [] },
  ...more,
});
const standing = (more: Partial<TodaysClass['standing']>): Pick<TodaysClass, 'standing'> => ({
  standing: { unlogged: [], unrecapped: [], behind: [], ahead: [], ...more },
});
const NOTHING: TodayAnswer = { today: '2026-03-09', classes: [], figures: {}, plans: [] };

interface Setting {
  readonly today?: Partial<TodayAnswer>;
  readonly role?: 'director' | 'teacher';
  readonly pages?: readonly CourseListAnswer[];
  readonly refuses?: boolean;
  readonly levels?: LevelsAnswer['dances'];
  readonly findings?: FindingsAnswer['findings'];
  readonly more?: Readonly<Record<string, unknown>>;
}

const ONE: readonly CourseListAnswer[] = [{ courses: [course('hustle-1', 'Hustle 1')], more: false }];

function open({
  role = 'director',
  pages = ONE,
  refuses = false,
  today = {},
  levels = [],
  more = {},
  findings = [],
}: Setting = {}) {
  const refused = { code: 'forbidden', message: 'Not for you.', id: '1' };
  renderOnServer(<ProgrammePage />, {
    role,
    answers: {
      'GET /api/today': { ...NOTHING, ...today },
      'GET /api/today/faults': { faults: [] },
      'GET /api/levels': { dances: levels },
      'GET /api/levels/findings': { findings },
      ...more,
      'GET /api/courses': ({ query }: { query: URLSearchParams }) =>
        refuses ? Response.json(refused, { status: 403 }) : pages[Number(query.get('page') ?? 0)],
    },
  });
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
  ['director', /^No course yet/],
  ['teacher', /^The director has not/],
] as const)('a studio without courses tells a %s so', async (role, words) => {
  open({ role, pages: [{ courses: [], more: false }] });
  expect(await screen.findByText(words)).toBeTruthy();
});

test('a director of a studio with nothing in it is led to the first step', async () => {
  open({ pages: [{ courses: [], more: false }] });
  const next = await screen.findByRole('link', { name: 'Next: a dance' });
  expect(next.getAttribute('href')).toBe('/dances/new');
});

test('a teacher sees their own class of tonight first, and of what is to be written only their own', async () => {
  const others = todaysClass('others', {
    name: 'Balboa 1',
    start: '18:00',
    ...standing({ today: 2, unlogged: [1] }),
  });
  const own = todaysClass('own', {
    staff: [{ person: courseContent('teacher').me.id }],
    ...standing({ today: 2, unrecapped: [1], behind: ['wrap'] }),
  });
  open({ role: 'teacher', today: { classes: [others, own], figures: { wrap: 'Wrap' } } });
  const tonight = await screen.findByRole('region', { name: 'Tonight' });
  expect(
    within(tonight)
      .getAllByRole('link')
      .map(link => link.textContent),
  ).toEqual(['Hustle 1, lesson 2 of 8', 'Balboa 1, lesson 2 of 8']);
  const toWrite = screen.getByRole('region', { name: 'Still to write down' });
  expect(
    within(toWrite)
      .getAllByRole('link')
      .map(link => link.textContent),
  ).toEqual(['Hustle 1, lesson 1']);
  expect(screen.getByText('has not reached Wrap')).toBeTruthy();
});

test('on the lane of a dance each class stands on its level, and a mend is taken without being published', async () => {
  const course = { ...courseContent('director').answer.course, level: 'hustle-2' };
  const item = course.items[0]?.pattern ?? '';
  const finding = {
    ...{ dance: 'hustle', level: 'hustle-2', code: 'twice', message: 'It is introduced twice' },
    mend: {
      ...{ words: 'Leave it out of Hustle 2', change: { drop: item } },
      courses: [{ id: course.id, name: 'Hustle 2' }],
      costs: [{ level: 'Hustle 2', before: 90, after: 80 }],
    },
  };
  const level = { id: 'hustle-2', name: 'Hustle 2', minutes: 90, figures: 9, requires: 2 };
  const sent: unknown[] = [];
  open({
    levels: [{ id: 'hustle', name: 'Hustle', levels: [level] }],
    findings: [finding],
    today: {
      classes: [todaysClass('own', { level: 'hustle-2', ...standing({ today: 2, behind: ['wrap'] }) })],
      figures: { wrap: 'Wrap' },
    },
    more: {
      [`GET /api/courses/${course.id}`]: { ...courseContent('director').answer, course },
      [`POST /api/courses/${course.id}/commands`]: ({ body }: { body: unknown }) => {
        sent.push(body);
        return { ...courseContent('director').answer, course };
      },
    },
  });
  const lanes = await screen.findByRole('region', { name: 'Levels' });
  expect(await within(lanes).findByText('tonight')).toBeTruthy();
  expect(within(lanes).getByText('1 behind')).toBeTruthy();
  fireEvent.click(within(lanes).getByRole('button', { name: /Worth a look in Hustle/ }));
  expect(within(lanes).getByText('Hustle 2 then takes 80 min instead of 90')).toBeTruthy();
  await act(async () => fireEvent.click(within(lanes).getByText('Leave it out of Hustle 2')));
  expect(await within(lanes).findByText(/seen by nobody until it is published/)).toBeTruthy();
  await waitFor(() => expect(sent).toHaveLength(1));
});

test('only the director lays out classes', async () => {
  open({ role: 'teacher' });
  await screen.findByRole('link', { name: 'Hustle 1' });
  expect(screen.queryByRole('link', { name: 'Evenings, staff, students' })).toBeNull();
  cleanup();
  open();
  expect(await screen.findByRole('link', { name: 'Evenings, staff, students' })).toBeTruthy();
});

test('what the server refuses is told', async () => {
  open({ refuses: true });
  expect(await screen.findByText('Not for you.')).toBeTruthy();
});
