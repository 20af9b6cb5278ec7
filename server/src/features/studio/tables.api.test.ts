// Tables of students, items and marks come in as tables of figures do: told first, then written.

import type { JobAnswer, TableResult } from '@map-step/contract';
import { printTableOrder } from '@map-step/contract';
import { type StudioDocument, writeTable } from '@map-step/core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { demoStudio } from '../../test/demo-studio.ts';
import { exportStudio, tableResult, undoImport, waitForJob } from '../../test/run-import.ts';
import { startTestServer, type TestPerson, type TestServer } from '../../test/test-server.ts';

const section = 'hustle-1-monday';
const check = { id: 'half-way', section, kind: 'half-way', date: '2026-03-02', marks: [] } as const;
const studio: StudioDocument = {
  ...demoStudio(),
  checks: [{ ...check, items: [{ pattern: 'wrap', layers: ['steps'], gate: true }] }],
};
let server: TestServer;
let ottilie: TestPerson;
beforeAll(async () => {
  server = await startTestServer(studio);
  ottilie = await server.person('ottilie-marsh');
});
afterAll(() => server.close());

const run = async (table: 'students' | 'items' | 'marks', lines: readonly string[], write = false) => {
  const { status, body } = await ottilie.call('table.import', {
    text: printTableOrder({ table, text: lines.join('\n'), mapping: {}, write }),
  });
  expect(status).toBe(200);
  const isOver = ({ state }: JobAnswer) => state !== 'waiting' && state !== 'running';
  const job = await waitForJob(ottilie, body.id, isOver);
  return { job: job.id, ...tableResult(job) };
};
const undo = (job: string) => undoImport(ottilie, job);
const exported = () => exportStudio(ottilie);
const at = (faults: TableResult['faults']) => faults.map(({ line, column }) => [line, column]);
const [alba, corin] = studio.students ?? [];

describe('students', () => {
  const table = [
    'id,name,role',
    'wim-o,Wim O,lead',
    `${alba?.id},Alba Q,lead`,
    `${corin?.id},${corin?.name},${corin?.role}`,
  ];

  test('new, changed and unchanged; a role that is none and an id that stands twice are named', async () => {
    const bad = ['zed-x,Zed X,both', 'wim-o,Wim again,lead'];
    const { totals, faults, changed } = await run('students', [...table, ...bad]);
    expect(totals).toEqual({ fresh: 1, changed: 1, unchanged: 1, faults: 2 });
    expect(at(faults)).toEqual([
      [5, 'role'],
      [6, ''],
    ]);
    expect(changed[0]?.fields).toEqual([{ field: 'name', from: alba?.name, to: 'Alba Q' }]);
  });

  test('written, and taken back as a whole', async () => {
    const before = await exported();
    const { job, written } = await run('students', table, true);
    expect(written).toBe(true);
    expect((await exported()).students?.map(({ name }) => name)).toEqual(
      expect.arrayContaining(['Wim O', 'Alba Q']),
    );
    expect((await undo(job)).result).toEqual({ removed: 1, restored: 1 });
    expect(await exported()).toEqual(before);
  });
});

describe('items of courses', () => {
  const header = 'course,pattern,value,pin,gate';

  test('are added to and changed in their courses; unknown courses and figures are named', async () => {
    const lines = [
      header,
      'hustle-1,wrap,could,,',
      'tap-1,wrap,should,3,yes',
      'waltz-1,wrap,must,,',
      'tap-1,nothing,must,,',
    ];
    const { totals, faults } = await run('items', lines);
    expect(totals).toEqual({ fresh: 1, changed: 1, unchanged: 0, faults: 2 });
    expect(at(faults)).toEqual([
      [4, 'course'],
      [5, 'pattern'],
    ]);
    const { job } = await run('items', lines, true);
    const read = async (course: string) => (await ottilie.call('course.read', { params: { course } })).body;
    const item = async (course: string) =>
      (await read(course)).course.items.find(({ pattern }) => pattern === 'wrap');
    expect(await item('hustle-1')).toEqual({ pattern: 'wrap', value: 'could' });
    expect(await item('tap-1')).toEqual({ pattern: 'wrap', value: 'should', pin: 3, gate: true });
    expect((await read('tap-1')).history[0]).toMatchObject({ what: 'Imported', by: 'ottilie-marsh' });
    expect((await undo(job)).state).toBe('done');
    expect(await item('tap-1')).toBeUndefined();
  });

  test('the table that went out changes nothing when it comes in', async () => {
    const { totals } = await run('items', [writeTable(await exported(), 'items')]);
    expect(totals).toMatchObject({ fresh: 0, changed: 0, faults: 0 });
    expect(totals.unchanged).toBeGreaterThan(40);
  });
});

describe('marks of checks', () => {
  const header = 'check,id,student,role,pattern,layer,mark,by,at';
  const row = (more: { id?: string; student?: string; mark?: string; check?: string } = {}) =>
    [
      more.check ?? check.id,
      more.id ?? '11111111-1111-4111-8111-111111111111',
      more.student ?? alba?.id,
      'lead,wrap,steps',
      more.mark ?? '2',
      'bram-okoro,2026-03-02T20:00:00Z',
    ].join(',');
  const marks = async () =>
    (await ottilie.call('check.read', { params: { section, check: check.id } })).body.body.marks;

  test('are only added: a second time they are unchanged, another content under an id is at fault', async () => {
    const first = await run('marks', [header, row()], true);
    expect([first.totals.fresh, (await marks()).length]).toEqual([1, 1]);
    const again = await run('marks', [header, row()], true);
    expect([again.totals.unchanged, (await marks()).length]).toEqual([1, 1]);
    const { totals, faults } = await run('marks', [
      header,
      row({ mark: '3' }),
      row({ id: '22222222-2222-4222-8222-222222222222', student: 'nobody' }),
      row({ id: '33333333-3333-4333-8333-333333333333', check: 'final' }),
      row({ id: '44444444-4444-4444-8444-444444444444', mark: '9' }),
    ]);
    expect(totals).toMatchObject({ fresh: 0, faults: 4 });
    expect(at(faults)).toEqual([
      [2, 'id'],
      [3, 'student'],
      [4, 'check'],
      [5, 'mark'],
    ]);
  });
});
