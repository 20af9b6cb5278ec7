// @vitest-environment happy-dom
import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { renderOnServer } from '../../test/on-server.tsx';
import { OpenPalette } from './open-palette.ts';
import { StudioPage } from './studio-page.tsx';

const words = () => screen.getAllByRole('link').map(({ textContent }) => textContent);
const open = (role: 'director' | 'teacher', openPalette = () => undefined) =>
  renderOnServer(
    <OpenPalette value={openPalette}>
      <StudioPage title="People">Who is who.</StudioPage>
    </OpenPalette>,
    { role, at: '/people', answers: { 'DELETE /api/session': {} } },
  );

test('a director finds the pages of the whole studio, a teacher those that are theirs', async () => {
  open('director');
  expect(await screen.findByRole('link', { name: 'Set up' })).toBeTruthy();
  expect(words()).toEqual(expect.arrayContaining(['Programme', 'Term', 'People', 'Studio', 'Files']));
  expect(screen.getByRole('link', { name: 'People' }).getAttribute('aria-current')).toBe('page');
});

test('a teacher sees no page that only a director may use', async () => {
  open('teacher');
  await screen.findByRole('link', { name: 'Ottilie Marsh' });
  expect(words()).toEqual(expect.arrayContaining(['Programme', 'Term', 'People']));
  for (const page of ['Set up', 'Studio', 'Files']) expect(words()).not.toContain(page);
});

test('the light is changed and kept on this device', async () => {
  const kept = new Map<string, string>();
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => kept.set(key, value),
  });
  open('teacher');
  fireEvent.click(screen.getByRole('button', { name: 'Dim' }));
  expect(document.documentElement.classList.contains('dark')).toBe(true);
  expect([...kept.values()]).toContain('dim');
  fireEvent.click(await screen.findByRole('button', { name: 'Day' }));
  expect(document.documentElement.classList.contains('dark')).toBe(false);
});

test('who signs out is led to the beginning; what is searched for opens from everywhere', async () => {
  const find = vi.fn();
  const { sent, router } = open('teacher', find);
  fireEvent.click(screen.getByRole('button', { name: 'Find' }));
  expect(find).toHaveBeenCalledOnce();
  await act(async () => fireEvent.click(screen.getByRole('button', { name: 'Sign out' })));
  await waitFor(() => expect(router.state.location.pathname).toBe('/'));
  expect(sent.map(({ method, path }) => `${method} ${path}`)).toEqual(['DELETE /api/session']);
});
