import { readDocument, type StudioDocument, writeDocument } from '@map-step/core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { demoStudio } from '../../test/demo-studio.ts';
import { startTestServer, type TestPerson, type TestServer } from '../../test/test-server.ts';
import { moveToToday } from './demo.ts';

let server: TestServer;
let ottilie: TestPerson;
beforeAll(async () => {
  server = await startTestServer(demoStudio());
  ottilie = await server.person('ottilie-marsh');
});
afterAll(() => server.close());

const exported = async () => {
  const { body } = await ottilie.call<StudioDocument>('studio.export');
  const read = readDocument(JSON.stringify(body));
  if (!read.ok) throw new Error(JSON.stringify(read.fault));
  return writeDocument(read.value);
};
const load = (value: unknown) =>
  ottilie.call<{ added: Record<string, number>; unchanged: number }>('studio.import', {
    text: typeof value === 'string' ? value : JSON.stringify(value),
  });

describe('export and import', () => {
  test('the export of an imported file is that file', async () => {
    const sorted = (document: StudioDocument) => ({
      ...document,
      recaps: [...(document.recaps ?? [])].sort(
        (a, b) => a.lesson - b.lesson || (a.audience < b.audience ? -1 : 1),
      ),
    });
    expect(await exported()).toBe(writeDocument(sorted(demoStudio())));
  });

  test('a file that is there already adds nothing', async () => {
    const before = await exported();
    expect((await load(before)).body).toMatchObject({ added: {} });
    expect(await exported()).toBe(before);
  });

  test('a new figure is added beside what is there', async () => {
    const document = demoStudio();
    const fresh = { ...(document.patterns ?? [])[0], id: 'harbour-step', name: 'Harbour step' };
    const reply = await load({ ...document, patterns: [...(document.patterns ?? []), fresh] });
    expect(reply.body.added).toEqual({ patterns: 1 });
  });
});

describe('a file that cannot be used changes nothing and is told with the place', () => {
  test.each<[string, unknown, number, RegExp]>([
    ['not JSON', '{"format": "mapstep/1"', 422, /^character 22 .*ends too early/],
    ['a foreign file', { name: 'something else' }, 422, /^\/format: /],
    [
      'a step on the foot that carries the weight',
      {
        ...demoStudio(),
        patterns: demoStudio().patterns?.map((pattern, i) =>
          i === 0
            ? { ...pattern, parts: { lead: 'L back, L replace, L side, R close', follow: 'image' } }
            : pattern,
        ),
      },
      422,
      /^\/patterns\/0\/parts\/lead\/1: the left foot carries the weight/,
    ],
    [
      'an id that is there with another content',
      { ...demoStudio(), rooms: [{ ...demoStudio().rooms?.[0], name: 'Loft' }, demoStudio().rooms?.[1]] },
      409,
      /^\/rooms\/0: "sail-loft" is there already/,
    ],
  ])('%s', async (_, value, status, problem) => {
    const before = await exported();
    const reply = await load(value);
    expect(reply.status).toBe(status);
    const { at = '', message = '' } = reply.body.problems?.[0] ?? {};
    expect(`${at}: ${message}`).toMatch(problem);
    expect(await exported()).toBe(before);
  });

  test('a request that is too large is told so', async () => {
    const reply = await ottilie.call('session.demo', { text: `"${'x'.repeat(1_100_000)}"` });
    expect([reply.status, reply.body.code]).toEqual([413, 'too-large']);
  });
});

test('only the director imports and exports', async () => {
  const bram = await server.person('bram-okoro');
  expect((await bram.call('studio.export')).status).toBe(403);
  expect((await bram.call('studio.import', { text: '{}' })).status).toBe(403);
});

test('the demo moves by whole weeks, so that lesson 5 falls in this week', () => {
  for (const today of ['2026-11-23', '2026-11-29', '2027-01-01']) {
    const dates = moveToToday(demoStudio(), today).sections?.[0]?.dates ?? [];
    const days = (Date.parse(today) - Date.parse(dates[4] ?? '')) / 86_400_000;
    expect(days).toBeGreaterThanOrEqual(0);
    expect(days).toBeLessThan(7);
    expect(new Date(dates[0] ?? '').getUTCDay()).toBe(1);
  }
});

test('an unknown address answers in the one shape of errors, with an id and no internals', async () => {
  const reply = await fetch(`${server.address}/api/nowhere`);
  const body = (await reply.json()) as object;
  expect(reply.status).toBe(404);
  expect(Object.keys(body).sort()).toEqual(['code', 'id', 'message']);
});
