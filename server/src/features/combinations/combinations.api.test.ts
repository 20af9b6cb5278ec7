import type { Combination, FieldChange } from '@map-step/core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { demoStudio } from '../../test/demo-studio.ts';
import { startTestServer, type TestPerson, type TestServer } from '../../test/test-server.ts';

let server: TestServer;
let bram: TestPerson;
let ottilie: TestPerson;
beforeAll(async () => {
  server = await startTestServer(demoStudio());
  bram = await server.person('bram-okoro');
  ottilie = await server.person('ottilie-marsh');
});
afterAll(() => server.close());

const round: Combination = {
  ...{ id: 'round', name: 'Round', dance: 'hustle', course: 'hustle-1', lesson: 2, end: 'same' },
  start: { hold: 'two-hand', lead: 'L' },
  steps: [{ pattern: 'side-basic', times: 4, last: 'rotating-basic' }, { oneOf: ['left-turn', null] }],
};
const create = (combination: object) =>
  bram.call('combination.create', { body: { combination: combination as Combination } });
const edit = (changes: FieldChange[], who = bram) =>
  who.call('combination.command', {
    params: { combination: 'round' },
    body: { command: { kind: 'edit', what: 'Changed', changes } },
  });
const listed = async () => {
  const query = new URLSearchParams({ course: 'hustle-1' });
  return (await bram.call('combination.list', { query })).body.combinations.map(({ id }) => id);
};

test('a teacher keeps one, and it stands among those of its course', async () => {
  expect((await create(round)).body).toMatchObject({ body: round, version: 1 });
  expect(await listed()).toEqual(['round-the-loft', 'round']);
  expect((await create(round)).status).toBe(409);
});

test('two people change two fields and both stand; the same field is a clash; what was changed is taken back', async () => {
  const steps = [{ pattern: 'side-basic' }];
  const replies = await Promise.all([
    edit([{ field: 'name', from: 'Round', to: 'Harbour round' }]),
    edit([{ field: 'steps', from: [...round.steps], to: steps }], ottilie),
  ]);
  expect(replies.map(({ status }) => status)).toEqual([200, 200]);
  expect((await edit([{ field: 'name', from: 'Round', to: 'Mine' }])).body.code).toBe('stale');
  const { body } = await bram.call('combination.read', { params: { combination: 'round' } });
  expect(body.body).toMatchObject({ name: 'Harbour round', steps });
  const own = body.history.find(({ by }) => by === 'bram-okoro');
  const undone = await bram.call('combination.command', {
    params: { combination: 'round' },
    body: { command: { kind: 'undo', of: own?.id ?? '' } },
  });
  expect(undone.body.body.name).toBe('Round');
});

test('what cannot stand is refused with its place', async () => {
  for (const [wrong, message] of [
    [{ steps: [{ pattern: 'nothing' }] }, /steps\/0\/pattern/],
    [{ steps: [{ pattern: 'quarter-turn' }] }, /figure of another dance/],
    [{ start: { hold: 'sling' } }, /start\/hold/],
    [{ course: 'nowhere' }, /course/],
    [{ steps: [{ pattern: 'wrap', times: 1e9 }] }, /times/],
  ] as const) {
    const { status, body } = await create({ ...round, id: 'wrong', ...wrong });
    expect(status).toBe(400);
    expect(`${body.message} ${JSON.stringify(body)}`).toMatch(message);
  }
  expect(await listed()).toEqual(['round-the-loft', 'round']);
});

test('a figure that is in one stays, and so does its course', async () => {
  for (const [kind, entry] of [
    ['patterns', 'leaders-turn'],
    ['courses', 'hustle-1'],
  ] as const) {
    const { status, body } = await ottilie.call('entry.remove', { params: { kind, entry } });
    expect([status, body.message]).toEqual([409, expect.stringContaining('combinations')]);
  }
});
