// @vitest-environment happy-dom
import { act, fireEvent, screen, within } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { renderOnServer } from '../../test/on-server.tsx';
import { NextTermPage } from './next-term-page.tsx';

// There is nothing to draw on here; the same numbers stand in the table.
vi.mock('./forecast-chart.tsx', () => ({ ForecastChart: () => null }));

const level = { level: 'hustle-2', name: 'Hustle 2', dance: 'hustle', ready: 22, again: 3, unseen: 2 };
const check = {
  section: 'hustle-1-autumn',
  course: 'hustle-1',
  name: 'Hustle 1, autumn',
  kind: 'final',
  date: '2025-12-01',
};
const open = (levels: readonly object[]) =>
  renderOnServer(<NextTermPage />, {
    answers: {
      'GET /api/next-term': { levels, checks: [check] },
      'GET /api/term': { classes: [], courses: [] },
      'GET /api/levels': { dances: [] },
    },
  });

test('how many classes a level needs is said first, then from whom, who is missing, and from which checks', async () => {
  open([{ ...level, could: { lead: 8, follow: 17, solo: 0 } }]);
  const said = await screen.findByText(/^Hustle 2: /);
  expect(said.parentElement?.textContent).toMatch(/22 are ready for it, 3 would take it again\./);
  expect(said.parentElement?.textContent).toMatch(/short of a leader\./);
  expect(said.parentElement?.textContent).toMatch(/Of 2 more too little was marked to say\./);
  expect(screen.getByText(/Counted from Hustle 1, autumn \(1 Dec\)/)).toBeTruthy();
  const row = within(screen.getByRole('table')).getByText('Hustle 2').closest('tr');
  expect(row?.textContent).toContain('8, 17, 0');
});

test('fewer couples in a class are more classes, at once', async () => {
  open([{ ...level, could: { lead: 20, follow: 20, solo: 0 } }]);
  const before = (await screen.findByText(/^Hustle 2: /)).textContent;
  const field = screen.getByRole('spinbutton', { name: 'Couples in a class' });
  await act(async () => fireEvent.focus(field));
  await act(async () => fireEvent.input(field, { target: { value: '3' } }));
  const after = screen.getByText(/^Hustle 2: /).textContent;
  expect(after).not.toBe(before);
  expect(after).toMatch(/[4-7] classes/);
});

test('without a final check it says what it would be counted from', async () => {
  open([]);
  expect(await screen.findByText('No check yet')).toBeTruthy();
  expect(screen.queryByRole('table')).toBeNull();
});
