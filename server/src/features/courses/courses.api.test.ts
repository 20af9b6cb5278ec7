import type { CourseAnswer, CourseCommand } from '@map-step/contract';
import type { Json } from '@map-step/core';
import { afterAll, beforeEach, describe, expect, test } from 'vitest';
import { type Move, moveCommand } from '../../test/commands.ts';
import { demoStudio } from '../../test/demo-studio.ts';
import { startTestServer, type TestPerson, type TestServer } from '../../test/test-server.ts';

let server: TestServer;
let ottilie: TestPerson;
beforeEach(async () => {
  await server?.close();
  server = await startTestServer(demoStudio());
  ottilie = await server.person('ottilie-marsh');
});
afterAll(() => server.close());

const read = async () => (await ottilie.call('course.read', { params: { course: 'hustle-1' } })).body;
const send = (seen: number, command: CourseCommand, by = ottilie) =>
  by.call('course.command', { params: { course: 'hustle-1' }, body: { seen, command } });
const place = (...moves: Move[]) => moveCommand('moved', ...moves);
const lessonOf = (answer: CourseAnswer, pattern: string) =>
  answer.course.placed?.find(entry => entry.pattern === pattern)?.lesson ?? null;

describe('placing figures', () => {
  test('raises the version, writes the history, and can be undone and redone', async () => {
    const moved = (await send(1, place({ pattern: 'wrap', from: 6, to: 5 }))).body;
    expect([moved.version, lessonOf(moved, 'wrap')]).toEqual([2, 5]);
    expect(moved.history[0]).toMatchObject({ kind: 'edit', by: 'ottilie-marsh', undone: false });

    const undone = (await send(2, { kind: 'undo', of: moved.history[0]?.id ?? '' })).body;
    expect(lessonOf(undone, 'wrap')).toBe(6);
    expect(undone.history.map(({ undone: isUndone }) => isUndone)).toEqual([false, true]);

    const redone = (await send(3, { kind: 'undo', of: undone.history[0]?.id ?? '' })).body;
    expect(lessonOf(redone, 'wrap')).toBe(5);
  });

  test('from an older version runs when it touches nothing that changed since', async () => {
    await send(1, place({ pattern: 'wrap', from: 6, to: 5 }));
    const other = await send(1, place({ pattern: 'gather', from: 5, to: null }));
    expect(other.status).toBe(200);
    expect([lessonOf(other.body, 'wrap'), lessonOf(other.body, 'gather')]).toEqual([5, null]);
  });

  test('of what somebody else has moved is refused, with what stands now, and changes nothing', async () => {
    await send(1, place({ pattern: 'wrap', from: 6, to: 5 }));
    const clash = await send(
      1,
      place({ pattern: 'gather', from: 5, to: 4 }, { pattern: 'wrap', from: 6, to: 7 }),
    );
    expect([clash.status, clash.body.code]).toEqual([409, 'stale']);
    expect(lessonOf(clash.body.current as CourseAnswer, 'wrap')).toBe(5);
    expect(lessonOf(await read(), 'gather')).toBe(5);
  });

  test('an undo of what has been moved on since is refused', async () => {
    const moved = (await send(1, place({ pattern: 'wrap', from: 6, to: 5 }))).body;
    await send(2, place({ pattern: 'wrap', from: 5, to: 7 }));
    const undo = await send(3, { kind: 'undo', of: moved.history[0]?.id ?? '' });
    expect([undo.status, lessonOf(await read(), 'wrap')]).toEqual([409, 7]);
  });

  test('twenty changes at once to different figures all stand', async () => {
    const { course } = await read();
    const figures = (course.placed ?? []).slice(0, 10);
    const replies = await Promise.all(
      figures.map(({ pattern, lesson }) =>
        send(1, place({ pattern, from: lesson, to: lesson === 7 ? 6 : lesson + 1 })),
      ),
    );
    expect(replies.map(({ status }) => status)).toEqual(figures.map(() => 200));
    const after = await read();
    expect(after.version).toBe(11);
    for (const { pattern, lesson } of figures)
      expect(lessonOf(after, pattern)).toBe(lesson === 7 ? 6 : lesson + 1);
  });

  test.each<[string, Move]>([
    ['a figure that is not in the course', { pattern: 'waltz', from: null, to: 1 }],
    ['a lesson that is not there', { pattern: 'wrap', from: 6, to: 9 }],
  ])('%s is refused', async (_, move) => {
    expect((await send(1, place(move))).status).toBe(400);
  });
});

describe('publishing', () => {
  test('makes a version that the classes follow, with who, when and what is left out', async () => {
    const { body } = await send(1, { kind: 'publish', name: 'Spring', note: 'Quieter turns.' });
    expect(body.published).toMatchObject({
      name: 'Spring',
      by: 'ottilie-marsh',
      note: 'Quieter turns.',
      published: true,
    });
    expect(body.published?.left).toContain('free-spin');
  });

  test('of a version that was not seen is refused', async () => {
    await send(1, place({ pattern: 'wrap', from: 6, to: 5 }));
    expect((await send(1, { kind: 'publish', name: 'Old', note: '' })).status).toBe(409);
  });
});

test('only the director changes a course; everyone on the staff reads it', async () => {
  const bram = await server.person('bram-okoro');
  expect((await send(1, place({ pattern: 'wrap', from: 6, to: 5 }), bram)).status).toBe(403);
  expect((await bram.call('course.read', { params: { course: 'hustle-1' } })).status).toBe(200);
  expect((await bram.call('course.read', { params: { course: 'no-such' } })).status).toBe(404);
});

test('a command that is not one is refused with its place', async () => {
  const reply = await ottilie.call('course.command', {
    params: { course: 'hustle-1' },
    body: {
      seen: 1,
      command: { kind: 'edit', what: 'moved', changes: [{ field: 'name', from: 'a', to: 'b', colour: 1 }] },
    },
  });
  expect(reply.status).toBe(400);
  expect(reply.body.problems?.[0]?.at).toBe('/command/changes/0/colour');
});

describe('versions of a plan', () => {
  const versions = async () =>
    (await ottilie.call('course.versions', { params: { course: 'hustle-1' } })).body.versions;

  test('a kept one stands beside the published ones, newest first, and the classes go on as published', async () => {
    await send(1, place({ pattern: 'wrap', from: 6, to: 5 }));
    const kept = (await send(2, { kind: 'keep', name: 'First thoughts', note: 'Wrap early' })).body;
    expect(kept.published?.name).toBe('On paper');
    const [newest, before] = await versions();
    expect([newest?.name, newest?.published, newest?.note]).toEqual(['First thoughts', false, 'Wrap early']);
    expect(newest?.placed).toContainEqual({ pattern: 'wrap', lesson: 5 });
    expect([before?.name, before?.published]).toEqual(['On paper', true]);
  });

  test('of a version of the course that was not seen none is kept, and a kept one is not undone', async () => {
    await send(1, place({ pattern: 'wrap', from: 6, to: 5 }));
    expect((await send(1, { kind: 'keep', name: 'Old', note: '' })).status).toBe(409);
    const kept = (await send(2, { kind: 'keep', name: 'New', note: '' })).body;
    const undo = await send(3, { kind: 'undo', of: kept.history[0]?.id ?? '' });
    expect([undo.status, (await versions())[0]?.name]).toEqual([400, 'New']);
  });

  test('those of a course that is not there are not found', async () => {
    const reply = await ottilie.call('course.versions', { params: { course: 'no-such' } });
    expect(reply.status).toBe(404);
  });
});

describe('rules and settings of a course', () => {
  const edit = (...changes: { field: string; from: Json; to: Json }[]): CourseCommand => ({
    kind: 'edit',
    what: 'Rules',
    changes,
  });

  test('a pin and the length of the lessons are set, told in the history, and taken back', async () => {
    const { course } = await read();
    const item = course.items.find(({ pattern }) => pattern === 'wrap') as unknown as Json;
    const lessons = course.lessons.map(lesson => ({ ...lesson, minutes: 75 }));
    const changed = await send(
      1,
      edit(
        { field: 'items/wrap', from: item, to: { ...(item as object), pin: 6 } },
        { field: 'lessons', from: course.lessons as unknown as Json, to: lessons as unknown as Json },
      ),
    );
    expect(changed.body.course.items.find(({ pattern }) => pattern === 'wrap')?.pin).toBe(6);
    expect(changed.body.course.lessons[0]?.minutes).toBe(75);
    const undone = await send(2, { kind: 'undo', of: changed.body.history[0]?.id ?? '' });
    expect([undone.body.course.items, undone.body.course.lessons]).toEqual([course.items, course.lessons]);
  });

  test('fewer lessons than the plan needs are refused, and so is a figure taken off that lies in the plan', async () => {
    const { course } = await read();
    const shorter = course.lessons.slice(0, 4) as unknown as Json;
    const lessons = { field: 'lessons', from: course.lessons as unknown as Json, to: shorter };
    expect((await send(1, edit(lessons))).status).toBe(400);
    const item = course.items.find(({ pattern }) => pattern === 'wrap') as unknown as Json;
    expect((await send(1, edit({ field: 'items/wrap', from: item, to: null }))).status).toBe(400);
    expect((await read()).version).toBe(1);
  });

  test('a course is copied whole under another id; the same id is refused, and so is one that cannot stand', async () => {
    const { course } = await read();
    const copy = { ...course, id: 'hustle-1-spring', name: 'Hustle 1, spring' };
    const made = await ottilie.call('course.create', { body: { course: copy } });
    const { placed: placing = [], ...rest } = made.body.course;
    expect([rest.items, rest.lessons, rest.name]).toEqual([copy.items, copy.lessons, copy.name]);
    expect(placing).toHaveLength(course.placed?.length ?? 0);
    expect([made.body.published, made.body.sections]).toEqual([null, []]);
    expect((await ottilie.call('course.create', { body: { course: copy } })).status).toBe(409);
    const lost = { ...copy, id: 'lost', dances: ['no-such'] };
    expect((await ottilie.call('course.create', { body: { course: lost } })).status).toBe(400);
  });
});
