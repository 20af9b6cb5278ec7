// @vitest-environment happy-dom
import { fireEvent, screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { mondayClass, renderRoom } from '../../../test/in-course.tsx';
import { usePlan } from '../../course/course-context.ts';
import { StuckFigures } from './stuck-figures.tsx';
import type { MapMoves } from './use-moves.ts';

function Told({ moves }: { moves?: MapMoves }) {
  const { draft } = usePlan();
  return <StuckFigures draft={draft} moves={moves} />;
}

test('a dead end is told with the move that opens it, and what that costs', () => {
  const moved: unknown[] = [];
  const moves = { move: (...of: unknown[]) => moved.push(of) } as unknown as MapMoves;
  renderRoom(<Told moves={moves} />, { inClass: mondayClass(), left: ['handshake-pass'] });
  expect(screen.getByRole('heading', { name: 'One dead end' })).toBeTruthy();
  expect(
    screen.getByText(/Hand change cannot be left from lesson 5 on: Handshake pass is left out\./),
  ).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Handshake pass to lesson 5' }));
  expect(moved).toEqual([[{ 'handshake-pass': 5 }, 'Handshake pass to lesson 5']]);
});

test('who may only look reads it without a button', () => {
  renderRoom(<Told />, { inClass: mondayClass(), left: ['handshake-pass'] });
  expect(screen.getByText(/Hand change cannot be left/)).toBeTruthy();
  expect(screen.queryAllByRole('button')).toEqual([]);
});
