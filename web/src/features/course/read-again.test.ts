import type { CourseAnswer } from '@map-step/contract';
import { QueryClient, QueryObserver } from '@tanstack/react-query';
import { beforeEach, expect, test, vi } from 'vitest';
import { commandKey } from '../../api/commands.ts';
import { courseQuery, keys } from './course-queries.ts';
import { readAgain } from './read-again.ts';

const ID = 'hustle-1';
const { queryKey } = courseQuery(ID);
let client: QueryClient;
const isStale = (key: readonly string[] = queryKey) => client.getQueryState(key)?.isInvalidated;
const told = (version?: number) =>
  readAgain(client, { topic: 'course', id: ID, ...(version && { version }) });

beforeEach(() => {
  client = new QueryClient();
  client.setQueryData(queryKey, { version: 7 } as CourseAnswer);
  client.setQueryData(keys.section('monday'), {});
});

/** A change of one's own that is answered when the returned function is called. */
function save(): () => Promise<void> {
  let answer: () => void = () => undefined;
  const answered = new Promise<void>(resolve => {
    answer = resolve;
  });
  const saved = client
    .getMutationCache()
    .build(client, {
      mutationKey: commandKey(keys.course(ID)),
      mutationFn: () => answered,
    })
    .execute(undefined);
  return async () => {
    answer();
    await saved;
  };
}

test('what is here already is not read again', () => {
  told(7);
  expect(isStale()).toBe(false);
});

test('a newer version, and one that is not told, is read again', () => {
  told(8);
  expect(isStale()).toBe(true);
  client.setQueryData(queryKey, { version: 8 } as CourseAnswer);
  expect(isStale()).toBe(false);
  told();
  expect(isStale()).toBe(true);
});

test('while a change is on its way nothing is read; its answer may hold all that was told', async () => {
  const answer = save();
  told(8);
  told(7);
  expect(isStale()).toBe(false);
  client.setQueryData(queryKey, { version: 8 } as CourseAnswer);
  await answer();
  expect(isStale()).toBe(false);
});

test('what others changed after that answer is read once it is there', async () => {
  const answer = save();
  told(9);
  client.setQueryData(queryKey, { version: 8 } as CourseAnswer);
  await answer();
  await vi.waitFor(() => expect(isStale()).toBe(true));
});

test('of a class its own state is read again, of everything all but who is here', () => {
  client.setQueryData(['session'], {});
  readAgain(client, { topic: 'section', id: 'monday' });
  expect(isStale(keys.section('monday'))).toBe(true);
  expect(isStale()).toBe(false);
  readAgain(client, { topic: 'everything', id: '' });
  expect(isStale()).toBe(true);
  expect(isStale(['session'])).toBe(false);
});

test('a first answer that was on its way when its class changed is asked for once more', async () => {
  const answers: ((logs: number) => void)[] = [];
  const queryKey = keys.section('thursday');
  const observer = new QueryObserver(client, {
    queryKey,
    queryFn: () => new Promise<{ logs: number }>(resolve => answers.push(logs => resolve({ logs }))),
  });
  const stop = observer.subscribe(() => undefined);
  readAgain(client, { topic: 'section', id: 'thursday' });
  expect(answers).toHaveLength(1);
  answers[0]?.(19);
  await vi.waitFor(() => expect(answers).toHaveLength(2));
  answers[1]?.(20);
  await vi.waitFor(() => expect(client.getQueryData(queryKey)).toEqual({ logs: 20 }));
  stop();
});
