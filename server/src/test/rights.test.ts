// Every route × every role × own and other studio, generated from the contract's table.
import { randomUUID } from 'node:crypto';
import {
  mayCall,
  printTableOrder,
  ROUTES,
  type RouteDefinition,
  type RouteName,
  type StaffRole,
} from '@map-step/contract';
import { FORMAT, type StudioDocument } from '@map-step/core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { historyStore } from '../db/history-store.ts';
import { keepDraft } from '../features/figures/figure-drafts.ts';
import { jobStore } from '../jobs/job-store.ts';
import { moveCommand } from './commands.ts';
import { demoStudio } from './demo-studio.ts';
import { eventsOf, marksOf } from './events.ts';
import {
  addStudio,
  beginTestSession,
  type Reply,
  startTestServer,
  type TestPerson,
  type TestServer,
} from './test-server.ts';

interface Sample {
  readonly params?: Record<string, string | number>;
  readonly query?: URLSearchParams;
  readonly body?: unknown;
  readonly text?: string;
  /** True where nothing of the studio is named: the answer holds only the caller's own. */
  readonly unnamed?: boolean;
}

const key = { section: 'hustle-1-monday', lesson: 4, audience: 'students' };
const moves = [{ pattern: 'wrap', from: 99, to: 1 }];
const event = { lesson: 4, at: '2026-03-02T19:00:00Z' };
const log = () => ({
  ...event,
  id: randomUUID(),
  pattern: 'wrap',
  result: 'solid',
});
const student = { student: demoStudio().students?.[0]?.id, role: 'lead' };
const attendance = () => ({ ...event, ...student, id: randomUUID(), here: true });
const mark = () => ({ id: randomUUID(), ...student, pattern: 'wrap', layer: 'steps', mark: 2, at: event.at });
const edit = (field: string, from: string, to: string) => ({
  kind: 'edit',
  what: 'x',
  changes: [{ field, from, to }],
});
const freshFigure = () => ({ id: `drill-${randomUUID()}`, dance: 'plain', name: 'A drill', kind: 'drill' });
const freshCombination = () => ({
  ...{ id: `round-${randomUUID()}`, name: 'A round', dance: 'plain', start: {}, steps: [], end: 'same' },
});
const freshCourse = () => ({
  id: `course-${randomUUID()}`,
  dances: ['plain'],
  name: 'A copy',
  format: 'series',
  approach: 'steps-first',
  lookalikes: 'apart',
  lessons: [{ minutes: 60, fixed: { arrive: 3, combine: 8, dance: 10, recap: 4 } }],
  items: [],
});
const freshSection = () => ({
  id: `class-${randomUUID()}`,
  course: 'hustle-1',
  start: '10:00',
  dates: [],
  staff: [],
  students: [],
});
/** In no class. */
const stranger = 'stranger';
const check = { ...key, check: 'half-way' };
const job = randomUUID();
const importJob = randomUUID();

/** A call of each route that its people may make; a route without one does not compile. */
const SAMPLES: Record<RouteName, () => Sample> = {
  'health.live': () => ({ unnamed: true }),
  'health.ready': () => ({ unnamed: true }),
  'session.read': () => ({ unnamed: true }),
  'session.signIn': () => ({ unnamed: true, body: { email: 'a@b.example', password: 'x' } }),
  'session.demo': () => ({ unnamed: true, body: { person: 'nobody' } }),
  'session.signOut': () => ({ unnamed: true }),
  'address.read': () => ({ unnamed: true, params: { slug: 'nowhere' } }),
  'founding.invite': () => ({ unnamed: true }),
  'invitation.read': () => ({ params: { token: 'never-was' } }),
  'invitation.accept': () => ({
    params: { token: 'never-was' },
    body: { email: 'a@b.example', password: 'long enough it is' },
  }),
  'account.read': () => ({ unnamed: true }),
  'account.password': () => ({ unnamed: true, body: { old: 'x', fresh: 'long enough it is' } }),
  'account.end': () => ({ unnamed: true, params: { session: 'never-was' } }),
  'account.enter': () => ({ unnamed: true, body: { studio: randomUUID() } }),
  'studio.document': () => ({ unnamed: true }),
  'studio.command': () => ({ unnamed: true, body: { command: edit('name', 'not so', 'x') } }),
  'entry.create': () => ({
    unnamed: true,
    body: { kind: 'rooms', entry: { id: `room-${randomUUID()}`, name: 'A room', length: 5, width: 5 } },
  }),
  'entry.read': () => ({ params: { kind: 'rooms', entry: 'net-room' } }),
  'entry.command': () => ({
    params: { kind: 'students', entry: student.student ?? '' },
    body: { command: edit('name', 'not so', 'x') },
  }),
  'entry.remove': () => ({ params: { kind: 'dances', entry: 'hustle' } }),
  'people.accounts': () => ({ unnamed: true }),
  'person.invite': () => ({ params: { person: 'suki-larch' } }),
  'person.withdraw': () => ({ unnamed: true, params: { person: 'suki-larch' } }),
  'person.endAccount': () => ({ unnamed: true, params: { person: 'suki-larch' } }),
  'student.find': () => ({ unnamed: true, query: new URLSearchParams({ named: 'a' }) }),
  'student.match': () => ({ unnamed: true, body: { names: ['Alba K'] } }),
  'student.read': () => ({ params: { student: student.student ?? '' } }),
  'student.export': () => ({ params: { student: student.student ?? '' } }),
  'student.erase': () => ({ params: { student: stranger } }),
  'programme.today': () => ({ unnamed: true }),
  'programme.faults': () => ({ unnamed: true }),
  'programme.levels': () => ({ unnamed: true }),
  'programme.findings': () => ({ unnamed: true }),
  'programme.next': () => ({ unnamed: true }),
  'term.read': () => ({
    unnamed: true,
    query: new URLSearchParams({ from: '2026-01-01', to: '2026-06-30' }),
  }),
  'section.create': () => ({ unnamed: true, body: { section: freshSection() } }),
  'section.enrol': () => ({ params: key, body: { students: [{ name: 'Ida K', role: 'lead' }] } }),
  'section.returning': () => ({ params: key }),
  'setup.create': () => ({ unnamed: true, body: {} }),
  'live.follow': () => ({ unnamed: true }),
  'studio.read': () => ({ unnamed: true }),
  'studio.export': () => ({ unnamed: true }),
  'studio.table': () => ({ unnamed: true, params: { table: 'students' } }),
  'studio.import': () => ({ unnamed: true, text: '{' }),
  'job.read': () => ({ params: { job } }),
  'job.stop': () => ({ params: { job } }),
  'material.read': () => ({ unnamed: true }),
  'figure.create': () => ({ unnamed: true, body: { figure: freshFigure() } }),
  'table.import': () => ({
    unnamed: true,
    text: printTableOrder({ table: 'patterns', text: 'id\n', mapping: {}, write: false }),
  }),
  'import.undo': () => ({ params: { job: importJob } }),
  'figure.find': () => ({ unnamed: true, query: new URLSearchParams({ named: 'wr' }) }),
  'figure.read': () => ({ params: { figure: 'wrap' } }),
  'figure.command': () => ({ params: { figure: 'wrap' }, body: { command: edit('name', 'not so', 'x') } }),
  'combination.list': () => ({ query: new URLSearchParams({ course: 'hustle-1' }), unnamed: true }),
  'combination.create': () => ({ unnamed: true, body: { combination: freshCombination() } }),
  'combination.read': () => ({ params: { combination: 'round-the-loft' } }),
  'combination.command': () => ({
    params: { combination: 'round-the-loft' },
    body: { command: edit('name', 'not so', 'x') },
  }),
  'draft.list': () => ({ unnamed: true }),
  'draft.read': () => ({ params: { person: 'suki-larch', figure: 'pier-draft' } }),
  'draft.keep': () => ({ unnamed: true, params: { figure: 'pier-draft' }, body: { draft: null } }),
  'course.list': () => ({ unnamed: true }),
  'course.read': () => ({ params: { course: 'hustle-1' } }),
  'course.versions': () => ({ params: { course: 'hustle-1' } }),
  'course.rollOver': () => ({ params: { course: 'hustle-1' } }),
  'course.create': () => ({ unnamed: true, body: { course: freshCourse() } }),
  'course.command': () => ({
    params: { course: 'hustle-1' },
    body: {
      seen: 1,
      command: moveCommand('Moved', ...moves.map(move => ({ ...move, from: 6, to: 6 }))),
    },
  }),
  'section.read': () => ({ params: key }),
  'class.since': () => ({ params: key, query: new URLSearchParams({ after: '0' }) }),
  'class.append': () => ({
    params: key,
    body: {
      events: [
        ...eventsOf('log', log()).events,
        ...eventsOf('present', attendance()).events,
        ...eventsOf('note', { ...event, id: randomUUID(), kind: 'note', text: 'Wet floor.' }).events,
        ...marksOf(check.check, mark()).events,
      ],
    },
  }),
  'lesson.finish': () => ({ params: key, body: { logs: [] } }),
  'walkIn.offered': () => ({ params: key }),
  'walkIn.enter': () => ({ params: key, body: { name: 'Ida W', role: 'lead', stays: true } }),
  'section.command': () => ({ params: key, body: { command: edit('start', '19:00', '19:00') } }),
  'section.document': () => ({ params: key }),
  'section.missed': () => ({ params: key, body: { student: student.student, markdown: '# Missed' } }),
  'section.missedLinks': () => ({ params: key }),
  'section.unmiss': () => ({ params: { ...key, student: student.student ?? '' } }),
  'check.list': () => ({ params: key }),
  'check.create': () => ({
    params: key,
    body: {
      check: { id: `check-${crypto.randomUUID().slice(0, 8)}`, kind: 'final', date: '2026-03-09', items: [] },
    },
  }),
  'check.read': () => ({ params: check }),
  'check.command': () => ({ params: check, body: { command: edit('kind', 'final', 'final') } }),
  'check.told': () => ({ params: check }),
  'check.tell': () => ({ params: check, body: { student: student.student ?? '', markdown: '# Well done' } }),
  'check.untell': () => ({ params: { ...check, student: student.student ?? '' } }),
  'recap.read': () => ({ params: { ...key, audience: 'staff' } }),
  'recap.command': () => ({ params: key, body: { command: edit('markdown', 'not so', 'x') } }),
  'recap.publish': () => ({ params: key, body: { seen: 999 } }),
  'recap.revoke': () => ({ params: key }),
  'share.read': () => ({ params: { token: 'never-was' } }),
};

interface Caller {
  readonly name: string;
  readonly person?: string;
  readonly role?: StaffRole;
  /** On the day of lesson 4, which the calls are about. */
  readonly onStaff?: boolean;
  /** On the day it is, a week later. */
  readonly onStaffToday?: boolean;
  readonly isOther?: boolean;
}

const CALLERS: readonly Caller[] = [
  { name: 'nobody' },
  { name: 'the director', person: 'ottilie-marsh', role: 'director' },
  {
    name: 'the teacher of the class',
    person: 'bram-okoro',
    role: 'teacher',
    onStaff: true,
    onStaffToday: true,
  },
  { name: 'a teacher of another class', person: 'suki-larch', role: 'teacher' },
  {
    name: 'the assistant of the class',
    person: 'wren-adair',
    role: 'assistant',
    onStaff: true,
    onStaffToday: true,
  },
  { name: 'a stand-in for this lesson', person: 'paz-lindmark', role: 'stand-in', onStaff: true },
  { name: 'a stand-in for the lesson after', person: 'later-stand-in', role: 'stand-in', onStaffToday: true },
  { name: 'the director of another studio', person: 'other-director', role: 'director', isOther: true },
  { name: 'a teacher of another studio', person: 'other-teacher', role: 'teacher', isOther: true },
];

/** A dance that both studios have, by the same id. */
const plain =
  demoStudio()
    .dances?.slice(0, 1)
    .map(dance => ({ ...dance, id: 'plain', name: 'Plain' })) ?? [];

/** The studio next door: its people, and nothing that has an id of ours. */
const neighbour: StudioDocument = {
  format: FORMAT,
  studio: { name: 'Quayside Rooms', timezone: 'UTC' },
  dances: plain,
  people: [
    { id: 'other-director', name: 'Mika Vane', role: 'director' },
    { id: 'other-teacher', name: 'Sol Renn', role: 'teacher' },
  ],
};

/** The demo with a check on the day of lesson 4 and two stand-ins, one for that day and one for the next. */
function studioWithStandIns(): StudioDocument {
  const demo = demoStudio();
  const [monday] = demo.sections ?? [];
  const day = (lesson: number) => ({
    from: monday?.dates[lesson - 1] ?? '',
    to: monday?.dates[lesson - 1] ?? '',
  });
  const staff = [
    ...(monday?.staff ?? []),
    { person: 'paz-lindmark', ...day(4) },
    { person: 'later-stand-in', ...day(5) },
  ];
  const items = [{ pattern: 'wrap', layers: ['steps' as const], gate: true }];
  return {
    ...demo,
    dances: [...(demo.dances ?? []), ...plain],
    people: [...(demo.people ?? []), { id: 'later-stand-in', name: 'Ines Coll', role: 'stand-in' }],
    students: [...(demo.students ?? []), { id: stranger, name: 'Nobody N', role: 'lead' }],
    sections: monday ? [{ ...monday, staff }] : [],
    checks: [
      { id: check.check, section: key.section, kind: 'half-way', date: day(4).from, items, marks: [] },
    ],
  };
}

const otherId = randomUUID();
let server: TestServer;
const browsers = new Map<string, TestPerson>();

function enter({ name, person, role, isOther }: Caller): Promise<TestPerson> {
  const studio = isOther ? otherId : server.studioId;
  return beginTestSession(server, person && role ? { id: person, name, role, studio } : undefined);
}

beforeAll(async () => {
  server = await startTestServer(studioWithStandIns());
  await server.database.inStudio(server.studioId, scope =>
    jobStore(scope).add(job, { kind: 'import', person: 'ottilie-marsh', input: '{}' }),
  );
  await server.database.inStudio(server.studioId, scope =>
    historyStore(scope, 'import', importJob).add({
      kind: 'import',
      what: 'Figures',
      person: 'ottilie-marsh',
      before: [],
      after: [],
      undoes: null,
    }),
  );
  const now = { id: 'pier-draft', dance: 'hustle', name: 'Pier draft', kind: 'pattern' as const };
  await server.database.inStudio(server.studioId, scope =>
    keepDraft(scope, 'suki-larch', 'pier-draft', { base: null, now }),
  );
  await addStudio(server.database, otherId, neighbour);
  for (const caller of CALLERS) browsers.set(caller.name, await enter(caller));
});
afterAll(() => server.close());

/** The statuses that the table of rights expects of a caller. */
function expected(route: RouteName, caller: Caller, unnamed: boolean): (status: number) => boolean {
  const { access } = ROUTES[route];
  if (access !== 'anyone' && !caller.role) return status => status === 401;
  if (!mayCall(route, caller.role)) return status => status === 403;
  if (access === 'anyone') return status => status !== 403 && status < 500;
  if (caller.isOther && !unnamed) return status => status === 404;
  const { ownClass }: RouteDefinition = ROUTES[route];
  const isToday = ownClass === 'today' || ownClass === 'staff-recap';
  const isIn = isToday ? caller.onStaffToday : caller.onStaff;
  const isBarred = ownClass !== undefined && caller.role !== 'director' && !isIn;
  if (isBarred) return status => status === 403;
  return status => status !== 401 && status !== 403 && status !== 404 && status < 500;
}

/** A stream has no end to wait for: only whether it begins. */
async function knock(browser: TestPerson): Promise<Reply> {
  const stream = await browser.follow();
  stream.end();
  return stream.reply;
}

/** What is named must have been sent: an answer may say back what it was given, and nothing else of another's studio. */
const wordsOfTheOther = (said: unknown) => [
  ...new Set(JSON.stringify(said).match(/hustle|Okoro|Tarn/gi) ?? []),
];

const routes = Object.keys(ROUTES) as RouteName[];
const cells = routes.flatMap(route => CALLERS.map(caller => ({ route, caller, name: caller.name })));

describe(`who may call what: ${cells.length} cells`, () => {
  test.each(cells)('$route, $name', async ({ route, caller }) => {
    const { unnamed = false, ...call } = SAMPLES[route]();
    const browser = route === 'session.signOut' ? await enter(caller) : browsers.get(caller.name);
    if (!browser) throw new Error('no browser');
    const reply = route === 'live.follow' ? await knock(browser) : await browser.call(route, call);
    expect(
      expected(route, caller, unnamed)(reply.status),
      `${reply.status} ${reply.body.message ?? ''}`,
    ).toBe(true);
    if (caller.isOther && unnamed)
      expect(wordsOfTheOther(call)).toEqual(expect.arrayContaining(wordsOfTheOther(reply.body)));
  });
});

describe('the second wall', () => {
  test('a query that forgets its studio sees no other studio', async () => {
    const seen = await server.database.inStudio(server.studioId, async ({ models, transaction }) => ({
      people: (await models.documents.people.findAll({ transaction })).map(({ id }) => id),
      studios: await models.studios.count({ transaction }),
    }));
    expect(seen.people).toContain('ottilie-marsh');
    expect(seen.people).not.toContain('other-director');
    expect(seen.studios).toBe(1);
  });

  test('nothing can be written into another studio', async () => {
    const smuggle = server.database.inStudio(server.studioId, ({ models, transaction }) =>
      models.documents.rooms.create(
        { studioId: otherId, id: 'x', position: 0, version: 1, body: {} },
        { transaction },
      ),
    );
    await expect(smuggle).rejects.toThrow(/row-level security/);
  });

  test('an update that forgets its studio changes no other studio', async () => {
    await server.database.inStudio(server.studioId, ({ models, transaction }) =>
      models.documents.people.update({ version: 7 }, { where: {}, transaction }),
    );
    const rows = await server.database.models.documents.people.findAll();
    expect(rows.filter(({ version }) => version === 7).map(({ id }) => id)).not.toContain('other-director');
  });

  test('every table that belongs to a studio stands behind it, and every view of one shows what who asks may see', async () => {
    const sequelize = server.database.models.studios.sequelize;
    const [open] = (await sequelize?.query(
      `SELECT c.relname FROM pg_class c JOIN pg_attribute a ON a.attrelid = c.oid
       WHERE a.attname = 'studio_id' AND (c.relkind = 'r' AND NOT c.relrowsecurity
         OR c.relkind = 'v' AND NOT COALESCE('security_invoker=true' = ANY(c.reloptions), false))`,
    )) ?? [undefined];
    expect(open).toEqual([]);
  });
});
