// @vitest-environment happy-dom
import { act, fireEvent, screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { courseContent, DIRECTOR } from '../../test/in-course.tsx';
import { renderOnServer } from '../../test/on-server.tsx';
import { PeoplePage } from './people-page.tsx';

const { people } = courseContent('director').studio;
const person = (id: string) => people.find(one => one.id === id);
const accounts = people.map(({ id }) => ({
  ...{ person: id, email: id === DIRECTOR ? 'o@tarn.example' : null, invited: null, sessions: 0 },
}));

function open(role: 'director' | 'teacher', email: string | null = 'o@tarn.example') {
  return renderOnServer(<PeoplePage />, {
    role,
    answers: {
      'GET /api/account': { email, studios: [], sessions: [] },
      'GET /api/people/accounts': { accounts },
      ...Object.fromEntries(
        people.map(one => [`GET /api/entries/people/${one.id}`, { body: one, version: 1, history: [] }]),
      ),
      'POST /api/people/bram-okoro/invitation': { token: 'secret', expires: '2026-03-23T12:00:00.000Z' },
    },
  });
}

test('a director makes a link, which is shown once with the day until which it holds', async () => {
  const { sent } = open('director');
  const name = person('bram-okoro')?.name ?? '';
  const row = (await screen.findByText(name)).closest('li');
  const make = await screen.findAllByRole('button', { name: 'Make a link to come in by' });
  const own = make.find(button => row?.contains(button));
  await act(async () => own && fireEvent.click(own));
  expect(await screen.findByText(`A link for ${name}`)).toBeTruthy();
  expect(screen.getByLabelText('Link')).toHaveProperty('value', expect.stringMatching(/\/come\/secret$/));
  expect(screen.getByText(/works once, until 23 March/)).toBeTruthy();
  expect(sent.map(({ path }) => path)).toEqual(['/api/people/bram-okoro/invitation']);
});

test('nobody ends their own account or takes themselves away', async () => {
  open('director');
  await screen.findByText('you');
  await screen.findAllByRole('button', { name: 'Make a link to come in by' });
  expect(screen.queryByRole('button', { name: 'End the account' })).toBeNull();
  expect(screen.queryByRole('button', { name: 'Take Ottilie Marsh away' })).toBeNull();
});

test('in the demo no link is offered; a teacher sees who is who and changes nothing', async () => {
  open('director', null);
  await screen.findByText('you');
  expect(screen.queryByRole('button', { name: 'Make a link to come in by' })).toBeNull();
});

test('a teacher sees names and roles alone', async () => {
  const { sent } = open('teacher');
  await screen.findByText('Programme director');
  expect(screen.queryByRole('combobox')).toBeNull();
  expect(screen.queryByLabelText('Add somebody')).toBeNull();
  expect(sent).toEqual([]);
});

test('a name that is on the staff already is told before another of it is made', async () => {
  const { sent } = open('director');
  const name = await screen.findByLabelText('Add somebody');
  await act(async () => fireEvent.change(name, { target: { value: 'bram okoro' } }));
  const add = () => act(async () => fireEvent.click(screen.getByRole('button', { name: 'Add' })));
  await add();
  expect(await screen.findByText(/Bram Okoro is here already, as teacher/)).toBeTruthy();
  expect(sent).toEqual([]);
  await add();
  expect(sent.map(({ path }) => path)).toEqual(['/api/entries']);
});
