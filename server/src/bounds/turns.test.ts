import { expect, test } from 'vitest';
import { openTurns } from './turns.ts';

const refusal = new Error('too much of yours waits');

function work() {
  let end: () => void = () => undefined;
  let hasBegun = false;
  const done = new Promise<void>(resolve => {
    end = resolve;
  });
  const run = () => {
    hasBegun = true;
    return done;
  };
  return { run, end: () => end(), hasBegun: () => hasBegun };
}

test('of one so many things are done at a time, in their order, while another does not wait for them', async () => {
  const turns = openTurns({ atOnce: 2, most: 10, refusal });
  const own = [work(), work(), work()];
  const answers = own.map(({ run }) => turns.take('ada', run));
  const other = work();
  const others = turns.take('bo', other.run);
  await Promise.resolve();
  expect([...own, other].map(({ hasBegun }) => hasBegun())).toEqual([true, true, false, true]);
  own[0]?.end();
  await answers[0];
  await Promise.resolve();
  expect(own[2]?.hasBegun()).toBe(true);
  for (const { end } of [...own, other]) end();
  await Promise.all([...answers, others]);
});

test('above the most of one it is refused, and taken again when some of it is done', async () => {
  const turns = openTurns({ atOnce: 1, most: 2, refusal });
  const own = [work(), work()];
  const answers = own.map(({ run }) => turns.take('ada', run));
  await expect(turns.take('ada', work().run)).rejects.toBe(refusal);
  for (const { end } of own) end();
  await Promise.all(answers);
  expect(await turns.take('ada', async () => 'taken')).toBe('taken');
});

test('what fails gives its turn to the next', async () => {
  const turns = openTurns({ atOnce: 1, most: 5, refusal });
  const failed = turns.take('ada', () => Promise.reject(new Error('no')));
  const next = turns.take('ada', async () => 'done');
  await expect(failed).rejects.toThrow('no');
  expect(await next).toBe('done');
});
