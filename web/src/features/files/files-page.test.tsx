// @vitest-environment happy-dom
import type { ImportResult, JobAnswer, TableResult } from '@map-step/contract';
import { act, fireEvent, screen, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import { renderOnServer } from '../../test/on-server.tsx';
import { FilesPage } from './files-page.tsx';
import { changesInWords } from './import-parts.tsx';

const ID = '00000000-0000-4000-8000-000000000001';
const UNDONE = '00000000-0000-4000-8000-000000000002';
const job = (more: Partial<JobAnswer>): JobAnswer => ({
  ...{ id: ID, kind: 'table', state: 'done', stage: 'Reading', done: 0, total: 0, by: 'Ottilie Marsh' },
  ...{ result: null, fault: null },
  ...more,
});
const table: TableResult = {
  ...{ written: false, columns: ['id', 'name'] },
  fresh: [{ line: 2, id: 'pier-walk', name: 'Pier walk' }],
  changed: [{ line: 3, id: 'wrap', name: 'Wrap', fields: [{ field: 'minutes', from: null, to: 5 }] }],
  faults: [{ line: 4, column: 'kind', message: '“twirl” is no kind of figure.' }],
  totals: { fresh: 1, changed: 1, unchanged: 2, faults: 1 },
};
const studioFile: ImportResult = {
  ...{ written: false, added: { people: 1, rooms: 2 }, unchanged: 7, changedCount: 0, changed: [] },
  asked: [
    {
      person: 'bram-okoro',
      here: { id: 'bram-okoro', name: 'Bram Okoro', role: 'teacher' },
      file: { id: 'bram-okoro', name: 'Bram Lark', role: 'teacher' },
    },
  ],
};

/** The page on a server whose job is as it is told. */
function open(jobs: () => JobAnswer) {
  return renderOnServer(<FilesPage />, {
    answers: {
      'POST /api/imports': { id: ID },
      'POST /api/studio/import': jobs,
      [`GET /api/jobs/${ID}`]: jobs,
      [`DELETE /api/jobs/${ID}`]: {},
      [`POST /api/imports/${ID}/undo`]: job({ id: UNDONE, kind: 'import-undo', state: 'waiting' }),
      [`GET /api/jobs/${UNDONE}`]: job({
        ...{ id: UNDONE, kind: 'import-undo' },
        result: { removed: 1, restored: 1 },
      }),
    },
  });
}

const choose = (label: string, name: string, text: string) =>
  act(async () => {
    const field = screen.getByLabelText(label);
    fireEvent.change(field, { target: { files: [new File([text], name)] } });
  });
const press = (name: string | RegExp) =>
  act(async () => fireEvent.click(screen.getByRole('button', { name })));

test('what a table would do is told line by line before it is written, then it is written and taken back', async () => {
  let now = job({ result: table });
  const { sent } = open(() => now);
  await choose('Table to import', 'figures.csv', 'id,name\npier-walk,Pier walk\n');
  await press('See what figures.csv would do');
  expect(await screen.findByText('1 new, 1 changed, 2 unchanged, 1 faults')).toBeTruthy();
  expect(screen.getByText('Line 4, kind: “twirl” is no kind of figure.')).toBeTruthy();
  expect(screen.getByText('Line 3, Wrap: minutes from nothing to 5')).toBeTruthy();
  expect(screen.getByText('Line 2: Pier walk')).toBeTruthy();
  now = job({ result: { ...table, written: true } });
  await press('Write 1 new and 1 changed rows, without the rows at fault');
  const terms = sent.map(({ body }) => JSON.parse(String(body).split('\n')[0] ?? ''));
  expect(terms.map(({ write }) => write)).toEqual([false, true]);
});

test('a whole import is taken back, and said what became of it', async () => {
  const { sent } = open(() => job({ result: { ...table, written: true } }));
  await choose('Table to import', 'figures.csv', 'id,name\npier-walk,Pier walk\n');
  await press('See what figures.csv would do');
  await screen.findByText(/^Written: /);
  await press('Take this whole import back');
  expect(await screen.findByText('Taken back: 1 removed, 1 put back.')).toBeTruthy();
  expect(sent.at(-1)?.path).toBe(`/api/imports/${ID}/undo`);
});

test('a column of another name is asked about, and what is not known by an id may do without', async () => {
  open(() => job({ result: table }));
  await choose('Table to import', 'figures.csv', 'Figure,kind\nPier walk,pattern\n');
  expect(within(screen.getByRole('group')).getByText('Figure')).toBeTruthy();
  expect(screen.getByText(/A row without an id gets one from its name/)).toBeTruthy();
});

test('a table that cannot be read is told with its line, and nothing is sent', async () => {
  const { sent } = open(() => job({}));
  await choose('Table to import', 'figures.csv', 'id,name\n"pier-walk,Pier walk\n');
  expect(screen.getByText(/^This table cannot be read\. Line \d+: /)).toBeTruthy();
  expect(screen.queryByRole('button', { name: /^See what/ })).toBeNull();
  expect(sent).toEqual([]);
});

test('long work says how far it is and can be stopped', async () => {
  const { sent } = open(() => job({ kind: 'import', state: 'running', done: 30, total: 120 }));
  await choose('File to import', 'studio.json', '{}');
  expect(await screen.findByText('30 of 120 entries')).toBeTruthy();
  await press('Stop');
  expect(sent.at(-1)).toMatchObject({ method: 'DELETE', path: `/api/jobs/${ID}` });
});

test('a file that is at fault is told with each place', async () => {
  const problems = [{ at: '/patterns/3/kind', message: '“twirl” is no kind of figure.' }];
  open(() => job({ state: 'failed', fault: { message: 'This file does not fit.', problems } as never }));
  await choose('File to import', 'studio.json', '{}');
  expect(await screen.findByText('This file does not fit.')).toBeTruthy();
  expect(screen.getByText(/“twirl” is no kind of figure\./)).toBeTruthy();
});

test('a file of the studio is told in numbers; who signs in here is renamed by none', async () => {
  const { sent } = open(() => job({ kind: 'import-preview', result: studioFile }));
  await choose('File to import', 'studio.json', '{"format":"mapstep/3"}');
  expect(
    await screen.findByText('This file: new: 1 person, 2 rooms; 0 changed; 7 the same already'),
  ).toBeTruthy();
  expect(screen.getByText('Bram Lark of the file and Bram Okoro here are')).toBeTruthy();
  await press('Bring it in');
  expect(sent.map(({ query }) => query.get('do'))).toEqual(['preview', 'take']);
});

test('a change of a field is said in words', () => {
  const fields = [
    { field: 'name', from: 'Wrap', to: 'Harbour wrap' },
    { field: 'minutes', from: 5, to: null },
  ];
  expect(changesInWords(fields)).toBe('name from “Wrap” to “Harbour wrap”; minutes from 5 to nothing');
});
