import { expect, test, vi } from 'vitest';
import { followLeftOut, hearLeftOut, whatIsLeftOut } from './left-out.ts';

const answer = (told?: string) =>
  new Response('{}', {
    headers: told === undefined ? {} : { 'Map-Step-Left-Out': encodeURIComponent(told) },
  });

test('rows that an answer does without are told once each, until the page is loaded again', () => {
  const listener = vi.fn();
  const stop = followLeftOut(listener);
  hearLeftOut(answer());
  hearLeftOut(answer('patterns/wrap rooms/net-room'));
  hearLeftOut(answer('patterns/wrap'));
  hearLeftOut(answer('logs/1'));
  stop();
  hearLeftOut(answer('logs/2'));
  expect([...whatIsLeftOut()]).toEqual(['patterns/wrap', 'rooms/net-room', 'logs/1', 'logs/2']);
  expect(listener).toHaveBeenCalledTimes(2);
});
