// @vitest-environment happy-dom
import type { RecapAnswer } from '@map-step/contract';
import { act } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { courseContent } from '../../test/in-course.tsx';
import { renderOnPage } from '../../test/on-page.tsx';
import { CourseContext } from '../course/course-context.ts';
import { useRecap } from './use-recap.ts';

const PAUSE = 1000;

const recap = (markdown: string, version = 1): RecapAnswer => ({
  section: 'hustle-1-monday',
  lesson: 2,
  audience: 'students',
  markdown,
  promises: [],
  version,
  published: null,
  isChanged: false,
  links: 0,
});

interface Command {
  readonly command: { readonly changes?: readonly { from: string; to: string }[]; readonly of?: string };
}

/** A server on which one recap stands; `others` is what somebody else has saved meanwhile. */
async function open(first = recap('Side basic.')) {
  vi.stubGlobal('localStorage', { getItem: () => null, setItem: () => undefined });
  const server = { stands: first, history: [] as object[], others: undefined as RecapAnswer | undefined };
  const page = renderOnPage(
    useRecap,
    first,
    ({ method, path, body }) => {
      if (method === 'GET') return { body: { recap: server.stands, history: server.history } };
      const { changes = [], of } = (body as Command).command ?? {};
      if (server.others) {
        const current = { recap: server.others, history: [] };
        const clashes = changes.map(({ from, to }) => ({
          field: 'markdown',
          seen: from,
          mine: to,
          theirs: server.others?.markdown,
        }));
        return { status: 409, body: { code: 'stale', message: 'First.', id: '1', current, clashes } };
      }
      if (path.endsWith('/publish'))
        return { body: { recap: server.stands, token: 'abc', expires: '2026-04-01' } };
      server.stands = recap(of ? 'As it was.' : (changes[0]?.to ?? ''), server.stands.version + 1);
      return { body: { recap: server.stands, history: server.history } };
    },
    children => <CourseContext value={courseContent('director')}>{children}</CourseContext>,
  );
  await page.wait(50);
  const editor = () => page.result.current;
  const commands = () => page.sent().map(({ body }) => (body as Command).command);
  return { ...page, server, editor, commands, write: (text: string) => act(() => editor().write(text)) };
}

test('what is written is saved by itself after a pause, over the text that was seen', async () => {
  const { write, wait, editor, sent, commands } = await open();
  write('Side basic, and close basic.');
  expect(editor().state).toBe('kept');
  await wait(PAUSE - 10);
  expect(sent()).toEqual([]);
  await wait(60);
  expect(commands().map(({ changes }) => changes)).toEqual([
    [{ field: 'markdown', from: 'Side basic.', to: 'Side basic, and close basic.' }],
  ]);
  expect(editor().state).toBe('saved');
});

test('a newer text of somebody else comes in by itself where nothing would be lost, and not else', async () => {
  const { server, editor, write, client, wait, sent } = await open();
  server.stands = recap('Theirs.', 2);
  await act(() => client.invalidateQueries());
  await wait(50);
  expect([editor().text, editor().state]).toEqual(['Theirs.', 'saved']);
  expect(sent()).toEqual([]);
  write('Mine.');
  server.stands = recap('Theirs again.', 3);
  await act(() => client.invalidateQueries());
  await wait(50);
  expect(editor().text).toBe('Mine.');
});

test.each([
  ['mine', 'Side basic.\n\nMine.\n'],
  ['theirs', undefined],
] as const)('of two texts %s stands from then on', async (_, mine) => {
  const theirs = 'Theirs.\n\nSide basic.\n';
  const { server, write, wait, editor, sent, commands } = await open(recap('Side basic.\n'));
  server.others = recap(theirs, 5);
  write('Side basic.\n\nMine.\n');
  await wait(2 * PAUSE);
  expect(editor().clashes[0]).toMatchObject({ theirs, mine: 'Side basic.\n\nMine.\n' });
  expect(editor().error).toBeUndefined();
  await wait(5 * PAUSE);
  expect(sent()).toHaveLength(1);
  server.stands = server.others;
  server.others = undefined;
  act(() => editor().settle(mine === undefined ? {} : { markdown: mine }));
  await wait(2 * PAUSE);
  expect([editor().clashes, editor().text]).toEqual([[], mine ?? theirs]);
  const changes = commands().flatMap(command => command.changes ?? []);
  expect(changes.slice(1)).toEqual(mine === undefined ? [] : [{ field: 'markdown', from: theirs, to: mine }]);
});

test('what was changed is taken back, and the text with it', async () => {
  const { editor, wait, commands } = await open();
  act(() => editor().takeBack({ id: '7' } as Parameters<ReturnType<typeof editor>['takeBack']>[0]));
  await wait(50);
  expect(commands()).toEqual([{ kind: 'undo', of: '7' }]);
  expect(editor().text).toBe('As it was.');
  await wait(2 * PAUSE);
  expect(commands()).toHaveLength(1);
});

test('it is published as it was seen, and not while it is being written', async () => {
  const { editor, write, wait, sent } = await open();
  write('Side basic, twice.');
  expect(editor().isBusy).toBe(true);
  await wait(2 * PAUSE);
  expect(editor().isBusy).toBe(false);
  act(() => editor().publish());
  await wait(50);
  expect(sent().at(-1)?.body).toEqual({ seen: 2 });
  expect(editor().published?.token).toBe('abc');
});
