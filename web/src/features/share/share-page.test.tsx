// @vitest-environment happy-dom
import { fireEvent, screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { renderOnServer } from '../../test/on-server.tsx';
import { SharePage } from './share-page.tsx';

const open = (answer: unknown) =>
  renderOnServer(<SharePage />, {
    at: '/r/secret',
    path: '/r/:token',
    answers: { 'GET /api/share/secret': answer },
  });

test('behind a link stand the recap, its evening and when it was corrected, and it can be printed', async () => {
  open({
    ...{ studio: 'Tarn Street Dance Rooms', date: '2026-03-02', corrected: '2026-03-04' },
    markdown: '# Hustle 1, lesson 4\n\n## New: Left turn\n',
  });
  expect(await screen.findByRole('heading', { name: 'Hustle 1, lesson 4' })).toBeTruthy();
  expect(screen.getByText(/Monday 2 March, corrected 4 March$/)).toBeTruthy();
  const print = vi.fn();
  vi.stubGlobal('print', print);
  fireEvent.click(screen.getByRole('button', { name: 'Print' }));
  expect(print).toHaveBeenCalledOnce();
});

test('a link that is no more says so in the words of the server', async () => {
  const gone = { code: 'not-found', message: 'This link has been withdrawn.', id: '1' };
  open(() => Response.json(gone, { status: 404 }));
  expect(await screen.findByText(/This link has been withdrawn\./)).toBeTruthy();
  expect(screen.queryByRole('heading')).toBeNull();
});
