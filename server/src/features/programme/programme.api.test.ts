import { addDays } from '@map-step/core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { moveCommand } from '../../test/commands.ts';
import { demoStudio } from '../../test/demo-studio.ts';
import { eventsOf, marksOf } from '../../test/events.ts';
import { startTestServer, type TestPerson, type TestServer, TODAY } from '../../test/test-server.ts';

let server: TestServer;
let ottilie: TestPerson;
beforeAll(async () => {
  server = await startTestServer(demoStudio());
  ottilie = await server.person('ottilie-marsh');
});
afterAll(() => server.close());

const read = async (who = ottilie) => (await who.call('programme.today')).body;

test('the classes that run are told with where they stand: tonight, what is not written, what they lack', async () => {
  const { today, classes, figures } = await read();
  expect(today).toBe(TODAY);
  const monday = classes.find(({ id }) => id === 'hustle-1-monday');
  expect(monday).toMatchObject({ name: 'Hustle 1', lessons: 8, start: '19:00', standing: { today: 5 } });
  expect(monday?.students).toBeGreaterThan(0);
  for (const { standing } of classes)
    for (const id of [...standing.behind, ...standing.ahead]) expect(figures[id]).toBeDefined();
  const drifted = classes.filter(({ standing }) => standing.behind.length > 0);
  expect(drifted.length).toBeGreaterThan(0);
});

test('a lesson of yesterday of which nothing was written is told until it is', async () => {
  const yesterday = addDays(TODAY, -1);
  const section = {
    id: 'late',
    course: 'hustle-1',
    start: '18:00',
    dates: [yesterday],
    staff: [{ person: 'bram-okoro' }],
    students: [],
  };
  await ottilie.call('section.create', { body: { section } });
  const standing = async () => (await read()).classes.find(({ id }) => id === 'late')?.standing;
  expect(await standing()).toMatchObject({ unlogged: [1], unrecapped: [1] });
  const log = {
    id: crypto.randomUUID(),
    lesson: 1,
    pattern: 'wrap',
    result: 'solid',
    at: `${yesterday}T19:00:00Z`,
  };
  const logged = await ottilie.call('class.append', {
    params: { section: 'late' },
    body: eventsOf('log', log),
  });
  expect(logged.status).toBe(200);
  expect(await standing()).toMatchObject({ unlogged: [], unrecapped: [1] });
});

test('a plan that is not what was published is told to the director, and to nobody else', async () => {
  const { version } = (await ottilie.call('course.read', { params: { course: 'hustle-1' } })).body;
  const command = moveCommand('moved', { pattern: 'wrap', from: 6, to: 5 });
  await ottilie.call('course.command', { params: { course: 'hustle-1' }, body: { seen: version, command } });
  const changed = (await read()).plans.find(({ course }) => course === 'hustle-1');
  expect(changed).toMatchObject({ name: 'Hustle 1', state: 'changed', begins: TODAY });
  expect(changed?.moved).toBeGreaterThanOrEqual(1);
  const bram = await server.person('bram-okoro');
  expect((await read(bram)).plans).toEqual([]);
});

test('a course without figures, and one that nobody has planned, wait too', async () => {
  const { course } = (await ottilie.call('course.read', { params: { course: 'balboa-1' } })).body;
  const { placed: _, ...rest } = course;
  await ottilie.call('course.create', { body: { course: { ...rest, id: 'next', name: 'Next' } } });
  await ottilie.call('course.create', { body: { course: { ...rest, id: 'bare', name: 'Bare', items: [] } } });
  const states = new Map((await read()).plans.map(({ course: id, state }) => [id, state]));
  expect([states.get('next'), states.get('bare')]).toEqual(['unplanned', 'empty']);
});

test('what a coming lesson brings is looked over: what is worth a look is told with its evening', async () => {
  const { faults } = (await ottilie.call('programme.faults')).body;
  for (const { date } of faults) expect(date >= TODAY && date < addDays(TODAY, 7)).toBe(true);
  const before = faults.length;
  const { classes } = await read();
  const tonight = classes.find(({ id }) => id === 'hustle-1-monday');
  const published = (await ottilie.call('course.read', { params: { course: 'hustle-1' } })).body.published;
  const coming = published?.placed.find(({ lesson }) => lesson === tonight?.standing.today)?.pattern ?? '';
  // Too fast for anybody: its shortest step would last under a tenth of a second.
  await server.sql(
    `UPDATE patterns SET body = jsonb_set(body, '{tempo}', '[{"min": 390, "max": 400}]') WHERE id = '${coming}' AND studio_id = '${server.studioId}'`,
  );
  const after = (await ottilie.call('programme.faults')).body.faults;
  expect(after.length).toBeGreaterThan(before);
  expect(after.find(({ figure }) => figure === coming)).toMatchObject({ severity: 'hint', lesson: 5 });
});

test('what students were promised for their next evening, and the plan has elsewhere by now, is told', async () => {
  const promises = async () => (await ottilie.call('programme.faults')).body.promises;
  expect(await promises()).toEqual([]);
  // Published last week, for students: a figure that the plan brings later.
  await server.sql(
    `UPDATE recaps SET promises = '["wrap"]' WHERE section_id = 'hustle-1-monday' AND lesson = 4 AND studio_id = '${server.studioId}'`,
  );
  expect(await promises()).toEqual([
    expect.objectContaining({
      section: 'hustle-1-monday',
      lesson: 5,
      figure: 'wrap',
      name: 'Wrap',
      comes: 6,
    }),
  ]);
});

test('the levels of each dance stand in their order, with what hurts in them and what would mend it', async () => {
  const { dances } = (await ottilie.call('programme.levels')).body;
  const hustle = dances.find(({ id }) => id === 'hustle');
  expect(hustle?.levels.map(({ name }) => name)).toEqual(['Hustle 1', 'Hustle 2', 'Hustle 3']);
  expect(hustle?.levels[1]?.requires).toBeGreaterThan(3);
  const { findings } = (await ottilie.call('programme.findings')).body;
  expect(findings).toContainEqual({
    ...{
      dance: 'hustle',
      code: 'twice',
      level: 'hustle-2',
      mend: expect.objectContaining({ words: 'Leave Cradle walk out of Hustle 2' }),
    },
    message: 'Cradle walk is introduced in Hustle 1 and again in Hustle 2',
  });
});

test('next term is counted from the newest final check of each class', async () => {
  const params = { section: 'hustle-1-monday' };
  const items = [{ pattern: 'wrap', layers: ['steps'], gate: true }];
  const check = { id: 'final', kind: 'final', date: TODAY, items };
  expect((await ottilie.call('programme.next')).body).toEqual({ levels: [], checks: [] });
  expect((await ottilie.call('check.create', { params, body: { check } })).status).toBe(200);
  const students = demoStudio().sections?.[0]?.students ?? [];
  const marks = students.slice(0, 3).map(({ student, role }, index) => ({
    ...{ id: crypto.randomUUID(), student, role, pattern: 'wrap', layer: 'steps' },
    ...{ mark: index < 2 ? 2 : 0, at: `${TODAY}T19:30:00Z` },
  }));
  await ottilie.call('class.append', { params, body: marksOf('final', ...marks) });
  const { levels, checks } = (await ottilie.call('programme.next')).body;
  expect(levels.map(({ name, ready, again, unseen }) => [name, ready, again, unseen])).toEqual([
    ['Hustle 1', 0, 1, students.length - 3],
    ['Hustle 2', 2, 0, 0],
  ]);
  expect(checks).toEqual([
    { section: 'hustle-1-monday', course: 'hustle-1', name: 'Hustle 1', kind: 'final', date: TODAY },
  ]);
});

test('a class of the level above is offered who is ready for it, and who is nearly so with what they lack', async () => {
  const section = {
    ...{ id: 'two-next', course: 'hustle-2', start: '20:00', dates: ['2026-04-06'] },
    ...{ staff: [], students: [] },
  };
  await ottilie.call('section.create', { body: { section } });
  const params = { section: 'two-next' };
  const offered = async () => (await ottilie.call('section.returning', { params })).body.students;
  const [first, second, third, ...more] = await offered();
  expect([first, second, third].map(one => [one?.why, one?.missing, one?.elsewhere])).toEqual([
    ['ready', [], null],
    ['ready', [], null],
    ['nearly', ['Wrap: the steps'], null],
  ]);
  expect(more).toEqual([]);
  expect(first?.from).toMatchObject({ section: 'hustle-1-monday', kind: 'final', date: TODAY });
  const students = [{ name: first?.name, role: first?.role, known: first?.student }];
  expect((await ottilie.call('section.enrol', { params, body: { students } })).status).toBe(200);
  expect((await offered()).map(({ student }) => student)).toEqual([second?.student, third?.student]);
});

test('a course that was held tells what it teaches its next one; one of which no class is over has nothing to tell', async () => {
  const ask = async (course: string) => (await ottilie.call('course.rollOver', { params: { course } })).body;
  const { held, proposals } = await ask('hustle-1');
  expect(held).toBe(1);
  expect(proposals).toContainEqual({
    ...{ code: 'left', seen: 'The class never came to it', would: 'leave it out' },
    change: { pattern: 'cradle-walk', item: null },
  });
  expect(proposals.map(({ change }) => change.pattern)).not.toContain('wrap');
  expect(await ask('hustle-2')).toEqual({ held: 0, proposals: [] });
  expect((await ottilie.call('course.rollOver', { params: { course: 'gone' } })).status).toBe(404);
});
