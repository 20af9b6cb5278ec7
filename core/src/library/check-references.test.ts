import { expect, test } from 'vitest';
import type { Pattern, StudioDocument } from '../model/document.ts';
import { course, dance, figure, studio } from '../test/studio.ts';
import { checkReferences } from './check-references.ts';

const at = '2026-03-09T19:00:00Z';

/** A studio that names everything that can be named. */
const named: StudioDocument = studio(
  [
    figure('walk'),
    figure('turn', {
      level: 'one',
      variantOf: 'walk',
      over: 'walk',
      needs: ['walk'],
      lookalikes: ['walk'],
      elements: ['frame'],
      made: [{ pattern: 'walk' }] as unknown as NonNullable<Pattern['made']>,
      exit: ['near'],
      holds: [{ at: 3, hold: 'near' }] as unknown as NonNullable<Pattern['holds']>,
      cuts: [{ at: 5, hold: 'open' }] as unknown as NonNullable<Pattern['cuts']>,
    }),
    figure('close', { exit: 'near' }),
  ],
  {
    elements: [{ id: 'frame', dance: 'quay', name: 'Frame', strand: 'hold', minutes: 2 }],
    combinations: [
      {
        id: 'chain',
        name: 'Chain',
        dance: 'quay',
        start: { hold: 'open' },
        steps: [{ pattern: 'walk' }, { oneOf: ['turn', null] }],
        end: 'free',
      },
    ],
    courses: [
      course([{ pattern: 'walk', value: 'must' }], {
        lessons: [{ minutes: 60, blocks: [], dance: 'quay' }],
        placed: [{ pattern: 'walk', lesson: 1 }],
      } as unknown as Parameters<typeof course>[1]),
    ],
    rooms: [{ id: 'hall', name: 'Hall', length: 10, width: 8 }],
    people: [{ id: 'ada', name: 'Ada', role: 'teacher' }],
    students: [{ id: 'kit', name: 'Kit', role: 'lead' }],
    sections: [
      {
        id: 'monday',
        course: 'quay-1',
        room: 'hall',
        start: '19:00',
        dates: ['2026-03-09'],
        staff: [{ person: 'ada' }],
        students: [{ student: 'kit', role: 'lead' }],
      },
    ],
    plans: [
      {
        course: 'quay-1',
        name: 'First',
        by: 'ada',
        at,
        placed: [{ pattern: 'walk', lesson: 1 }],
        left: ['turn'],
      },
    ],
    logs: [{ id: 'log', section: 'monday', lesson: 1, pattern: 'walk', result: 'solid', by: 'ada', at }],
    attendance: [
      { id: 'here', section: 'monday', lesson: 1, student: 'kit', role: 'lead', here: true, by: 'ada', at },
    ],
    recaps: [{ section: 'monday', lesson: 1, audience: 'students', markdown: '' }],
    checks: [
      {
        id: 'half',
        section: 'monday',
        kind: 'half-way',
        date: '2026-03-09',
        items: [{ pattern: 'walk', layers: ['steps'], gate: false }],
        marks: [{ student: 'kit', pattern: 'walk', layer: 'steps', mark: 'yes', by: 'ada', at }],
      },
    ] as unknown as NonNullable<StudioDocument['checks']>,
  },
);

const IDS = `
  levels/0/dance patterns/1/dance patterns/1/level patterns/1/variantOf patterns/1/over patterns/1/needs/0
  patterns/1/lookalikes/0 patterns/1/elements/0 patterns/1/made/0/pattern elements/0/dance
  combinations/0/dance combinations/0/steps/0/pattern combinations/0/steps/1/oneOf/0
  courses/0/dances/0 courses/0/level courses/0/lessons/0/dance courses/0/items/0/pattern courses/0/placed/0/pattern
  plans/0/course plans/0/by plans/0/placed/0/pattern plans/0/left/0
  sections/0/course sections/0/room sections/0/staff/0/person sections/0/students/0/student
  logs/0/section logs/0/pattern logs/0/by attendance/0/section attendance/0/student attendance/0/by
  recaps/0/section checks/0/section checks/0/items/0/pattern
  checks/0/marks/0/student checks/0/marks/0/pattern checks/0/marks/0/by
`
  .trim()
  .split(/\s+/);

const HOLDS = `
  patterns/0/entry/0 patterns/1/exit/0 patterns/2/exit patterns/1/holds/0/hold patterns/1/cuts/0/hold
  combinations/0/start/hold
`
  .trim()
  .split(/\s+/);

/** The studio with another name at one place. */
function misnamed(path: string): StudioDocument {
  const copy = JSON.parse(JSON.stringify(named)) as Record<string, unknown>;
  const keys = path.split('/');
  const last = keys.pop() ?? '';
  const place = keys.reduce<Record<string, unknown>>((inner, key) => {
    const next = inner[key];
    if (typeof next !== 'object' || next === null) throw new Error(`there is no ${path}`);
    return next as Record<string, unknown>;
  }, copy);
  if (typeof place[last] !== 'string') throw new Error(`nothing is named at ${path}`);
  place[last] = 'nowhere';
  return copy as unknown as StudioDocument;
}

const found = (document: StudioDocument) => checkReferences(document).map(({ code, at }) => [code, at]);

test('what is there may be named', () => {
  expect(found(named)).toEqual([]);
});

test.each(IDS)('%s names something that must be there', path => {
  expect(found(misnamed(path))).toEqual([['unknown-id', `/${path}`]]);
});

test.each(HOLDS)('%s names a hold that its dance must have', path => {
  expect(found(misnamed(path))).toEqual([['unknown-hold', `/${path}`]]);
});

test('a cut of two says in which hold it is; who dances alone has none', () => {
  const cut = { ...figure('cut'), cuts: [{ event: 2 }] };
  const alone = { ...dance, id: 'pier', roles: 'solo' as const, holds: [] };
  const solo = { ...cut, dance: 'pier', entry: [], parts: { solo: 'L tap, L place, R tap, R place' } };
  expect(found(studio([cut]))).toEqual([['unknown-hold', '/patterns/0/cuts/0/hold']]);
  expect(found(studio([solo], { dances: [alone], levels: [] }))).toEqual([]);
});

test('the message says what was looked for, and among what', () => {
  const [issue] = checkReferences(misnamed('sections/0/room'));
  expect(issue?.message).toBe('"nowhere" is not among the rooms');
  const [hold] = checkReferences(misnamed('patterns/0/entry/0'));
  expect(hold?.message).toBe(`"nowhere" is not a hold of ${dance.name}`);
});

test('what is told of a class is told of lessons that its course has', () => {
  const lessons = [1, 2].map(() => ({ minutes: 60, fixed: { arrive: 3, combine: 8, dance: 10, recap: 4 } }));
  const document = {
    courses: [{ id: 'one', dances: [], lessons, items: [] }],
    sections: [{ id: 'monday', course: 'one', staff: [], students: [] }],
    recaps: [1, 2, 3].map(lesson => ({ section: 'monday', lesson, audience: 'students', markdown: '' })),
  } as unknown as StudioDocument;
  expect(checkReferences(document)).toEqual([
    {
      severity: 'error',
      code: 'unknown-id',
      at: '/recaps/2/lesson',
      message: '3 is not among the 2 lessons of "monday"',
    },
  ]);
});
