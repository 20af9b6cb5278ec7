import { afterAll, beforeAll, expect, test } from 'vitest';
import { demoStudio } from '../../test/demo-studio.ts';
import { marksOf } from '../../test/events.ts';
import { startTestServer, type TestPerson, type TestServer, TODAY } from '../../test/test-server.ts';

let server: TestServer;
let ottilie: TestPerson;
let bram: TestPerson;
beforeAll(async () => {
  server = await startTestServer(demoStudio());
  ottilie = await server.person('ottilie-marsh');
  bram = await server.person('bram-okoro');
});
afterAll(() => server.close());

const params = { section: 'hustle-1-monday' };
const check = {
  id: 'final-check',
  kind: 'final',
  date: TODAY,
  items: [{ pattern: 'wrap', layers: ['steps'], gate: true }],
};
const student = demoStudio().sections?.[0]?.students[0];
const mark = (given: number) => ({
  id: crypto.randomUUID(),
  student: student?.student,
  role: student?.role,
  pattern: 'wrap',
  layer: 'steps',
  mark: given,
  at: `${TODAY}T19:30:00Z`,
});

test('a teacher makes a check of their class; it is listed with its marks counted', async () => {
  const made = await bram.call('check.create', { params, body: { check } });
  expect(made.body).toMatchObject({ version: 1, body: { ...check, section: params.section, marks: [] } });
  expect((await bram.call('check.create', { params, body: { check } })).status).toBe(409);
  const marked = await bram.call('class.append', { params, body: marksOf(check.id, mark(2)) });
  expect(marked.status).toBe(200);
  const { checks } = (await ottilie.call('check.list', { params })).body;
  expect(checks.find(({ id }) => id === check.id)).toEqual({
    ...{ id: check.id, kind: 'final', date: TODAY, items: 1, marks: 1 },
  });
});

test('a check that asks for a figure that is not there is refused with its place', async () => {
  const items = [{ pattern: 'nowhere', layers: ['steps'], gate: false }];
  const refused = await bram.call('check.create', {
    params,
    body: { check: { ...check, id: 'other', items } },
  });
  expect([refused.status, refused.body.message]).toEqual([400, expect.stringContaining('nowhere')]);
});

test('beside a mark stand partner, quality, remark and a second look; the partner is of the class, and erased with them', async () => {
  const partner = demoStudio().sections?.[0]?.students.find(({ role }) => role !== student?.role)?.student;
  const place = { params: { ...params, check: check.id } };
  const beside = { with: partner, quality: 'rise', remark: 'late on 3', lookAgain: true };
  const put = (more: object) =>
    bram.call('class.append', { ...place, body: marksOf(place.params.check, { ...mark(1), ...more }) });
  expect((await put(beside)).status).toBe(200);
  const marks = async () => (await bram.call('check.read', place)).body.body.marks;
  expect(await marks()).toContainEqual(expect.objectContaining({ ...beside, by: 'bram-okoro' }));
  const refused = await put({ with: 'ottilie-marsh' });
  expect([refused.status, refused.body.message]).toEqual([400, expect.stringContaining('ottilie-marsh')]);
  const erased = await ottilie.call('student.erase', { params: { student: partner ?? '' } });
  expect((await marks()).map(one => one.with).filter(Boolean)).toEqual([erased.body.erased]);
});

test('who has been told is told of a check of the class in the path only', async () => {
  const other = { id: 'own', course: 'hustle-1', start: '21:30', dates: [TODAY], students: [] };
  await ottilie.call('section.create', { body: { section: { ...other, staff: [{ person: 'teo-vance' }] } } });
  const teo = await server.person('teo-vance');
  const told = await teo.call('check.told', { params: { section: 'own', check: check.id } });
  expect(told.status).toBe(404);
});

test('who is not on the staff of the class neither lists nor makes checks', async () => {
  const teo = await server.person('teo-vance');
  expect((await teo.call('check.list', { params })).status).toBe(403);
  expect((await teo.call('check.create', { params, body: { check: { ...check, id: 'teo' } } })).status).toBe(
    403,
  );
});

test('a student’s own words stand behind a link that was given to them, until it is withdrawn, replaced or they are erased', async () => {
  const here = { ...params, check: check.id };
  const own = { student: student?.student ?? '', markdown: '# You are nearly there' };
  const tell = async (body: object) => (await bram.call('check.tell', { params: here, body })).body.token;
  const visitor = await server.person();
  const read = async (token: string) => (await visitor.call('share.read', { params: { token } })).body;
  const first = await tell(own);
  expect(await read(first)).toMatchObject({ course: 'Hustle 1', date: TODAY, markdown: own.markdown });
  const second = await tell({ ...own, markdown: '# You are ready' });
  expect([(await read(first)).code, (await read(second)).markdown]).toEqual([
    'link-expired',
    '# You are ready',
  ]);
  expect((await bram.call('check.told', { params: here })).body.students).toHaveLength(1);
  await bram.call('check.untell', { params: { ...here, student: own.student } });
  expect((await read(second)).code).toBe('link-expired');
  const stranger = await bram.call('check.tell', { params: here, body: { ...own, student: 'nobody' } });
  expect(stranger.status).toBe(400);
  const third = await tell(own);
  expect((await ottilie.call('student.erase', { params: { student: own.student } })).status).toBe(200);
  expect((await read(third)).code).toBe('link-expired');
});
