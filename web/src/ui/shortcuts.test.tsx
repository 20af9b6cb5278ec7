// @vitest-environment happy-dom
import { cleanup, render } from '@testing-library/react';
import { afterEach, describe, expect, test, vi } from 'vitest';
import { SHORTCUTS, shownKeys, useShortcuts } from './shortcuts.ts';

afterEach(cleanup);

type Uses = Parameters<typeof useShortcuts>[0];

function Page({ uses }: { uses: Uses }) {
  useShortcuts(uses);
  return (
    <>
      <input aria-label="A field" />
      <div role="dialog">
        <button type="button">In a window</button>
      </div>
    </>
  );
}

/** Presses a key on the page, or in an element of it; true when the page took it. */
function press(key: string, more: KeyboardEventInit = {}, on: EventTarget = document.body): boolean {
  return !on.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more }));
}

describe('a key of a room', () => {
  test('is heard, also with Caps Lock, and not with another modifier', () => {
    const plan = vi.fn();
    render(<Page uses={{ plan }} />);
    expect([press('p'), press('P')]).toEqual([true, true]);
    expect(press('p', { ctrlKey: true })).toBe(false);
    expect(plan).toHaveBeenCalledTimes(2);
  });

  test('is left alone where the room has no use for it', () => {
    render(<Page uses={{ plan: undefined }} />);
    expect(press('p')).toBe(false);
  });

  test('is what its use is now, not what it was when the room opened', () => {
    const [first, second] = [vi.fn(), vi.fn()];
    const { rerender } = render(<Page uses={{ plan: first }} />);
    rerender(<Page uses={{ plan: second }} />);
    press('p');
    expect([first.mock.calls.length, second.mock.calls.length]).toEqual([0, 1]);
  });

  test('is typed in a field and rests below a window', () => {
    const plan = vi.fn();
    const { getByLabelText, getByText } = render(<Page uses={{ plan }} />);
    expect(press('p', {}, getByLabelText('A field'))).toBe(false);
    expect(press('p', {}, getByText('In a window'))).toBe(false);
    expect(plan).not.toHaveBeenCalled();
  });
});

test('two keys one after the other lead to a room; a digit leads to a lesson', () => {
  const [room, third] = [vi.fn(), vi.fn()];
  render(<Page uses={{ 'room-lesson': room, 'lesson-3': third }} />);
  press('g');
  expect(press('l')).toBe(true);
  expect(press('3')).toBe(true);
  expect([room.mock.calls.length, third.mock.calls.length]).toEqual([1, 1]);
});

test.each(['?', '/'])('the page of keys opens with ? however the keyboard has it (%s)', key => {
  const keys = vi.fn();
  render(<Page uses={{ keys }} />);
  press('?', { shiftKey: key === '/' });
  expect(keys).toHaveBeenCalledOnce();
});

test('undo and redo are told apart', () => {
  const [undo, redo] = [vi.fn(), vi.fn()];
  render(<Page uses={{ undo, redo }} />);
  press('z', { ctrlKey: true });
  press('Z', { ctrlKey: true, shiftKey: true });
  expect([undo.mock.calls.length, redo.mock.calls.length]).toEqual([1, 1]);
});

test('keys are shown as they stand on a keyboard', () => {
  expect(shownKeys(SHORTCUTS.redo)).toEqual(['Ctrl', 'Shift', 'Z']);
  expect([shownKeys(SHORTCUTS.plan), shownKeys(SHORTCUTS.publish)]).toEqual([['P'], ['Shift', 'P']]);
  expect(shownKeys(SHORTCUTS['room-map'])).toEqual(['G', 'A']);
  expect(shownKeys(SHORTCUTS.lesson)).toEqual(['1 … 9']);
});
