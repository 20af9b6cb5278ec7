import { expect, test } from 'vitest';
import { nextStep, type SetUpState, setUpSteps } from './steps.ts';

const NOTHING: SetUpState = { dances: [], levels: [], figures: 0, courses: [], people: 1 };
const dance = { id: 'quay', name: 'Quay' };
const level = { id: 'quay-1', dance: 'quay', name: 'Quay 1' };
const section = {
  id: 'monday',
  course: 'one',
  start: '19:00',
  dates: [],
  room: null,
  staff: [],
  students: 0,
  behind: 0,
};
const course = {
  id: 'one',
  name: 'One',
  dances: ['quay'],
  level: null,
  lessons: 6,
  items: 10,
  published: false,
  sections: [],
};

test.each<[string, Partial<SetUpState>, string | undefined]>([
  ['nothing', {}, '/dances/new'],
  ['a dance', { dances: [dance] }, '/dances/quay?part=levels'],
  ['its level', { dances: [dance], levels: [level] }, '/dances/quay?part=figures'],
  ['figures', { dances: [dance], levels: [level], figures: 3 }, '/courses/new?dance=quay'],
  ['a course', { dances: [dance], levels: [level], courses: [course] }, '/courses/one/map'],
  [
    'a published plan',
    { dances: [dance], levels: [level], courses: [{ ...course, published: true }] },
    '/classes/new?course=one',
  ],
  [
    'a class',
    { dances: [dance], levels: [level], courses: [{ ...course, published: true, sections: [section] }] },
    '/classes/monday?part=students',
  ],
  [
    'its students',
    {
      dances: [dance],
      levels: [level],
      courses: [{ ...course, published: true, sections: [{ ...section, students: 12 }] }],
    },
    '/people',
  ],
  [
    'a second person',
    {
      dances: [dance],
      levels: [level],
      courses: [{ ...course, published: true, sections: [{ ...section, students: 12 }] }],
      people: 2,
    },
    undefined,
  ],
])('with %s the next step leads on', (_, more, to) => {
  expect(nextStep(setUpSteps({ ...NOTHING, ...more }))?.to).toBe(to);
});
