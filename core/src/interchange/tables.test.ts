import { describe, expect, test } from 'vitest';
import { FORMAT, type Pattern } from '../model/document.ts';
import { course, figure } from '../test/studio.ts';
import { readCsv, writeCsv } from './csv.ts';
import { type ColumnMapping, idsByName, readTable, tableRows, withIds } from './table.ts';
import { ITEM_TABLE, MARK_TABLE, PATTERN_TABLE, STUDENT_TABLE, writeTable } from './tables.ts';

const read = (text: string, mapping?: ColumnMapping) => {
  const rows = readCsv(text);
  if (!rows.ok) throw new Error(rows.fault.message);
  const table = readTable(PATTERN_TABLE, rows.value, mapping);
  if (!table.ok) throw new Error(table.fault.message);
  return table.value;
};
const again = (patterns: readonly Pattern[]) =>
  read(writeCsv(tableRows(PATTERN_TABLE, patterns))).rows.map(({ entry }) => entry);

test('a figure with every field reads back equal', () => {
  const whole = figure('whole', {
    aliases: [{ name: 'Other; name', school: 'Quay' }],
    level: 'one',
    rhythm: { lead: 'S S', follow: 'Q Q S' },
    beats: '4',
    split: 'swung',
    call: ['pier', null],
    parts: { lead: 'L fwd, R close', follow: 'R back, L back, R close' },
    entry: ['open', 'near'],
    exit: ['open', 'near'],
    holds: [{ event: 1, hold: 'near' }],
    cuts: [{ event: 1, hold: 'near' }],
    align: [-45, 45],
    turn: -90,
    tempo: [{ min: 100, max: 120 }],
    needs: ['a', 'b'],
    lookalikes: ['c'],
    variantOf: 'd',
    variantWhy: 'ending',
    rank: 2,
    made: [{ pattern: 'a', times: 2 }],
    grades: ['slowly; then faster', ' at speed'],
    elements: ['e'],
    minutes: 4.5,
    overTwoLessons: true,
    marks: [{ event: 0, role: 'lead', kind: 'fault', text: '=x, "y"', cure: 'z' }],
  });
  expect(again([whole])).toEqual([whole]);
  expect(again([figure('x', { exit: ['open'], grades: [] })])).toEqual([
    figure('x', { exit: ['open'], grades: [] }),
  ]);
});

describe('rows without an id', () => {
  const there = [
    { id: 'walk', name: 'Pier walk' },
    { id: 'a', name: 'Twin' },
    { id: 'b', name: 'Twin' },
  ];
  const ids = (text: string, mapping: ColumnMapping = {}) => {
    const rows = readCsv(text);
    if (!rows.ok) throw new Error(rows.fault.message);
    return withIds(rows.value, mapping, idsByName(there)).map(({ cells }) => cells.at(-1));
  };
  test('get that of the one who is called so, or a free one; of several called so none', () => {
    expect(ids('name\nPier walk\nWalk\nTwin\nNew\nNew')).toEqual([
      'id',
      'walk',
      'walk-2',
      '',
      'new',
      'new-2',
    ]);
  });
  test('an id that is written stays, under whatever name its column has', () => {
    expect(ids('Called,Code\nNew,mine\nNew,', { Called: 'name', Code: 'id' })).toEqual([
      'Code',
      'mine',
      'new',
    ]);
  });
});

describe('a foreign table', () => {
  test('its columns are mapped by hand; those that mean nothing are passed over', () => {
    const { rows, faults } = read('Code,Title,Notes,Type\nwalk,Pier walk,nice,drill', {
      Code: 'id',
      Title: 'name',
      Type: 'kind',
    });
    expect(faults).toEqual([{ line: 2, column: 'dance', message: expect.any(String) }]);
    expect(rows).toEqual([]);
    expect(
      read('Code,Title,Type,dance\nwalk,Pier walk,drill,quay', { Code: 'id', Title: 'name', Type: 'kind' })
        .rows,
    ).toEqual([{ line: 2, entry: { id: 'walk', dance: 'quay', name: 'Pier walk', kind: 'drill' } }]);
  });

  test('without a column for the id nothing is read', () => {
    const rows = readCsv('name\nx');
    expect(rows.ok && readTable(PATTERN_TABLE, rows.value)).toMatchObject({
      ok: false,
      fault: { line: 1, column: 'id' },
    });
  });

  test('every wrong cell is told with its line and column, and the right rows are read all the same', () => {
    const header = 'id,dance,name,kind,turn,minutes,overTwoLessons,align,holds,beats';
    const good = 'a,quay,A,drill,90,4.5,yes,0;90,"[{""event"":0,""hold"":""open""}]",3/2';
    const bad = 'B B,quay,B,drill,left,x,maybe,0;x,[{,3';
    const { rows, faults } = read(`${header}\n${good}\n${bad}\nc,quay,C,waltz,,,,,,`);
    expect(rows.map(({ line, entry }) => [line, entry.id])).toEqual([[2, 'a']]);
    expect(faults.map(({ line, column }) => [line, column])).toEqual([
      [3, 'turn'],
      [3, 'minutes'],
      [3, 'overTwoLessons'],
      [3, 'align'],
      [3, 'holds'],
      [4, 'kind'],
    ]);
  });

  test('more cells than names are told', () => {
    expect(read('id,dance\na,b,c').faults).toEqual([
      { line: 2, column: '', message: '3 cells under 2 column names' },
    ]);
  });

  test('the header names every field of a figure once', () => {
    const names = PATTERN_TABLE.columns.map(({ name }) => name);
    expect(new Set(names).size).toBe(names.length);
  });
});

test('a figure that is known keeps what the table has no column for, and loses what its cell leaves empty', () => {
  const walk = figure('walk', {
    name: 'Walk',
    needs: ['a'],
    minutes: 4,
    parts: { lead: 'L fwd, R fwd, L fwd, R close', follow: 'opposite' },
  });
  const rows = readCsv('id,name,needs,parts.lead\nwalk,Pier walk,,"L back, R back, L back, R close"');
  if (!rows.ok) throw new Error('not read');
  const table = readTable(PATTERN_TABLE, rows.value, {}, id => (id === 'walk' ? walk : undefined));
  if (!table.ok) throw new Error('not read');
  const { needs: _needs, ...kept } = walk;
  expect(table.value.rows[0]?.entry).toEqual({
    ...kept,
    name: 'Pier walk',
    parts: { lead: 'L back, R back, L back, R close', follow: 'opposite' },
  });
});

describe('the other tables', () => {
  const mark = {
    check: 'final',
    id: '11111111-1111-4111-8111-111111111111',
    student: 'alba-k',
    role: 'lead' as const,
    pattern: 'walk',
    layer: 'steps' as const,
    mark: 2 as const,
    by: 'bram',
    at: '2026-03-09T20:00:00Z',
  };
  const item = {
    course: 'quay-1',
    pattern: 'walk',
    value: 'must' as const,
    pin: 2,
    gate: true,
    layers: ['steps' as const],
  };
  const student = { id: 'alba-k', name: '=Alba', role: 'lead' as const };
  const document = {
    format: FORMAT,
    studio: { name: 'S', timezone: 'UTC' },
    students: [student],
    courses: [
      {
        ...courseOf(),
        items: [{ pattern: 'walk', value: 'must' as const, pin: 2, gate: true, layers: ['steps' as const] }],
      },
    ],
    checks: [
      { id: 'final', section: 's', kind: 'final' as const, date: '2026-03-09', items: [], marks: [markOf()] },
    ],
  };
  function courseOf() {
    return { ...course([]), id: 'quay-1' };
  }
  function markOf() {
    const { check: _, ...rest } = mark;
    return rest;
  }
  test('items, students and marks are written with where they stand, and read back equal', () => {
    const rows = (name: 'items' | 'students' | 'marks') => {
      const read = readCsv(writeTable(document, name));
      return read.ok ? read.value : [];
    };
    expect(readTable(ITEM_TABLE, rows('items'))).toMatchObject({
      value: { rows: [{ entry: item }], faults: [] },
    });
    expect(readTable(STUDENT_TABLE, rows('students'))).toMatchObject({
      value: { rows: [{ entry: student }], faults: [] },
    });
    expect(readTable(MARK_TABLE, rows('marks'))).toMatchObject({
      value: { rows: [{ entry: mark }], faults: [] },
    });
    expect(writeTable({ ...document, students: [] }, 'students')).toBe('id,name,role\r\n');
  });
});
