// @vitest-environment happy-dom
import { ChakraProvider } from '@chakra-ui/react';
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { type ReactNode, useState } from 'react';
import { afterEach, beforeAll, expect, test, vi } from 'vitest';
import { ApiError } from '../api/client.ts';
import { system } from '../theme/system.ts';
import { Choice } from './choice.tsx';
import { Disclosure } from './disclosure.tsx';
import { Failure } from './failure.tsx';
import { NumberField } from './number-field.tsx';
import { OneOf } from './one-of.tsx';
import { Pick } from './pick.tsx';
import { Segments } from './segments.tsx';
import { TextField } from './text-field.tsx';
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

test('a refusal names its places as a person counts them', () => {
  const problems = [{ at: '/parts/lead/1', message: 'the left foot carries the weight' }];
  dressed(
    <Failure error={new ApiError({ code: 'bad-request', message: 'It cannot stand.', id: '1', problems })} />,
  );
  expect(screen.getByRole('alert').textContent).toBe(
    'It cannot stand.parts, lead, 2: the left foot carries the weight',
  );
});

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

const KINDS = [
  { value: 'turn', words: 'Turn' },
  { value: 'drill', words: 'Drill' },
] as const;

test('one of a list is chosen by its words, and the list says which it is', async () => {
  const set = vi.fn();
  dressed(<Choice label="Kind" value="turn" among={KINDS} set={set} />);
  const list = screen.getByRole('combobox', { name: 'Kind' });
  expect(list.textContent).toContain('Turn');
  await act(async () => fireEvent.click(list));
  await act(async () => fireEvent.click(await screen.findByRole('option', { name: 'Drill' })));
  expect(set.mock.calls).toEqual([['drill']]);
});

test('of many some are found by a part of the name, and let go again', async () => {
  const names = ['Wrap', 'Unwrap', 'Gather'];
  function Needs() {
    const [value, set] = useState<readonly string[]>(['Gather']);
    return (
      <Pick
        label="Needs"
        among={names.map(name => ({ value: name, words: name }))}
        value={value}
        set={set}
        many
      />
    );
  }
  dressed(<Needs />);
  const field = screen.getByRole('combobox', { name: 'Needs' });
  await act(async () => fireEvent.click(field));
  await act(async () => fireEvent.change(field, { target: { value: 'wra' } }));
  await waitFor(() => expect(screen.queryByRole('option', { name: 'Gather' })).toBeNull());
  await act(async () => fireEvent.click(screen.getByRole('option', { name: 'Unwrap' })));
  await waitFor(() => expect(screen.getByRole('button', { name: 'Without Unwrap' })).toBeTruthy());
  await act(async () => fireEvent.click(screen.getByRole('button', { name: 'Without Gather' })));
  expect(screen.queryByRole('button', { name: 'Without Gather' })).toBeNull();
});

test.each([
  ['75', [[75]]],
  ['', [[undefined]]],
  ['60', []],
  ['1001', []],
  ['x', []],
])(
  'the number “%s” is saved once the field is left, if it can stand and is another',
  async (typed, saved) => {
    const save = vi.fn();
    dressed(<NumberField label="Minutes" value={60} max={1000} save={save} />);
    const field = screen.getByRole('spinbutton', { name: 'Minutes' });
    await act(async () => fireEvent.focus(field));
    await act(async () => fireEvent.input(field, { target: { value: typed } }));
    expect(save).not.toHaveBeenCalled();
    await act(async () => fireEvent.blur(field));
    expect(save.mock.calls).toEqual(saved);
  },
);

test('what is wrong with a field is told to those who cannot see it too', () => {
  dressed(<TextField label="Name" fault="A figure has a name." />);
  const field = screen.getByRole('textbox', { name: 'Name' });
  const told = document.getElementById(field.getAttribute('aria-describedby') ?? '');
  expect(told?.textContent).toBe('A figure has a name.');
  expect(field.getAttribute('aria-invalid')).toBe('true');
});

test('one of two views is chosen', async () => {
  const set = vi.fn();
  dressed(<Segments label="View" value="turn" among={KINDS} set={set} />);
  await act(async () => fireEvent.click(screen.getByRole('radio', { name: 'Drill' })));
  expect(set).toHaveBeenCalledWith('drill');
});
