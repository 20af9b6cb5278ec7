// @vitest-environment happy-dom
import { ChakraProvider } from '@chakra-ui/react';
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { type ReactNode, useState } from 'react';
import { afterEach, beforeAll, expect, test, vi } from 'vitest';
import { system } from '../theme/system.ts';
import { Disclosure } from './disclosure.tsx';
import { OneOf } from './one-of.tsx';
import { Tick } from './tick.tsx';
import { Window } from './window.tsx';

beforeAll(() => {
  // Here no animation ever ends, and what closes waits for it.
  document.head.append(
    Object.assign(document.createElement('style'), { textContent: '* { animation-name: none !important }' }),
  );
});
afterEach(cleanup);

const dressed = (children: ReactNode) => render(<ChakraProvider value={system}>{children}</ChakraProvider>);

test('what is typed in a disclosure is kept while it is closed, and its form sends it', async () => {
  const told = vi.fn();
  const { container } = dressed(
    <form>
      <Disclosure title="More" onToggle={told}>
        <input name="cure" defaultValue="" />
      </Disclosure>
    </form>,
  );
  const line = screen.getByRole('button', { name: 'More' });
  expect(line.getAttribute('aria-expanded')).toBe('false');
  await act(async () => fireEvent.click(line));
  await waitFor(() => expect(line.getAttribute('aria-expanded')).toBe('true'));
  fireEvent.change(container.querySelector('input') as HTMLInputElement, { target: { value: 'Lift' } });
  await act(async () => fireEvent.click(line));
  await waitFor(() => expect(line.getAttribute('aria-expanded')).toBe('false'));
  expect(new FormData(container.querySelector('form') as HTMLFormElement).get('cure')).toBe('Lift');
  expect(told.mock.calls).toEqual([[true], [false]]);
});

test('a tick says what it is on, and takes the other', async () => {
  const set = vi.fn();
  dressed(<Tick label="Wrap is a gate" isOn set={set} />);
  const box = screen.getByRole('checkbox', { name: 'Wrap is a gate' }) as HTMLInputElement;
  expect(box.checked).toBe(true);
  await act(async () => fireEvent.click(box));
  expect(set).toHaveBeenCalledWith(false);
});

test('one of a few is chosen by its words', async () => {
  const set = vi.fn();
  const among = [
    { value: 'mine', words: 'Mine' },
    { value: 'theirs', words: 'Theirs' },
  ] as const;
  dressed(<OneOf title="Name" value="theirs" among={among} set={set} />);
  expect(screen.getByRole('radiogroup', { name: 'Name' })).toBeTruthy();
  await act(async () => fireEvent.click(screen.getByRole('radio', { name: 'Mine' })));
  expect(set).toHaveBeenCalledWith('mine');
});

test('a window is named, and closes by its button and by Escape', async () => {
  function Page() {
    const [isOpen, open] = useState(true);
    return (
      <Window title="Keys" isOpen={isOpen} close={() => open(false)} closeWords="Close the keys">
        All of them
      </Window>
    );
  }
  const { unmount } = dressed(<Page />);
  expect(await screen.findByRole('dialog', { name: 'Keys' })).toBeTruthy();
  await act(async () => fireEvent.click(screen.getByRole('button', { name: 'Close the keys' })));
  await waitFor(() => expect(screen.queryByRole('dialog')).toBe(null));
  unmount();
  dressed(<Page />);
  await screen.findByRole('dialog');
  await act(async () => fireEvent.keyDown(document.body, { key: 'Escape' }));
  await waitFor(() => expect(screen.queryByRole('dialog')).toBe(null));
});
