// @vitest-environment happy-dom
import type { DocumentCommand, SignedInPerson, Versioned } from '@map-step/contract';
import { act } from '@testing-library/react';
import { expect, test } from 'vitest';
import { ApiError } from '../../api/client.ts';
import { versionedAggregate } from '../../api/use-commands.ts';
import { renderOnPage } from '../../test/on-page.tsx';
import type { Draft } from './draft.ts';
import { createDraftStore } from './draft-store.ts';
import { useDraft } from './use-draft.ts';

interface Body {
  readonly name: string;
  readonly level?: string;
}

const me: SignedInPerson = { id: 'ana', name: 'Ana', role: 'director', studio: 'tarn' };
const first: Versioned<Body> = { body: { name: 'Wrap', level: 'two' }, version: 1, history: [] };
const entry = { kind: 'edit', what: '', by: 'ana', at: '', undoes: null, undone: false } as const;

const ask = async (init?: RequestInit): Promise<Versioned<Body>> => {
  const reply = await fetch('/figure', init);
  const told = await reply.json();
  if (!reply.ok) throw new ApiError(told);
  return told;
};
const aggregate = versionedAggregate<Body>({
  key: ['figure', 'wrap'],
  read: () => ask(),
  send: command => ask({ method: 'POST', body: JSON.stringify({ command }) }),
});

interface Setting {
  readonly pauseMs?: number;
  readonly left?: Draft<Body>;
  readonly isNew?: boolean;
}

/** A browser that has kept nothing. */
const emptyShelf = { readAll: async () => [], put: async () => undefined, follow: () => undefined };

/** A figure on a server that takes each command, or refuses the next as the test says. */
async function open({ pauseMs, left, isNew = false }: Setting = {}) {
  const store = createDraftStore<Body>('figures', emptyShelf);
  if (left) store.keep('tarn/ana', 'wrap', left);
  const server = {
    now: first,
    refusal: undefined as { status: number; body: object } | undefined,
    whileMade(): void {},
  };
  const page = renderOnPage(
    () =>
      useDraft<Versioned<Body>, Body>({
        aggregate,
        store,
        id: 'wrap',
        me,
        known: isNew ? undefined : first.body,
        isSound: body => body.name !== '',
        create: async body => {
          server.whileMade();
          return ask({ method: 'PUT', body: JSON.stringify(body) });
        },
        keepsStates: true,
        ...(pauseMs !== undefined && { pauseMs }),
      }),
    undefined,
    ({ method, body }) => {
      if (method === 'GET') return { body: server.now };
      const { refusal } = server;
      server.refusal = undefined;
      if (refusal) return refusal;
      if (method === 'PUT') server.now = { body: body as Body, version: 1, history: [] };
      else {
        const { command } = body as { command: DocumentCommand };
        const values = command.kind === 'edit' ? command.changes.map(({ field, to }) => [field, to]) : [];
        const { version, history } = server.now;
        server.now = {
          body: { ...server.now.body, ...Object.fromEntries(values) },
          version: version + 1,
          history: [{ ...entry, id: String(version) }, ...history],
        };
      }
      return { body: server.now };
    },
  );
  await page.wait(50);
  const hands = () => page.result.current;
  const rename = (name: string) => act(() => hands().change('Renamed', body => ({ ...body, name })));
  const commands = () => page.sent().map(({ body }) => (body as { command: DocumentCommand }).command);
  const isKept = () => 'wrap' in store.read('tarn/ana');
  return { ...page, server, hands, rename, commands, isKept };
}

const renamed = (from: string, to: string) => ({
  kind: 'edit',
  what: 'Renamed',
  changes: [{ field: 'name', from, to }],
});

const refuse = (theirs: string) => ({
  status: 409,
  body: {
    code: 'stale',
    message: 'Somebody has changed it.',
    id: '1',
    current: { ...first, version: 4, body: { ...first.body, name: theirs } },
    clashes: [{ field: 'name', seen: 'Wrap', theirs, mine: 'Mine' }],
  },
});

test('what can stand is saved at once, over what was seen, and is then no draft any more', async () => {
  const { rename, hands, commands, wait, isKept } = await open();
  rename('Wrap in');
  expect(hands().body?.name).toBe('Wrap in');
  expect(isKept()).toBe(true);
  await wait(50);
  expect(commands()).toEqual([renamed('Wrap', 'Wrap in')]);
  expect(hands()).toMatchObject({ state: 'saved', body: { name: 'Wrap in' } });
  expect(isKept()).toBe(false);
});

test('a form over an older state sends only what was changed in it; the same field changed by another is theirs', async () => {
  const { hands, commands, wait, server, client } = await open();
  const seen = first.body;
  server.now = { ...first, version: 2, body: { ...first.body, level: 'three' } };
  act(() => client.setQueryData(aggregate.key, server.now));
  act(() => hands().change('Renamed', body => ({ ...body, name: 'Wrap in' }), seen));
  await wait(50);
  expect(commands()).toEqual([renamed('Wrap', 'Wrap in')]);
  expect(hands().body).toEqual({ name: 'Wrap in', level: 'three' });
});

test('what cannot stand yet is kept in the browser; mended, all of it is saved', async () => {
  const { rename, hands, commands, wait } = await open();
  rename('');
  await wait(50);
  expect([hands().state, commands()]).toEqual(['kept', []]);
  rename('Wrap out');
  await wait(50);
  expect(commands()).toEqual([renamed('Wrap', 'Wrap out')]);
});

test('what is changed while it is being saved is saved after it, over what was saved then', async () => {
  const { rename, commands, wait } = await open();
  rename('One');
  await wait(0);
  rename('Two');
  await wait(100);
  expect(commands()).toEqual([renamed('Wrap', 'One'), renamed('One', 'Two')]);
});

test('with a pause it is saved when the hand rests, and all at once', async () => {
  const { rename, commands, wait } = await open({ pauseMs: 1000 });
  for (const name of ['A', 'AB', 'ABC']) {
    rename(name);
    await wait(900);
  }
  expect(commands()).toEqual([]);
  await wait(200);
  expect(commands()).toEqual([renamed('Wrap', 'ABC')]);
});

test('who leaves before the pause is over has it saved all the same', async () => {
  const { rename, commands, unmount, wait } = await open({ pauseMs: 1000 });
  rename('Left in haste');
  unmount();
  await wait(50);
  expect(commands()).toEqual([renamed('Wrap', 'Left in haste')]);
});

test('what an earlier page had left is saved by the next', async () => {
  const left = {
    base: first.body,
    now: { ...first.body, name: 'Left' },
    what: 'Renamed',
    past: [],
    future: [],
  };
  const { commands, wait, isKept } = await open({ left });
  await wait(50);
  expect(commands()).toEqual([renamed('Wrap', 'Left')]);
  expect(isKept()).toBe(false);
});

test('changes are taken back and brought again before they are saved', async () => {
  const { rename, hands, wait, commands } = await open();
  rename('');
  act(() => hands().undo?.());
  expect(hands().body?.name).toBe('Wrap');
  act(() => hands().redo?.());
  expect(hands().body?.name).toBe('');
  act(() => hands().undo?.());
  await wait(50);
  expect([hands().state, commands()]).toEqual(['saved', []]);
});

test('what has been saved is taken back on the server', async () => {
  const { rename, hands, commands, wait } = await open();
  rename('Wrap in');
  await wait(50);
  act(() => hands().undo?.());
  await wait(50);
  expect(commands()[1]).toEqual({ kind: 'undo', of: '1' });
});

test('when somebody was first both are told, and nothing is sent until it is decided', async () => {
  const { server, rename, hands, commands, wait } = await open();
  server.refusal = refuse('Theirs');
  rename('Mine');
  await wait(50);
  expect(hands().clashes).toEqual([{ field: 'name', seen: 'Wrap', theirs: 'Theirs', mine: 'Mine' }]);
  expect(hands().error).toBeUndefined();
  rename('Mine, on');
  await wait(50);
  expect(hands().clashes[0]?.mine).toBe('Mine, on');
  expect(commands()).toHaveLength(1);
  act(() => hands().settle({ name: 'Mine, on' }));
  await wait(50);
  expect(commands()[1]).toMatchObject({ changes: [{ field: 'name', from: 'Theirs', to: 'Mine, on' }] });
  expect(hands()).toMatchObject({ state: 'saved', body: { name: 'Mine, on' } });
});

test('settled for theirs, what else was changed of one’s own is saved all the same', async () => {
  const { server, hands, commands, wait } = await open();
  server.refusal = refuse('Theirs');
  act(() => hands().change('Both', () => ({ name: 'Mine', level: 'three' })));
  await wait(50);
  server.now = { ...first, version: 4, body: { ...first.body, name: 'Theirs' } };
  act(() => hands().settle({}));
  await wait(50);
  expect(commands()[1]).toMatchObject({ changes: [{ field: 'level', from: 'two', to: 'three' }] });
  expect(hands().body).toEqual({ name: 'Theirs', level: 'three' });
});

test('what is refused is told and not sent again and again; the next change tries once more', async () => {
  const { server, rename, hands, commands, wait } = await open();
  server.refusal = { status: 400, body: { code: 'bad-request', message: 'So it cannot stand.', id: '1' } };
  rename('No');
  await wait(5000);
  expect(hands()).toMatchObject({ state: 'refused', error: { message: 'So it cannot stand.' } });
  expect(commands()).toHaveLength(1);
  rename('Yes');
  await wait(50);
  expect(commands()[1]).toEqual(renamed('Wrap', 'Yes'));
});

test('something new is made when it can stand', async () => {
  const left = { base: null, now: { name: '' }, what: 'Written', past: [], future: [] };
  const { rename, hands, sent, wait, isKept } = await open({ left, isNew: true });
  expect(hands()).toMatchObject({ isNew: true, state: 'kept' });
  rename('Pier');
  await wait(50);
  expect(sent().map(({ method, body }) => [method, body])).toEqual([['PUT', { name: 'Pier' }]]);
  expect([hands().isNew, isKept()]).toEqual([false, false]);
});

test('what is written while a new one is being made is saved after it', async () => {
  const left: Draft<Body> = { base: null, now: { name: '' }, what: 'Written', past: [], future: [] };
  const { rename, hands, sent, wait, isKept, server } = await open({ left, isNew: true });
  rename('Pier');
  server.whileMade = () => rename('Pier head');
  await wait(50);
  expect(sent().map(({ method }) => method)).toEqual(['PUT', 'POST']);
  expect([hands().body, isKept()]).toEqual([{ name: 'Pier head' }, false]);
});

test('forgotten, it is as it was', async () => {
  const { rename, hands, wait, commands } = await open();
  rename('');
  act(() => hands().discard?.());
  await wait(50);
  expect([hands().body, commands()]).toEqual([first.body, []]);
});
