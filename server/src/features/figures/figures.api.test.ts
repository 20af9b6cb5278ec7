import type { FieldChange, Pattern } from '@map-step/core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { demoStudio } from '../../test/demo-studio.ts';
import { startTestServer, type TestPerson, type TestServer } from '../../test/test-server.ts';

const demo = demoStudio();
const [hustle] = demo.dances ?? [];
const other = hustle && { ...hustle, id: 'waltz', name: 'Waltz' };
const borrowed: Pattern = { id: 'borrowed-walk', dance: 'waltz', name: 'Borrowed walk', kind: 'drill' };
const alone: Pattern = { ...borrowed, id: 'walk-alone', name: 'Walk alone' };
let server: TestServer;
let ottilie: TestPerson;
beforeAll(async () => {
  if (!hustle || !other) throw new Error('the demo has no dance');
  server = await startTestServer({
    ...demo,
    dances: [...(demo.dances ?? []), other],
    patterns: [
      borrowed,
      alone,
      ...(demo.patterns ?? []).map(pattern =>
        pattern.id === 'wrap' ? { ...pattern, needs: [...(pattern.needs ?? []), 'borrowed-walk'] } : pattern,
      ),
    ],
  });
  ottilie = await server.person('ottilie-marsh');
});
afterAll(() => server.close());

const read = async (stamp?: string) => {
  const query = new URLSearchParams({ course: 'hustle-1', ...(stamp && { stamp }) });
  return (await ottilie.call('material.read', { query })).body;
};
const rename = async (figure: string, to: string) => {
  const { body } = await ottilie.call('figure.read', { params: { figure } });
  const changes: FieldChange[] = [{ field: 'name', from: body.body.name, to }];
  return ottilie.call('figure.command', {
    params: { figure },
    body: { command: { kind: 'edit', what: 'Name', changes } },
  });
};

test('a course has the figures of its dances and what they need of others, and no more', async () => {
  const ids = (await read()).material?.patterns.map(({ id }) => id) ?? [];
  expect(ids).toContain('borrowed-walk');
  expect(ids).not.toContain('walk-alone');
  const ofHustle = demo.patterns?.filter(({ dance }) => dance === 'hustle') ?? [];
  expect(ids).toHaveLength(ofHustle.length + 1);
});

test('who has it all is told so, until a figure among it changes, also one of another dance', async () => {
  const first = await read();
  expect(await read(first.stamp)).toEqual({ stamp: first.stamp, material: null });
  for (const [figure, name] of [
    ['wrap', 'Harbour wrap'],
    ['borrowed-walk', 'Lent walk'],
  ] as const) {
    const before = await read();
    expect((await rename(figure, name)).status).toBe(200);
    const after = await read(before.stamp);
    expect(after.material?.patterns.find(({ id }) => id === figure)?.name).toBe(name);
  }
});

test('who has an earlier one is sent what changed since, and the order of all', async () => {
  const before = await read();
  await rename('wrap', 'Tarn wrap');
  const after = await read(before.stamp);
  expect(after.material?.patterns.map(({ id, name }) => [id, name])).toEqual([['wrap', 'Tarn wrap']]);
  expect([after.material?.dances, after.material?.levels, after.material?.elements]).toEqual([[], [], []]);
  const whole = await read();
  expect(after.order?.patterns).toEqual(whole.material?.patterns.map(({ id }) => id));
  expect(after.stamp).toBe(whole.stamp);
  expect(await read(after.stamp)).toEqual({ stamp: whole.stamp, material: null });
});

test('a course that takes another dance in has its figures at the next look', async () => {
  const before = await read();
  const changes = [{ field: 'dances', from: ['hustle'], to: ['hustle', 'waltz'] }];
  const command = { kind: 'edit', what: 'Dances', changes };
  const { body } = await ottilie.call('course.read', { params: { course: 'hustle-1' } });
  const reply = await ottilie.call('course.command', {
    params: { course: 'hustle-1' },
    body: { seen: body.version, command },
  });
  expect(reply.status).toBe(200);
  expect((await read(before.stamp)).material?.patterns.map(({ id }) => id)).toContain('walk-alone');
});

test('a new figure is kept with who wrote it; the same id again, or one that cannot be danced, is refused', async () => {
  const figure: Pattern = {
    id: 'pier-walk',
    dance: 'hustle',
    name: 'Pier walk',
    kind: 'basic',
    rhythm: '&1 2 3',
    beats: 3,
    parts: { lead: 'L back, R replace, L fwd, R fwd', follow: 'opposite' },
    entry: ['two-hand'],
    exit: 'same',
  };
  const create = (more: Partial<Pattern> = {}) =>
    ottilie.call('figure.create', { body: { figure: { ...figure, ...more } } });
  const { status, body } = await create();
  expect([status, body.body, body.version]).toEqual([200, figure, 1]);
  expect(body.history).toMatchObject([{ kind: 'create', by: 'ottilie-marsh', undone: false }]);
  expect((await read()).material?.patterns.map(({ id }) => id)).toContain('pier-walk');

  expect((await create({ name: 'Another' })).status).toBe(409);
  const lame = await create({
    id: 'lame-walk',
    parts: { lead: 'L back, L fwd, R fwd, L fwd', follow: 'opposite' },
  });
  expect([lame.status, lame.body.problems?.[0]?.at]).toEqual([400, '/parts/lead/1']);
  expect((await create({ id: 'lost-walk', dance: 'jig' })).status).toBe(400);
  const undo = { kind: 'undo', of: body.history[0]?.id };
  const reply = await ottilie.call('figure.command', {
    params: { figure: 'pier-walk' },
    body: { command: undo },
  });
  expect([reply.status, reply.body.message]).toEqual([400, expect.stringMatching(/not taken back/)]);
});

test('figures of every dance are found by a part of their name or of what others call them', async () => {
  const find = async (named: string) =>
    (await ottilie.call('figure.find', { query: new URLSearchParams({ named }) })).body.figures;
  expect(await find('ALONE')).toMatchObject([{ id: 'walk-alone', kind: 'drill', dance: 'Waltz' }]);
  const called = demo.patterns?.find(({ aliases }) => aliases?.length);
  const alias = called?.aliases?.[0]?.name ?? '';
  const found = (await find(alias)).find(({ id }) => id === called?.id);
  expect(found).toMatchObject({ name: called?.name, dance: hustle?.name, course: expect.any(String) });
  expect(await find('_')).toEqual([]);
});

test('what is unfinished is kept for its writer and told to colleagues, and is gone when it is forgotten', async () => {
  const suki = await server.person('suki-larch');
  const now: Pattern = { id: 'half-done', dance: 'hustle', name: 'Half done', kind: 'pattern' };
  const params = { figure: 'half-done' };
  const keep = (draft: { base: Pattern | null; now: Pattern } | null) =>
    suki.call('draft.keep', { params, body: { draft } });
  expect((await keep({ base: null, now })).status).toBe(200);
  expect((await keep({ base: null, now: { ...now, rhythm: '1 2' } })).status).toBe(200);
  expect((await ottilie.call('draft.list')).body.drafts).toEqual([
    {
      figure: 'half-done',
      name: 'Half done',
      dance: 'hustle',
      by: 'suki-larch',
      writer: 'Suki Larch',
      isNew: true,
    },
  ]);
  const read = () => ottilie.call('draft.read', { params: { ...params, person: 'suki-larch' } });
  expect((await read()).body).toEqual({ base: null, now: { ...now, rhythm: '1 2' } });
  expect((await ottilie.call('draft.keep', { params, body: { draft: null } })).status).toBe(200);
  expect((await read()).status).toBe(200);
  const odd = { ...now, shape: 'round' } as Pattern;
  expect((await keep({ base: null, now: odd })).status).toBe(400);
  await keep(null);
  expect((await read()).status).toBe(404);
  expect((await ottilie.call('draft.list')).body.drafts).toEqual([]);
});

test('what is saved is unfinished no more, but for who else writes on it', async () => {
  const suki = await server.person('suki-larch');
  const params = { figure: 'gather' };
  const { body: base } = (await ottilie.call('figure.read', { params })).body;
  const draft = { base, now: { ...base, name: 'Half gathered' } };
  for (const writer of [ottilie, suki]) await writer.call('draft.keep', { params, body: { draft } });
  expect((await rename('gather', 'Gathered')).status).toBe(200);
  const kept = (person: string) => suki.call('draft.read', { params: { ...params, person } });
  expect([(await kept('ottilie-marsh')).status, (await kept('suki-larch')).status]).toEqual([404, 200]);
  await suki.call('draft.keep', { params, body: { draft: null } });
});

test('of one writer the newest fifty are kept', async () => {
  const suki = await server.person('suki-larch');
  for (let index = 0; index < 52; index += 1) {
    const now: Pattern = { id: `begun-${index}`, dance: 'hustle', name: `Begun ${index}`, kind: 'pattern' };
    await suki.call('draft.keep', { params: { figure: now.id }, body: { draft: { base: null, now } } });
  }
  const { drafts } = (await ottilie.call('draft.list')).body;
  expect([drafts.length, drafts[0]?.figure, drafts.at(-1)?.figure]).toEqual([50, 'begun-51', 'begun-2']);
});
