import type { HistoryEntry, Versioned } from '@map-step/contract';
import { QueryClient, QueryObserver } from '@tanstack/react-query';
import { expect, test } from 'vitest';
import { commandsOn, whenSaved } from './commands.ts';
import { versionedAggregate } from './use-commands.ts';

interface Body {
  readonly steps: string;
}
type Answer = Versioned<Body>;

const KEY = ['figure', 'wrap'];
const told = (steps: string, version: number): Answer => ({ body: { steps }, version, history: [] });

test('what was read before a change was saved, and answered after it, is not taken; it is read again', async () => {
  const client = new QueryClient();
  const reads: ((answer: Answer) => void)[] = [];
  const read = () => new Promise<Answer>(answer => reads.push(answer));
  const aggregate = versionedAggregate<Body>({ key: KEY, read, send: async () => told('L fwd', 2) });
  client.setQueryData(KEY, told('L place', 1));
  const observer = new QueryObserver<Answer>(client, { queryKey: KEY, queryFn: read, staleTime: 60_000 });
  const stop = observer.subscribe(() => undefined);
  const commands = commandsOn(client, aggregate, 'suki-larch');

  void client.invalidateQueries({ queryKey: KEY });
  expect(reads).toHaveLength(1);
  commands.takeBack({ id: '1' } as HistoryEntry);
  await whenSaved(client, KEY);
  reads[0]?.(told('L place', 1));
  await Promise.resolve();
  expect(commands.now()).toEqual({ steps: 'L fwd' });
  expect(reads).toHaveLength(2);
  reads[1]?.(told('L side', 3));
  await expect.poll(() => commands.now()).toEqual({ steps: 'L side' });
  stop();
});
