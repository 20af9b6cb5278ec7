// What a class holds goes through one filter by who asks, whatever the route: tried over the whole table of routes.
import { randomUUID } from 'node:crypto';
import { ROUTES, type RouteDefinition, type RouteName } from '@map-step/contract';
import type { StudioDocument } from '@map-step/core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { demoStudio } from '../../test/demo-studio.ts';
import { eventsOf } from '../../test/events.ts';
import { startTestServer, type TestPerson, type TestServer } from '../../test/test-server.ts';

const section = 'hustle-1-monday';
const PAST = '2026-03-02';
const SECRETS = ['a note nobody else may read', 'a staff text nobody else may read'];

/** Somebody who stood in for the evening of a week ago, and for nothing since. */
function studioWithStandIn(): StudioDocument {
  const demo = demoStudio();
  return {
    ...demo,
    sections: (demo.sections ?? []).map(one => ({
      ...one,
      staff: [...one.staff, { person: 'paz-lindmark', from: PAST, to: PAST }],
    })),
    logs: (demo.logs ?? []).map(log => ({ ...log, note: SECRETS[0] ?? '' })),
    recaps: (demo.recaps ?? []).map(one =>
      one.audience === 'staff' ? { ...one, markdown: SECRETS[1] ?? '' } : one,
    ),
    checks: [
      {
        id: 'half-way',
        section,
        kind: 'half-way',
        date: PAST,
        items: [{ pattern: 'wrap', layers: ['steps'], gate: true }],
        marks: (demo.students ?? []).map(({ id, role }) => ({
          id: randomUUID(),
          student: id,
          role,
          pattern: 'wrap',
          layer: 'steps' as const,
          mark: 2 as const,
          by: 'bram-okoro',
          at: `${PAST}T19:00:00Z`,
        })),
      },
    ],
  };
}

let server: TestServer;
let standIn: TestPerson;
let bram: TestPerson;
beforeAll(async () => {
  server = await startTestServer(studioWithStandIn());
  standIn = await server.person('paz-lindmark');
  bram = await server.person('bram-okoro');
});
afterAll(() => server.close());

const edit = { kind: 'edit', what: 'x', changes: [{ field: 'markdown', from: 'never was so', to: 'y' }] };
const entry = { id: randomUUID(), lesson: 4, at: `${PAST}T19:00:00Z` };
/** Bodies by which a route is answered as fully as it can be: changes that change nothing, and clashes. */
const BODIES: { readonly [Name in RouteName]?: readonly unknown[] } = {
  'lesson.finish': [{ logs: [] }],
  'class.append': [
    eventsOf('log', { ...entry, pattern: 'wrap', result: 'solid' }),
    eventsOf('note', { ...entry, kind: 'note', text: 'x' }),
  ],
  'recap.command': [{ command: edit }],
  'recap.publish': [{ seen: 1 }, { seen: 99 }],
  'check.command': [
    { command: { ...edit, changes: [{ field: 'date', from: PAST, to: PAST }] } },
    { command: { ...edit, changes: [{ field: 'date', from: '2020-01-01', to: '2020-01-02' }] } },
  ],
};

const names = (demoStudio().students ?? []).flatMap(({ id, name }) => [id, name]);
const params = { section, check: 'half-way', student: demoStudio().students?.[0]?.id ?? '' };
const calls = (Object.keys(ROUTES) as RouteName[])
  .filter(name => ROUTES[name].path.includes(':section'))
  .flatMap(name => {
    const { path, body }: RouteDefinition = ROUTES[name];
    const audiences = path.includes(':audience') ? ['students', 'staff'] : [''];
    const lessons = path.includes(':lesson') ? [4, 3] : [1];
    const bodies = body ? (BODIES[name] ?? [{}]) : [undefined];
    return audiences.flatMap(audience =>
      lessons.flatMap(lesson => bodies.map(given => ({ name, audience, lesson, given }))),
    );
  });

test.each(calls)(
  'whoever stood in a week ago reads no name, note or staff text: $name $audience $lesson',
  async ({ name, audience, lesson, given }) => {
    const query = new URLSearchParams(name === 'class.since' ? { after: '0' } : {});
    const reply = await standIn.call(name, { params: { ...params, audience, lesson }, query, body: given });
    const said = JSON.stringify(reply.body);
    expect(
      [...names, ...SECRETS].filter(word => said.includes(`"${word}`) || said.includes(` ${word}`)),
    ).toEqual([]);
  },
);

test('who is on the staff today reads all of it by the same routes', async () => {
  const query = new URLSearchParams({ after: '0' });
  const kinds = async (who: TestPerson) =>
    new Set((await who.call('class.since', { params, query })).body.events.map(({ kind }) => kind));
  expect(await kinds(bram)).toEqual(new Set(['log', 'present', 'note', 'mark']));
  expect(await kinds(standIn)).toEqual(new Set(['log']));

  const finished = await bram.call('lesson.finish', { params: { section, lesson: 4 }, body: { logs: [] } });
  expect(finished.body.students.length).toBeGreaterThan(5);
  const check = await bram.call('check.command', {
    params: { section, check: 'half-way' },
    body: BODIES['check.command']?.[0],
  });
  expect(check.body.body.marks.length).toBeGreaterThan(5);
  const recap = await bram.call('recap.command', {
    params: { section, lesson: 4, audience: 'staff' },
    body: { command: edit },
  });
  expect([recap.status, JSON.stringify(recap.body)]).toEqual([
    409,
    expect.stringContaining(SECRETS[1] ?? ''),
  ]);
});

test('a link to what was missed is told, can be withdrawn, and ends when the student leaves the class', async () => {
  const { student } = params;
  const markdown = '## Wrap\n\n{{count: wrap}}';
  const tell = async () =>
    (await bram.call('section.missed', { params, body: { student, markdown } })).body.token;
  const look = async (token: string) =>
    (await (await server.person()).call('share.read', { params: { token } })).status;
  const first = await tell();
  expect(await look(first)).toBe(200);
  expect((await bram.call('section.missedLinks', { params })).body.students).toMatchObject([{ student }]);
  expect((await bram.call('section.unmiss', { params })).body).toEqual({ ended: 1 });
  expect(await look(first)).toBe(410);
  const second = await tell();
  const ottilie = await server.person('ottilie-marsh');
  const own = demoStudio().sections?.[0]?.students.find(one => one.student === student);
  const changes = [{ field: `students/${student}`, from: own, to: { ...own, to: PAST } }];
  const left = await ottilie.call('section.command', {
    params,
    body: { command: { kind: 'edit', what: 'left', changes } },
  });
  expect(left.status).toBe(200);
  expect(await look(second)).toBe(410);
});

test.each([
  [
    'lists in one another, by how far they are set in',
    Array.from({ length: 300 }, (_, n) => `${' '.repeat(2 * n)}- x`),
  ],
  ['quotes in one another', [`${'>'.repeat(20_000)} x`]],
  ['more blocks than are drawn', Array.from({ length: 41 }, () => '{{count: wrap}}')],
])('%s are refused in whatever a student is given', async (_, lines) => {
  const markdown = lines.join('\n');
  const body = { student: params.student, markdown };
  const told = [
    await bram.call('section.missed', { params, body }),
    await bram.call('check.tell', { params, body: { ...body, markdown: markdown.slice(0, 20_000) } }),
    await bram.call('recap.command', {
      params: { section, lesson: 4, audience: 'students' },
      body: { command: { ...edit, changes: [{ field: 'markdown', from: null, to: markdown }] } },
    }),
  ];
  // A student of another class is refused as well: the text is what is asked about here.
  expect(told.map(({ status }) => status)).toEqual([400, 400, expect.any(Number)]);
  expect([400, 409]).toContain(told[2]?.status);
});
