// @vitest-environment happy-dom
import { act, fireEvent, screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { mondayClass, renderInClass } from '../../test/in-course.tsx';
import { NewCheck } from './new-check.tsx';

test('a check asks what this class has by its own plan: what it did not reach in time is not asked half-way', async () => {
  const room = <NewCheck section="hustle-1-monday" taken={[]} mayWrite go={vi.fn()} leave={undefined} />;
  const { server } = await renderInClass(room, { inClass: mondayClass() });
  expect(server.answer.course.placed?.find(({ pattern }) => pattern === 'hand-change')?.lesson).toBe(4);
  const make = (name: string) =>
    act(async () => fireEvent.click(screen.getByRole('button', { name: `Make the ${name} check` })));
  await make('half-way');
  await make('final');
  const asked = server.sent.map(body =>
    (body as { check: { items: { pattern: string }[] } }).check.items.map(({ pattern }) => pattern),
  );
  expect(asked.map(items => items.includes('hand-change'))).toEqual([false, true]);
  expect(asked[0]).toContain('left-turn');
});
