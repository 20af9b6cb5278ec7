// Whoever comes back is known: found by name over all classes, entered again as who they are, and on one page.
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { demoStudio } from '../../test/demo-studio.ts';
import { eventsOf } from '../../test/events.ts';
import { startTestServer, type TestPerson, type TestServer } from '../../test/test-server.ts';

const section = 'hustle-1-monday';
const other = 'hustle-1-late';
const demo = demoStudio();
const monday = demo.sections?.find(({ id }) => id === section)?.students ?? [];
const alba = demo.students?.find(({ id }) => id === monday[0]?.student);
const name = alba?.name ?? '';

let server: TestServer;
let ottilie: TestPerson;
beforeAll(async () => {
  const late = (demo.sections ?? []).flatMap(one =>
    one.id === section ? [{ ...one, id: other, students: [] }] : [],
  );
  server = await startTestServer({ ...demo, sections: [...(demo.sections ?? []), ...late] });
  ottilie = await server.person('ottilie-marsh');
});
afterAll(() => server.close());

const find = async (named: string) =>
  (await ottilie.call('student.find', { query: new URLSearchParams({ named }) })).body.students;
const match = async (...names: string[]) =>
  (await ottilie.call('student.match', { body: { names } })).body.students;

test('a part of a name finds who has it, those who begin with it first, with their classes', async () => {
  const found = await find(name.slice(0, 3).toLowerCase());
  expect(found[0]?.name.toLowerCase().startsWith(name.slice(0, 3).toLowerCase())).toBe(true);
  const own = found.find(({ id }) => id === alba?.id);
  expect(own?.classes[0]).toMatchObject({
    section,
    course: 'hustle-1',
    name: 'Hustle 1',
    entered: [{ role: 'lead' }],
  });
  expect(await find('%')).toEqual([]);
});

test('a name in other letters is known; a part of it is not', async () => {
  expect((await match(name.toUpperCase(), 'Nobody N')).map(({ id }) => id)).toEqual([alba?.id]);
  expect(await match(name.slice(0, 3))).toEqual([]);
});

test('who is known is entered as who they are, beside somebody new; who is gone enters nobody', async () => {
  const enter = (students: object[]) =>
    ottilie.call('section.enrol', { params: { section: other }, body: { students } });
  const gone = await enter([
    { name: 'Gone G', role: 'lead', known: 'gone' },
    { name: 'New N', role: 'lead' },
  ]);
  expect([gone.status, await match('New N')]).toEqual([409, []]);
  const entered = await enter([
    { name, role: 'follow', known: alba?.id },
    { name: 'New N', role: 'lead' },
  ]);
  expect(entered.body.body.students.slice(-2)).toMatchObject([
    { student: alba?.id, role: 'follow' },
    { role: 'lead' },
  ]);
  expect(await match(name)).toHaveLength(1);
  const { classes } = (await ottilie.call('student.read', { params: { student: alba?.id ?? '' } })).body;
  expect(classes.map(({ section: id }: { section: string }) => id).sort()).toEqual([other, section]);
});

test('a student’s page tells of each class what was danced with them and without them, in words too', async () => {
  const logged = (lesson: number, pattern: string) => ({
    ...{ id: randomUUID(), lesson, pattern, result: 'solid', at: '2026-03-09T19:20:00Z' },
  });
  const params = { section: other };
  await ottilie.call('class.append', { params, body: eventsOf('log', logged(5, 'wrap')) });
  const away = {
    ...{ id: randomUUID(), lesson: 5, at: '2026-03-09T19:00:00Z', student: alba?.id },
    ...{ role: 'follow', here: false },
  };
  const read = async () => (await ottilie.call('student.read', { params: { student: alba?.id ?? '' } })).body;
  const storyOf = async () =>
    (await read()).stories.find((one: { section: string }) => one.section === other);
  expect(await storyOf()).toMatchObject({ evenings: 1, there: 1, had: ['Wrap'], lacks: [] });
  await ottilie.call('class.append', { params, body: eventsOf('present', away) });
  expect(await storyOf()).toMatchObject({ evenings: 1, there: 0, had: [], lacks: ['Wrap'] });
  const { words } = await read();
  expect(words).toContain(`# ${name}`);
  expect(words).toContain('You were away when these were new: Wrap.');
});

test('who was taken out of a class is still found with it, and is nobody’s once erased', async () => {
  const params = { section, lesson: 4 };
  const here = {
    id: randomUUID(),
    lesson: 4,
    at: '2026-03-02T19:00:00Z',
    student: alba?.id,
    role: 'lead',
    here: true,
  };
  await ottilie.call('class.append', { params, body: eventsOf('present', here) });
  const { body } = await ottilie.call('section.read', { params });
  const entry = body.section.students.find(({ student }: { student: string }) => student === alba?.id);
  const changes = [{ field: `students/${alba?.id}`, from: entry, to: null }];
  const out = await ottilie.call('section.command', {
    params,
    body: { command: { kind: 'edit', what: 'Taken out', changes } },
  });
  expect(out.status).toBe(200);
  const read = await ottilie.call('student.read', { params: { student: alba?.id ?? '' } });
  expect(read.body.classes.find((one: { section: string }) => one.section === section)?.entered).toEqual([]);
  await ottilie.call('student.erase', { params: { student: alba?.id ?? '' } });
  expect(await match(name)).toEqual([]);
  expect(await find('Former')).toEqual([]);
});
