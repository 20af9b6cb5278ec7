import type { RemovableKind, SetUpKind } from '@map-step/contract';
import { type FieldChange, RHYTHM_TEMPLATES } from '@map-step/core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { demoStudio } from '../../test/demo-studio.ts';
import { startTestServer, type TestPerson, type TestServer } from '../../test/test-server.ts';

let server: TestServer;
let ottilie: TestPerson;
beforeAll(async () => {
  server = await startTestServer(demoStudio());
  ottilie = await server.person('ottilie-marsh');
});
afterAll(() => server.close());

const create = (kind: SetUpKind, entry: object) => ottilie.call('entry.create', { body: { kind, entry } });
const edit = (kind: SetUpKind, entry: string, ...changes: FieldChange[]) =>
  ottilie.call('entry.command', {
    params: { kind, entry },
    body: { command: { kind: 'edit', what: 'Changed', changes } },
  });
const remove = (kind: RemovableKind, entry: string) =>
  ottilie.call('entry.remove', { params: { kind, entry } });
const studioEdit = (...changes: FieldChange[]) =>
  ottilie.call('studio.command', { body: { command: { kind: 'edit', what: 'Changed', changes } } });

const frame = RHYTHM_TEMPLATES[0]?.dance;

describe('entries one by one', () => {
  test.each<[SetUpKind, { id: string }, FieldChange]>([
    [
      'dances',
      { id: 'quay', name: 'Quay', ...frame } as { id: string },
      { field: 'countCycle', from: 6, to: 8 },
    ],
    [
      'elements',
      { id: 'rhythm-rest', name: 'rest', strand: 'rhythm', minutes: 3 } as { id: string },
      { field: 'minutes', from: 3, to: 5 },
    ],
    [
      'rooms',
      { id: 'attic', name: 'Attic', length: 6, width: 5 } as { id: string },
      { field: 'width', from: 5, to: 7 },
    ],
    [
      'people',
      { id: 'ivo', name: 'Ivo', role: 'teacher' } as { id: string },
      { field: 'role', from: 'teacher', to: 'stand-in' },
    ],
    [
      'students',
      { id: 'una', name: 'Una', role: 'lead' } as { id: string },
      { field: 'name', from: 'Una', to: 'Una K' },
    ],
  ])('of the %s: made, changed, taken back, taken away', async (kind, entry, change) => {
    expect((await create(kind, entry)).body).toMatchObject({ version: 1, body: entry });
    expect((await create(kind, entry)).status).toBe(409);
    const changed = await edit(kind, entry.id, change);
    expect(changed.body.body).toMatchObject({ [change.field]: change.to });
    const [last] = changed.body.history;
    const back = await ottilie.call('entry.command', {
      params: { kind, entry: entry.id },
      body: { command: { kind: 'undo', of: last?.id } },
    });
    expect(back.body.body).toEqual(entry);
    expect((await remove(kind, entry.id)).body).toEqual({ removed: entry.id });
    expect((await ottilie.call('entry.read', { params: { kind, entry: entry.id } })).status).toBe(404);
  });

  test('what somebody else has changed since is not overwritten', async () => {
    await edit('rooms', 'net-room', { field: 'name', from: 'Net Room', to: 'Rope Room' });
    const late = await edit('rooms', 'net-room', { field: 'name', from: 'Net Room', to: 'Sail Room' });
    expect([late.status, late.body.code]).toEqual([409, 'stale']);
    await edit('rooms', 'net-room', { field: 'name', from: 'Rope Room', to: 'Net Room' });
  });

  test('a level of a dance that is not there is refused', async () => {
    const refused = await create('levels', { id: 'x-1', dance: 'nowhere', name: 'X', order: 1 });
    expect([refused.status, refused.body.message]).toEqual([400, expect.stringContaining('nowhere')]);
  });

  test.each<[RemovableKind, string, string]>([
    ['dances', 'hustle', 'levels (Hustle 1, Hustle 2, Hustle 3), figures'],
    ['levels', 'hustle-1', 'figures'],
    ['rooms', 'sail-loft', 'classes'],
    ['people', 'bram-okoro', 'the staff of classes'],
    ['patterns', 'wrap', 'courses (Hustle 1'],
    ['courses', 'hustle-1', 'classes (hustle-1-monday'],
    ['sections', 'hustle-1-monday', 'what was logged'],
  ])('of the %s, %s is needed: it stays, and what needs it is named', async (kind, id, words) => {
    const refused = await remove(kind, id);
    expect([refused.status, refused.body.message]).toEqual([409, expect.stringContaining(words)]);
  });

  test('a figure that a lesson looks at again is needed, though it is no item any more', async () => {
    const figure = { id: 'once-more', dance: 'hustle', name: 'Once more', kind: 'drill' };
    await ottilie.call('figure.create', { body: { figure } });
    const { course, version } = (await ottilie.call('course.read', { params: { course: 'tap-1' } })).body;
    const lessons = course.lessons.map((lesson, index) =>
      index === 1 ? { ...lesson, again: [figure.id] } : lesson,
    );
    const changes = [{ field: 'lessons', from: course.lessons, to: lessons }];
    const changed = await ottilie.call('course.command', {
      params: { course: 'tap-1' },
      body: { seen: version, command: { kind: 'edit', what: 'A second look', changes } },
    });
    expect(changed.status).toBe(200);
    const refused = await remove('patterns', figure.id);
    expect([refused.status, refused.body.message]).toEqual([409, expect.stringContaining('courses (Tap 1')]);
  });

  test('a dance is not changed so that its figures cannot be danced: they are named', async () => {
    const hustle = demoStudio().dances?.[0];
    const holds = hustle?.holds ?? [];
    const refused = await edit('dances', 'hustle', {
      field: 'holds',
      from: JSON.parse(JSON.stringify(holds)),
      to: JSON.parse(JSON.stringify(holds.filter(({ id }) => id !== 'wrap'))),
    });
    expect([refused.status, refused.body.message]).toEqual([409, expect.stringContaining('Wrap')]);
    expect((await edit('dances', 'hustle', { field: 'phrase', from: 8, to: 32 })).status).toBe(200);
    await edit('dances', 'hustle', { field: 'phrase', from: 32, to: 8 });
  });
});

describe('what a studio decides', () => {
  test('counting, cautions, holidays, consent and local rules; everybody of the studio reads them', async () => {
    const { body } = await ottilie.call('studio.document');
    const { holidays = null, settings = null } = body.body;
    const easter = { from: '2026-04-03', to: '2026-04-06', name: 'Easter' };
    const changed = await studioEdit(
      { field: 'counting', from: 'numbers', to: 'slow-quick' },
      { field: 'holidays', from: JSON.parse(JSON.stringify(holidays)), to: [easter] },
      {
        field: 'settings',
        from: JSON.parse(JSON.stringify(settings)),
        to: { consent: 'Kept for a year.', localRules: 'By the door.' },
      },
    );
    expect(changed.status).toBe(200);
    const bram = await server.person('bram-okoro');
    expect((await bram.call('studio.read')).body).toMatchObject({
      consent: 'Kept for a year.',
      localRules: 'By the door.',
      holidays: [easter],
      studio: { counting: 'slow-quick' },
    });
    const [last] = changed.body.history;
    const back = await ottilie.call('studio.command', { body: { command: { kind: 'undo', of: last?.id } } });
    expect(back.status).toBe(200);
  });

  test('a time zone that does not exist is refused with its place', async () => {
    const refused = await studioEdit({ field: 'timezone', from: 'Europe/London', to: 'Mars/Olympus' });
    expect([refused.status, refused.body.message]).toEqual([400, expect.stringContaining('timezone')]);
  });
});

describe('classes and their students', () => {
  const section = {
    id: 'hustle-1-friday',
    course: 'hustle-1',
    room: 'net-room',
    start: '20:15',
    dates: ['2026-04-17'],
    staff: [{ person: 'suki-larch' }],
    students: [],
  };
  const enrol = (...students: object[]) =>
    ottilie.call('section.enrol', {
      params: { section: section.id },
      body: { students, from: '2026-04-17' },
    });

  test('a class is made, takes students by their names, two of one name too, and stands in the term', async () => {
    expect((await ottilie.call('section.create', { body: { section } })).status).toBe(200);
    const after = await enrol({ name: 'Mia', role: 'lead' }, { name: 'Mia', role: 'follow' });
    expect(after.body.body.students.map(({ role, from }) => [role, from])).toEqual([
      ['lead', '2026-04-17'],
      ['follow', '2026-04-17'],
    ]);
    const { body } = await ottilie.call('term.read', {
      query: new URLSearchParams({ from: '2026-04-01', to: '2026-04-30' }),
    });
    expect(body.classes.find(({ id }) => id === section.id)).toMatchObject({ start: '20:15', behind: 0 });
    expect(body.courses.find(({ id }) => id === 'hustle-1')?.minutes).toHaveLength(8);
    expect(JSON.stringify(body)).not.toContain('Mia');
  });

  test('a term of more than 400 days, or one that ends before it begins, is refused', async () => {
    for (const [from, to] of [
      ['2026-01-01', '2027-12-31'],
      ['2026-05-01', '2026-04-01'],
    ])
      expect(
        (await ottilie.call('term.read', { query: new URLSearchParams({ from: from ?? '', to: to ?? '' }) }))
          .status,
      ).toBe(400);
  });

  test('a class of a course that is not there is refused', async () => {
    const refused = await ottilie.call('section.create', {
      body: { section: { ...section, id: 'x', course: 'nowhere' } },
    });
    expect(refused.status).toBe(400);
  });
});

describe('the data of one student', () => {
  test('are given out whole, and erased so that nothing names them and every count stays', async () => {
    const [member] = demoStudio().sections?.[0]?.students ?? [];
    const student = member?.student ?? '';
    const name = demoStudio().students?.find(({ id }) => id === student)?.name ?? '';
    const params = { student };
    const file = await ottilie.call('student.export', { params });
    const told = JSON.parse(String(file.body)) as Record<string, unknown[]>;
    expect(told['student']).toMatchObject({ name });
    expect(told['attendance']?.length).toBeGreaterThan(0);

    const readClass = async () =>
      (await ottilie.call('section.read', { params: { section: 'hustle-1-monday' } })).body;
    const countsOf = ({ counts, attendance }: Awaited<ReturnType<typeof readClass>>) => [
      counts,
      attendance.length,
      attendance.filter(({ here }) => here).length,
    ];
    const before = countsOf(await readClass());
    const erased = await ottilie.call('student.erase', { params });
    expect(erased.status).toBe(200);
    const after = await readClass();
    expect(countsOf(after)).toEqual(before);
    expect(after.section.students.some(entry => entry.student === erased.body.erased)).toBe(true);
    for (const table of ['sections', 'students', 'attendance', 'marks', 'history', 'set_aside']) {
      const rows = await server.database.select(
        `SELECT 1 AS one FROM ${table} t WHERE studio_id = $1 AND (t::text LIKE $2 OR t::text LIKE $3)`,
        [server.studioId, `%"${student}"%`, `%"${name}"%`],
      );
      expect([table, rows.length]).toEqual([table, 0]);
    }
    expect((await ottilie.call('student.export', { params })).status).toBe(404);
  });
});
