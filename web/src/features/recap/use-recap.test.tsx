// @vitest-environment happy-dom
import type { RecapAnswer } from '@map-step/contract';
import { act } from '@testing-library/react';
import { expect, test } from 'vitest';
import { renderOnPage } from '../../test/on-page.tsx';
import { useRecap } from './use-recap.ts';

const PAUSE = 1000;

const recap = (markdown: string, version = 1): RecapAnswer => ({
  section: 'hustle-1-monday',
  lesson: 2,
  audience: 'students',
  markdown,
  version,
  published: null,
  isChanged: false,
  links: 0,
});

interface Command {
  readonly command: { readonly changes?: readonly { from: string; to: string }[]; readonly of?: string };
}

/** A server on which one recap stands; `others` is what somebody else has saved meanwhile. */
function open(first = recap('Side basic.')) {
  const server = { stands: first, history: [] as object[], others: undefined as RecapAnswer | undefined };
  const page = renderOnPage(useRecap, first, ({ method, path, body }) => {
    if (method === 'GET') return { body: { recap: server.stands, history: server.history } };
    if (server.others) {
      const current = server.others;
      return { status: 409, body: { code: 'stale', message: 'Somebody was first.', id: '1', current } };
    }
    if (path.endsWith('/publish'))
      return { body: { recap: server.stands, token: 'abc', expires: '2026-04-01' } };
    const { changes, of } = (body as Command).command;
    server.stands = recap(of ? 'As it was.' : (changes?.[0]?.to ?? ''), server.stands.version + 1);
    return { body: { recap: server.stands, history: server.history } };
  });
  const editor = () => page.result.current;
  const commands = () => page.sent().map(({ body }) => (body as Command).command);
  return { ...page, server, editor, commands, write: (text: string) => act(() => editor().write(text)) };
}

test('what is written is saved by itself after a pause, over the text that was seen', async () => {
  const { write, wait, editor, sent, commands } = open();
  write('Side basic, and close basic.');
  expect(editor().state).toBe('not saved');
  await wait(PAUSE - 1);
  expect(sent()).toEqual([]);
  await wait(50);
  expect(commands().map(({ changes }) => changes)).toEqual([
    [{ field: 'markdown', from: 'Side basic.', to: 'Side basic, and close basic.' }],
  ]);
  expect(editor().state).toBe('saved');
});

test('while somebody goes on writing nothing is saved; then all of it at once', async () => {
  const { write, wait, sent } = open();
  for (const text of ['a', 'ab', 'abc']) {
    write(text);
    await wait(PAUSE - 100);
  }
  expect(sent()).toEqual([]);
  await wait(200);
  expect(sent()).toHaveLength(1);
  await wait(10 * PAUSE);
  expect(sent()).toHaveLength(1);
});

test('a newer text of somebody else comes in by itself where nothing would be lost', async () => {
  const { rerender, editor, wait, sent } = open();
  rerender(recap('Theirs.', 2));
  expect(editor().text).toBe('Theirs.');
  expect(editor().state).toBe('saved');
  await wait(2 * PAUSE);
  expect(sent()).toEqual([]);
});

test('a newer text of somebody else does not take away what is being written', () => {
  const { write, rerender, editor } = open();
  write('Mine.');
  rerender(recap('Theirs.', 2));
  expect(editor().text).toBe('Mine.');
});

test.each([
  ['mine', 'Side basic.\n\nMine.\n'],
  ['theirs', 'Theirs.\n\nSide basic.\n'],
  ['both', 'Theirs.\n\nSide basic.\n\nMine.\n'],
] as const)('of two texts %s stands from then on', async (whose, text) => {
  const { server, write, wait, editor, sent, commands } = open(recap('Side basic.\n'));
  server.others = recap('Theirs.\n\nSide basic.\n', 5);
  write('Side basic.\n\nMine.\n');
  await wait(2 * PAUSE);
  expect(editor().theirs?.markdown).toBe('Theirs.\n\nSide basic.\n');
  expect(editor().error).toBeNull();
  await wait(5 * PAUSE);
  expect(sent()).toHaveLength(1);
  server.others = undefined;
  act(() => editor().choose(whose));
  expect(editor().theirs).toBeUndefined();
  expect(editor().text).toBe(text);
  await wait(2 * PAUSE);
  const changes = commands().flatMap(command => command.changes ?? []);
  expect(changes.slice(1)).toEqual(
    whose === 'theirs' ? [] : [{ field: 'markdown', from: 'Theirs.\n\nSide basic.\n', to: text }],
  );
});

test('what was changed is taken back, and the text with it', async () => {
  const { editor, wait, commands } = open();
  act(() => editor().takeBack({ id: '7' } as Parameters<ReturnType<typeof editor>['takeBack']>[0]));
  await wait(50);
  expect(commands()).toEqual([{ kind: 'undo', of: '7' }]);
  expect(editor().text).toBe('As it was.');
  await wait(2 * PAUSE);
  expect(commands()).toHaveLength(1);
});

test('it is published as it was seen, and not while it is being written', async () => {
  const { editor, write, wait, sent } = open();
  write('Side basic, twice.');
  expect(editor().isBusy).toBe(true);
  await wait(2 * PAUSE);
  expect(editor().isBusy).toBe(false);
  act(() => editor().publish());
  await wait(50);
  expect(sent().at(-1)?.body).toEqual({ seen: 2 });
  expect(editor().published?.token).toBe('abc');
});
