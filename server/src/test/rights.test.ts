// Every route × every role × own and other studio, generated from the contract's table.
import { randomUUID } from 'node:crypto';
import { mayCall, ROUTES, type RouteName, type StaffRole } from '@map-step/contract';
import type { StudioDocument } from '@map-step/core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { importDocument } from '../features/studio/import-service.ts';
import { createStudio } from '../features/studio/studio-store.ts';
import { demoStudio } from './demo-studio.ts';
import {
  beginTestSession,
  type Reply,
  startTestServer,
  type TestPerson,
  type TestServer,
} from './test-server.ts';

interface Sample {
  readonly params?: Record<string, string | number>;
  readonly body?: unknown;
  readonly text?: string;
  /** True where nothing of the studio is named: the answer holds only the caller's own. */
  readonly unnamed?: boolean;
}

const key = { section: 'hustle-1-monday', lesson: 4, audience: 'students' };
const moves = [{ pattern: 'wrap', from: 99, to: 1 }];
const log = () => ({
  id: randomUUID(),
  lesson: 5,
  pattern: 'wrap',
  result: 'solid',
  at: '2026-03-09T19:00:00Z',
});

/** A call of each route that its people may make; a route without one does not compile. */
const SAMPLES: Record<RouteName, () => Sample> = {
  'health.live': () => ({ unnamed: true }),
  'health.ready': () => ({ unnamed: true }),
  'session.read': () => ({ unnamed: true }),
  'session.signIn': () => ({ unnamed: true, body: { email: 'a@b.example', password: 'x' } }),
  'session.demo': () => ({ unnamed: true, body: { person: 'nobody' } }),
  'session.signOut': () => ({ unnamed: true }),
  'setup.create': () => ({ unnamed: true, body: {} }),
  'live.follow': () => ({ unnamed: true }),
  'studio.read': () => ({ unnamed: true }),
  'studio.export': () => ({ unnamed: true }),
  'studio.import': () => ({ unnamed: true, text: '{' }),
  'material.read': () => ({ unnamed: true }),
  'course.list': () => ({ unnamed: true }),
  'course.read': () => ({ params: { course: 'hustle-1' } }),
  'course.command': () => ({
    params: { course: 'hustle-1' },
    body: {
      seen: 1,
      command: { kind: 'place', why: '', moves: moves.map(move => ({ ...move, from: 6, to: 6 })) },
    },
  }),
  'section.read': () => ({ params: key }),
  'section.log': () => ({ params: key, body: { logs: [log()] } }),
  'lesson.finish': () => ({ params: key, body: { logs: [], recaps: [{ audience: 'staff', markdown: '' }] } }),
  'recap.save': () => ({ params: key, body: { seen: 999, markdown: '' } }),
  'recap.publish': () => ({ params: key, body: { seen: 999 } }),
  'recap.revoke': () => ({ params: key }),
  'share.read': () => ({ params: { token: 'never-was' } }),
};

interface Caller {
  readonly name: string;
  readonly person?: string;
  readonly role?: StaffRole;
  readonly onStaff?: boolean;
  readonly isOther?: boolean;
}

const CALLERS: readonly Caller[] = [
  { name: 'nobody' },
  { name: 'the director', person: 'ottilie-marsh', role: 'director' },
  { name: 'the teacher of the class', person: 'bram-okoro', role: 'teacher', onStaff: true },
  { name: 'a teacher of another class', person: 'suki-larch', role: 'teacher' },
  { name: 'the assistant of the class', person: 'wren-adair', role: 'assistant', onStaff: true },
  { name: 'a stand-in without a class', person: 'paz-lindmark', role: 'stand-in' },
  { name: 'the director of another studio', person: 'other-director', role: 'director', isOther: true },
  { name: 'a teacher of another studio', person: 'other-teacher', role: 'teacher', isOther: true },
];

/** The studio next door: its people, and nothing that has an id of ours. */
const neighbour: StudioDocument = {
  format: 'mapstep/1',
  studio: { name: 'Quayside Rooms', timezone: 'UTC' },
  people: [
    { id: 'other-director', name: 'Mika Vane', role: 'director' },
    { id: 'other-teacher', name: 'Sol Renn', role: 'teacher' },
  ],
};

const otherId = randomUUID();
let server: TestServer;
const browsers = new Map<string, TestPerson>();

function enter({ name, person, role, isOther }: Caller): Promise<TestPerson> {
  const studio = isOther ? otherId : server.studioId;
  return beginTestSession(server, person && role ? { id: person, name, role, studio } : undefined);
}

beforeAll(async () => {
  server = await startTestServer(demoStudio());
  await server.database.inStudio(otherId, async scope => {
    await createStudio(scope, neighbour.studio);
    await importDocument(scope, neighbour);
  });
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
  const isBarred = 'ownSection' in ROUTES[route] && caller.role !== 'director' && !caller.onStaff;
  if (isBarred) return status => status === 403;
  return status => status !== 401 && status !== 403 && status !== 404 && status < 500;
}

/** A stream has no end to wait for: only whether it begins. */
async function knock(browser: TestPerson): Promise<Reply> {
  const stream = await browser.follow();
  stream.end();
  return stream.reply;
}

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
    if (caller.isOther && unnamed) expect(JSON.stringify(reply.body)).not.toMatch(/hustle|Okoro|Tarn/i);
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

  test('every table that belongs to a studio stands behind it', async () => {
    const sequelize = server.database.models.studios.sequelize;
    const [open] = (await sequelize?.query(
      `SELECT c.relname FROM pg_class c JOIN pg_attribute a ON a.attrelid = c.oid
       WHERE a.attname = 'studio_id' AND c.relkind = 'r' AND NOT c.relrowsecurity`,
    )) ?? [undefined];
    expect(open).toEqual([]);
  });
});
