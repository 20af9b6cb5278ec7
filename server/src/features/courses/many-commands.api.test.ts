import { afterAll, beforeAll, expect, test } from 'vitest';
import { moveCommand } from '../../test/commands.ts';
import { demoStudio } from '../../test/demo-studio.ts';
import {
  type ListeningServer,
  startTestServer,
  type TestPerson,
  type TestServer,
} from '../../test/test-server.ts';

const COMMANDS_EACH = 150;

let server: TestServer;
let other: ListeningServer;
beforeAll(async () => {
  server = await startTestServer(demoStudio());
  other = await server.another();
});
afterAll(async () => {
  await other.close();
  await server.close();
});

/** Walks one figure through the lessons, always telling the version of long ago. */
async function walk(
  who: TestPerson,
  pattern: string,
  start: number,
): Promise<{ statuses: Set<number>; lesson: number }> {
  const statuses = new Set<number>();
  let lesson = start;
  for (let sent = 0; sent < COMMANDS_EACH; sent += 1) {
    const to = (lesson % 7) + 1;
    const command = moveCommand(pattern, { pattern, from: lesson, to });
    const { status } = await who.call('course.command', {
      params: { course: 'hustle-1' },
      body: { seen: 1, command },
    });
    statuses.add(status);
    if (status === 200) lesson = to;
  }
  return { statuses, lesson };
}

test('300 commands by two people through two servers: disjoint ones all succeed, and none is lost', async () => {
  const [here, there] = [await server.person('ottilie-marsh'), await other.person('ottilie-marsh')];
  const [wrap, gather] = await Promise.all([walk(here, 'wrap', 6), walk(there, 'gather', 5)]);
  expect([...wrap.statuses, ...gather.statuses]).toEqual([200, 200]);
  const { body } = await here.call('course.read', { params: { course: 'hustle-1' } });
  expect(body.version).toBe(1 + 2 * COMMANDS_EACH);
  const lessonOf = (id: string) => body.course.placed?.find(({ pattern }) => pattern === id)?.lesson;
  expect([lessonOf('wrap'), lessonOf('gather')]).toEqual([wrap.lesson, gather.lesson]);
});

test('of two people who move the same figure to different lessons exactly one succeeds, every time', async () => {
  const [here, there] = [await server.person('ottilie-marsh'), await other.person('ottilie-marsh')];
  const params = { course: 'hustle-1' };
  for (let round = 0; round < 20; round += 1) {
    const { body } = await here.call('course.read', { params });
    const from = body.course.placed?.find(({ pattern }) => pattern === 'right-turn')?.lesson ?? 0;
    const send = (who: TestPerson, to: number) => {
      const command = moveCommand('Moved', { pattern: 'right-turn', from, to });
      return who.call('course.command', { params, body: { seen: body.version, command } });
    };
    const both = [send(here, (from % 7) + 1), send(there, ((from + 1) % 7) + 1)];
    const statuses = (await Promise.all(both)).map(({ status }) => status).sort();
    expect(statuses).toEqual([200, 409]);
  }
});
