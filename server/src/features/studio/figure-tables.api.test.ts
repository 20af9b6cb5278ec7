import { printTableOrder } from '@map-step/contract';
import type { Pattern } from '@map-step/core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { demoStudio } from '../../test/demo-studio.ts';
import { exportStudio, tableResult, undoImport, waitForJob } from '../../test/run-import.ts';
import { startTestServer, type TestPerson, type TestServer } from '../../test/test-server.ts';

let server: TestServer;
let ottilie: TestPerson;
beforeAll(async () => {
  server = await startTestServer(demoStudio());
  ottilie = await server.person('ottilie-marsh');
});
afterAll(() => server.close());

const run = async (text: string, write: boolean, mapping = {}) => {
  const { status, body } = await ottilie.call('table.import', {
    text: printTableOrder({ table: 'patterns', text, mapping, write }),
  });
  expect(status).toBe(200);
  const job = await waitForJob(ottilie, body.id, ({ state }) => state !== 'waiting' && state !== 'running');
  return {
    job,
    get result() {
      return tableResult(job);
    },
  };
};
const figures = async () => {
  const query = new URLSearchParams({ course: 'hustle-1' });
  const { body } = await ottilie.call('material.read', { query });
  return new Map(body.material?.patterns.map(pattern => [pattern.id, pattern]));
};
const undo = (job: string) => undoImport(ottilie, job);

const HEADER = 'Code,Title,kind,dance,minutes,needs';
const MAPPING = { Code: 'id', Title: 'name' };
const rows = (...lines: string[]) => [HEADER, ...lines].join('\n');

describe('a table of figures', () => {
  test('with 20 wrong cells names all 20 and writes nothing; then the right rows are written, and only those', async () => {
    const wrong = Array.from({ length: 20 }, (_, index) => `bad-${index},Bad,drill,hustle,long,`);
    const text = rows(
      'pier-drill,Pier drill,drill,hustle,4,',
      ...wrong,
      'wrap,Harbour wrap,pattern,hustle,,',
    );
    const before = await figures();
    const { result } = await run(text, false, MAPPING);
    expect(result.totals).toEqual({ fresh: 1, changed: 1, unchanged: 0, faults: 20 });
    expect(result.faults.map(({ line, column }) => [line, column])).toEqual(
      wrong.map((_, index) => [index + 3, 'minutes']),
    );
    expect(result.changed[0]?.fields.map(({ field }) => field)).toEqual(['name', 'needs']);
    expect(await figures()).toEqual(before);

    const written = await run(text, true, MAPPING);
    const after = await figures();
    expect(written.result.written).toBe(true);
    expect(after.get('pier-drill')).toMatchObject({ name: 'Pier drill', minutes: 4 });
    expect([after.get('wrap')?.name, after.has('bad-0')]).toEqual(['Harbour wrap', false]);
    expect(after.get('wrap')?.parts).toEqual(before.get('wrap')?.parts);

    expect((await undo(written.job.id)).result).toEqual({ removed: 1, restored: 1 });
    expect(await figures()).toEqual(before);
    const again = await ottilie.call('import.undo', { params: { job: written.job.id } });
    expect(again.status).toBe(409);
  });

  test('how its columns were named is kept with the studio', async () => {
    await run(rows('quay-drill,Quay drill,drill,hustle,,'), true, MAPPING);
    expect((await exportStudio(ottilie)).mappings).toEqual({ figures: MAPPING });
    const studio = await ottilie.call('studio.read');
    expect(studio.body.tableColumns.patterns).toEqual(MAPPING);
  });

  test('an import is not taken back over a change that came after it', async () => {
    const { job } = await run(
      rows('slip-drill,Slip drill,drill,hustle,,', 'slip-two,Slip two,drill,hustle,,'),
      true,
      MAPPING,
    );
    const change = { field: 'name', from: 'Slip drill', to: 'Slip' };
    const command = { kind: 'edit', what: 'Name', changes: [change] };
    await ottilie.call('figure.command', { params: { figure: 'slip-drill' }, body: { command } });
    const { state, fault } = await undo(job.id);
    expect([state, fault?.problems?.map(({ at }) => at)]).toEqual(['failed', ['slip-drill']]);
    expect((await figures()).get('slip-drill')?.name).toBe('Slip');
  });

  test('rows without an id are known by their name, or get an id of it', async () => {
    const text = 'name,kind,dance,minutes\nWrap,pattern,hustle,9\nLantern drill,drill,hustle,4';
    const { result } = await run(text, false);
    expect([result.fresh, result.faults]).toEqual([
      [{ line: 3, id: 'lantern-drill', name: 'Lantern drill' }],
      [],
    ]);
    expect(result.changed.map(({ id, fields }) => [id, fields.map(({ field }) => field)])).toEqual([
      ['wrap', ['minutes']],
    ]);
  });

  test('5,000 rows come in with live progress, and a stopped import leaves nothing behind', async () => {
    const many = Array.from({ length: 5000 }, (_, index) => `mass-${index},Mass ${index},drill,hustle,,`);
    const { body } = await ottilie.call('table.import', {
      text: printTableOrder({ table: 'patterns', text: rows(...many), mapping: MAPPING, write: true }),
    });
    await waitForJob(ottilie, body.id, ({ state }) => state === 'running');
    await ottilie.call('job.stop', { params: { job: body.id } });
    const ended = await waitForJob(ottilie, body.id, ({ state }) => state !== 'running');
    expect(ended.state).toBe('stopped');
    expect([...(await figures()).keys()].some(id => id.startsWith('mass-'))).toBe(false);

    const seen = new Set<number>();
    const again = await ottilie.call('table.import', {
      text: printTableOrder({ table: 'patterns', text: rows(...many), mapping: MAPPING, write: true }),
    });
    const job = await waitForJob(ottilie, again.body.id, ({ state, done }) => {
      seen.add(done);
      return state === 'done';
    });
    expect(tableResult(job).totals.fresh).toBe(5000);
    expect(seen.size).toBeGreaterThan(1);
    const figure = (await figures()).get('mass-4999') as Pattern;
    expect(figure.name).toBe('Mass 4999');
  });
});
