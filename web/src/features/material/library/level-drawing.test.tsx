// @vitest-environment happy-dom
import { fireEvent, screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { renderRoom } from '../../../test/in-course.tsx';
import { LevelDrawing } from './level-drawing.tsx';

test('the level is drawn as places; a dead end by this lesson is told, and a chosen place tells what leads on', () => {
  renderRoom(<LevelDrawing level="hustle-1" />, { lesson: 5, left: ['handshake-pass'] });
  expect(screen.getByText('Dead ends by then: Hand change.')).toBeTruthy();
  const handshake = screen.getByRole('button', { name: /Handshake.*dead end/ });
  fireEvent.click(handshake);
  expect(handshake.getAttribute('aria-pressed')).toBe('true');
  expect(screen.getByText('→ Two hands:').parentElement?.textContent).toBe(
    '→ Two hands: Handshake pass later',
  );
});

test('a line of dance has its places by how they face and which foot is free', () => {
  renderRoom(<LevelDrawing level="quickstep-1" />);
  expect(screen.getAllByRole('button', { name: /^To the wall/ }).map(one => one.textContent)).toEqual([
    'To the wallright foot free, 2 stay here',
    'To the wallleft foot free',
  ]);
});
