// Figures, classes, checks and recaps are changed by the same commands as courses; two studios stand beside.
import { randomUUID } from 'node:crypto';
import type { CheckAnswer, RouteName } from '@map-step/contract';
import { type Check, type FieldChange, readField } from '@map-step/core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { demoStudio } from '../test/demo-studio.ts';
import { eventsOf, marksOf } from '../test/events.ts';
import { startTestServer, type TestPerson, type TestServer } from '../test/test-server.ts';

const section = 'hustle-1-monday';
const demo = demoStudio();
const monday = demo.sections?.[0]?.dates[3] ?? '';
const halfWay: Check = {
  id: 'half-way',
  section,
  kind: 'half-way',
  date: monday,
  items: [{ pattern: 'wrap', layers: ['steps', 'timing'], gate: true }],
  marks: [],
};
let server: TestServer;
let ottilie: TestPerson;
let bram: TestPerson;
beforeAll(async () => {
  server = await startTestServer({ ...demo, checks: [halfWay] });
  ottilie = await server.person('ottilie-marsh');
  bram = await server.person('bram-okoro');
});
afterAll(() => server.close());

const places = {
  figure: { read: 'figure.read', command: 'figure.command', params: { figure: 'wrap' } },
  class: { read: 'section.document', command: 'section.command', params: { section } },
  check: { read: 'check.read', command: 'check.command', params: { section, check: 'half-way' } },
} as const satisfies Record<string, { read: RouteName; command: RouteName; params: object }>;

const read = async <Place extends keyof typeof places>(place: Place, who = ottilie) =>
  (await who.call<(typeof places)[Place]['read']>(places[place].read, { params: places[place].params })).body;
const edit = (place: keyof typeof places, changes: FieldChange[], who = ottilie) =>
  who.call(places[place].command, {
    params: places[place].params,
    body: { command: { kind: 'edit', what: 'Tried', changes } },
  });
const undo = (place: keyof typeof places, of: string, who = ottilie) =>
  who.call(places[place].command, {
    params: places[place].params,
    body: { command: { kind: 'undo', of } },
  });

describe.each<[keyof typeof places, FieldChange, FieldChange]>([
  ['figure', { field: 'name', from: 'Wrap', to: 'Harbour wrap' }, { field: 'rank', from: null, to: 7 }],
  [
    'class',
    { field: 'start', from: demo.sections?.[0]?.start ?? '', to: '18:15' },
    {
      field: `staff/paz-lindmark ${monday}`,
      from: null,
      to: { person: 'paz-lindmark', from: monday, to: monday },
    },
  ],
  [
    'check',
    { field: 'kind', from: 'half-way', to: 'final' },
    { field: 'date', from: monday, to: '2026-04-01' },
  ],
])('a %s', (place, first, second) => {
  test('two people change two fields at the same moment and both stand, each in the history', async () => {
    const before = await read(place);
    const replies = await Promise.all([edit(place, [first]), edit(place, [second])]);
    expect(replies.map(({ status }) => status)).toEqual([200, 200]);
    const after = await read(place);
    expect(after.version).toBe(before.version + 2);
    expect(after.history.slice(0, 2).map(({ kind, by }) => [kind, by])).toEqual([
      ['edit', 'ottilie-marsh'],
      ['edit', 'ottilie-marsh'],
    ]);
  });

  test('a field that somebody else changed first is refused with what stands and who wanted what', async () => {
    const { status, body } = await edit(place, [{ ...first, to: 'late' }]);
    expect([status, body.code]).toEqual([409, 'stale']);
    expect(body.clashes).toEqual([{ field: first.field, seen: first.from, mine: 'late', theirs: first.to }]);
    expect(body.current).toMatchObject({ version: 3 });
  });

  test('undo puts back what was, redo what was changed, and another server knows of both', async () => {
    const original = (await read(place)).history.find(({ what }) => what === 'Tried');
    const other = await server.another();
    const elsewhere = await other.person('ottilie-marsh');
    const undone = await undo(place, original?.id ?? '', elsewhere);
    expect(undone.status).toBe(200);
    expect((await undo(place, original?.id ?? '')).body.code).toBe('stale');
    const entry = undone.body.history[0];
    expect(entry).toMatchObject({ kind: 'undo', undoes: original?.id });
    const redone = await undo(place, entry?.id ?? '');
    expect(redone.status).toBe(200);
    expect(redone.body.body).toEqual((await read(place)).body);
    await other.close();
  });

  test('what says who it is cannot be edited', async () => {
    const { status } = await edit(place, [{ field: 'id', from: null, to: 'other' }]);
    expect(status).toBe(400);
  });
});

describe('what cannot stand is refused with its place and changes nothing', () => {
  test.each<[string, keyof typeof places, FieldChange, RegExp]>([
    [
      'a step on the foot that carries the weight',
      'figure',
      {
        field: 'parts',
        from: null,
        to: { lead: 'L side, L side, R side, L side, R side', follow: 'image' },
      },
      /parts/,
    ],
    ['a need that is not there', 'figure', { field: 'needs', from: null, to: ['nothing'] }, /needs/],
    ['a field that no figure has', 'figure', { field: 'colour', from: null, to: 'red' }, /colour/],
    ['a stranger on the staff', 'class', { field: 'staff/who', from: null, to: { person: 'who' } }, /staff/],
    ['a check of an unknown figure', 'check', { field: 'items', from: null, to: [] }, /./],
  ])('%s', async (_, place, change, message) => {
    const before = await read(place);
    const from = readField(before.body, change.field);
    const to = place === 'check' ? [{ pattern: 'nothing', layers: ['steps'], gate: true }] : change.to;
    const reply = await edit(place, [{ ...change, from, to }]);
    expect(reply.status).toBe(400);
    expect(reply.body.message).toMatch(message);
    expect(await read(place)).toEqual(before);
  });

  test('a figure that would need itself through others', async () => {
    const throwOut = (await ottilie.call('figure.read', { params: { figure: 'throw-out' } })).body.body;
    const need = throwOut.needs?.[0] ?? '';
    const reply = await ottilie.call('figure.command', {
      params: { figure: need },
      body: {
        command: {
          kind: 'edit',
          what: 'Circle',
          changes: [
            {
              field: 'needs',
              from: (await ottilie.call('figure.read', { params: { figure: need } })).body.body.needs ?? null,
              to: ['throw-out'],
            },
          ],
        },
      },
    });
    expect([reply.status, reply.body.message]).toEqual([400, expect.stringMatching(/needs/)]);
  });
});

describe('marks and attendance', () => {
  const [student] = demo.sections?.[0]?.students ?? [];
  const stranger = { student: 'nobody', role: 'lead' };
  const mark = (more: object = {}) => ({
    id: randomUUID(),
    ...student,
    pattern: 'wrap',
    layer: 'steps',
    mark: 2,
    at: '2026-03-02T20:00:00Z',
    ...more,
  });
  const give = (...marks: object[]) =>
    bram.call('class.append', { params: { section }, body: marksOf(places.check.params.check, ...marks) });
  const attend = (...attendance: object[]) =>
    bram.call('class.append', { params: { section }, body: eventsOf('present', ...attendance) });
  const here = (more: object = {}) => ({
    id: randomUUID(),
    lesson: 4,
    ...student,
    here: true,
    at: '2026-03-02T19:01:00Z',
    ...more,
  });

  test('a mark sent twice stands once, signed by who gave it; another content under its id is refused', async () => {
    const one = mark();
    await Promise.all([give(one), give(one)]);
    const stored = (await read('check')) as CheckAnswer;
    expect(stored.body.marks.filter(({ id }) => id === one.id)).toEqual([{ ...one, by: 'bram-okoro' }]);
    expect((await give({ ...one, mark: 3 })).status).toBe(409);
  });

  test.each([
    ['a mark for somebody who is not in the class', () => give(mark(stranger))],
    ['a mark for a layer that is not asked', () => give(mark({ layer: 'tempo' }))],
    ['somebody here who is not in the class', () => attend(here(stranger))],
    ['a good one beside a bad one', () => give(mark(), mark(stranger))],
  ])('%s is refused', async (_, send) => {
    const before = (await read('check')).body.marks.length;
    expect((await send()).status).toBe(400);
    expect((await read('check')).body.marks).toHaveLength(before);
  });

  test('who was here is kept in the order in which it came, with what its writer had seen', async () => {
    const first = here();
    const second = here({ here: false, replaces: first.id });
    await attend(first);
    await attend(second);
    const { body } = await bram.call('section.read', { params: { section } });
    expect(body.attendance.slice(-2)).toEqual(
      [first, second].map(entry => ({ ...entry, section, by: 'bram-okoro' })),
    );
  });

  test('a stand-in writes on the day of standing in and on no other', async () => {
    const paz = await server.person('paz-lindmark');
    const { body: now } = await read('class');
    const given = now.staff.find(({ person }) => person === 'paz-lindmark');
    expect(given).toMatchObject({ from: monday, to: monday });
    const send = (lesson: number) =>
      paz.call('class.append', { params: { section }, body: eventsOf('present', here({ lesson })) });
    expect([(await send(4)).status, (await send(5)).status]).toEqual([200, 403]);
    expect((await send(5)).body.message).toMatch(/other days/);
  });
});
