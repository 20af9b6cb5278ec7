// @vitest-environment happy-dom
import type { DocumentCommand, Versioned } from '@map-step/contract';
import { act } from '@testing-library/react';
import { expect, test } from 'vitest';
import { ApiError } from '../../api/client.ts';
import { renderOnPage } from '../../test/on-page.tsx';
import { useDocument } from './use-document.ts';

interface Body {
  readonly id: string;
  readonly name: string;
  readonly level: string;
}

const ask = async (init?: RequestInit): Promise<Versioned<Body>> => {
  const reply = await fetch('/figure', init);
  const told = await reply.json();
  if (!reply.ok) throw new ApiError(told);
  return told;
};
const CALLS = {
  read: () => ask(),
  command: (command: DocumentCommand) => ask({ method: 'POST', body: JSON.stringify({ command }) }),
  key: ['figure', 'wrap'],
};

const stands = (more: Partial<Body> = {}, version = 1): Versioned<Body> => ({
  body: { id: 'wrap', name: 'Wrap', level: 'two', ...more },
  version,
  history: [],
});

interface Refusal {
  readonly status: number;
  readonly body: object;
}

/** A figure on a server that takes each command, or refuses the next as the test says. */
async function open() {
  const server = { now: stands(), refusal: undefined as Refusal | undefined, isGone: false };
  const page = renderOnPage(
    () => useDocument<Body>(CALLS),
    undefined,
    ({ method, body }) => {
      if (server.isGone)
        return { status: 404, body: { code: 'not-found', message: 'There is no such figure.', id: '1' } };
      if (method === 'GET') return { body: server.now };
      const { refusal } = server;
      server.refusal = undefined;
      if (refusal) return refusal;
      const { command } = body as { command: DocumentCommand };
      const values = command.kind === 'edit' ? command.changes.map(({ field, to }) => [field, to]) : [];
      server.now = stands({ ...server.now.body, ...Object.fromEntries(values) }, server.now.version + 1);
      return { body: server.now };
    },
  );
  await page.wait(50);
  const document = () => page.result.current;
  const edit = (values: Partial<Body>) => act(() => document().edit('Renamed', stands().body, values));
  const commands = () => page.sent().map(({ body }) => (body as { command: DocumentCommand }).command);
  return { ...page, server, document, edit, commands };
}

const clash = (theirs: string) => ({
  status: 409,
  body: {
    code: 'stale',
    message: 'Somebody has changed it.',
    id: '1',
    current: stands({ name: theirs }, 4),
    clashes: [{ field: 'name', seen: 'Wrap', theirs, mine: 'Mine' }],
  },
});

test('a field is set over what was seen in it, and what then stands is taken over', async () => {
  const { document, edit, commands, wait } = await open();
  edit({ name: 'Wrap in' });
  await wait(50);
  expect(commands()).toEqual([
    { kind: 'edit', what: 'Renamed', changes: [{ field: 'name', from: 'Wrap', to: 'Wrap in' }] },
  ]);
  expect(document().answer).toMatchObject({ version: 2, body: { name: 'Wrap in' } });
  expect(document().isSaving).toBe(false);
});

test('nothing to set is not sent', async () => {
  const { edit, commands, wait } = await open();
  edit({});
  await wait(50);
  expect(commands()).toEqual([]);
});

test('when somebody was first both values are shown, and no error beside them', async () => {
  const { server, document, edit, wait } = await open();
  server.refusal = clash('Theirs');
  edit({ name: 'Mine' });
  await wait(50);
  expect(document().clashes).toEqual([{ field: 'name', seen: 'Wrap', theirs: 'Theirs', mine: 'Mine' }]);
  expect(document().answer?.body.name).toBe('Theirs');
  expect(document().error).toBeNull();
});

test('settled for one’s own, it is written over theirs; settled for theirs, nothing is written', async () => {
  const { server, document, edit, commands, wait } = await open();
  server.refusal = clash('Theirs');
  edit({ name: 'Mine' });
  await wait(50);
  act(() => document().settle({ name: 'Mine' }));
  await wait(50);
  expect(document().clashes).toEqual([]);
  expect(commands()[1]).toMatchObject({ changes: [{ field: 'name', from: 'Theirs', to: 'Mine' }] });
  server.refusal = clash('Others');
  edit({ name: 'Mine again' });
  await wait(50);
  act(() => document().settle({}));
  await wait(50);
  expect(document().clashes).toEqual([]);
  expect(commands()).toHaveLength(3);
});

test('a refusal for another reason is told and changes nothing', async () => {
  const { server, document, edit, wait } = await open();
  server.refusal = { status: 400, body: { code: 'bad-request', message: 'So it cannot stand.', id: '1' } };
  edit({ level: 'nine' });
  await wait(50);
  expect(document().error?.message).toBe('So it cannot stand.');
  expect(document().answer?.body.level).toBe('two');
  expect(document().clashes).toEqual([]);
});

test('an entry of the history is taken back by its id', async () => {
  const { document, commands, wait } = await open();
  act(() => document().takeBack({ id: '12' } as Parameters<ReturnType<typeof document>['takeBack']>[0]));
  await wait(50);
  expect(commands()).toEqual([{ kind: 'undo', of: '12' }]);
});

test('what is no longer there is told apart from what has not been read', async () => {
  const { server, document, client, wait } = await open();
  expect(document().isGone).toBe(false);
  server.isGone = true;
  await act(() => client.invalidateQueries());
  await wait(50);
  expect(document().isGone).toBe(true);
  expect(document().answer).toBeUndefined();
});
