import { describe, expect, test } from 'vitest';
import { changedFields } from '../history/changes.ts';
import { readCsv } from '../interchange/csv.ts';
import { readTable } from '../interchange/table.ts';
import { PATTERN_TABLE } from '../interchange/tables.ts';
import { figure, studio } from '../test/studio.ts';
import { previewFigures } from './preview-figures.ts';

const walk = figure('walk', { name: 'Walk', kind: 'basic' });
const turn = figure('turn', { name: 'Turn', needs: ['walk'] });
const material = studio([walk, turn]);
const preview = (text: string) => {
  const rows = readCsv(text);
  if (!rows.ok) throw new Error(rows.fault.message);
  const known = (id: string) => [walk, turn].find(pattern => pattern.id === id);
  const table = readTable(PATTERN_TABLE, rows.value, {}, known);
  if (!table.ok) throw new Error(table.fault.message);
  return previewFigures(material, table.value);
};
const DRILL = 'dance,kind,id,name';

describe('what a table would do', () => {
  test('new, changed field by field, and unchanged', () => {
    const found = preview(
      'id,dance,name,kind\nfresh,quay,Fresh,drill\nwalk,quay,Pier walk,basic\nturn,quay,Turn,pattern',
    );
    expect(found.fresh.map(({ line, entry }) => [line, entry.id])).toEqual([[2, 'fresh']]);
    expect(found.changed).toEqual([
      {
        line: 3,
        before: walk,
        after: { ...walk, name: 'Pier walk' },
        fields: [{ field: 'name', from: 'Walk', to: 'Pier walk' }],
      },
    ]);
    expect([found.unchanged, found.faults]).toEqual([1, []]);
  });

  test('a figure with an error is named with its line and column, and so is one that needs it', () => {
    const found = preview(
      `${DRILL},needs,parts.lead\nquay,drill,a,A,none,\nquay,drill,b,B,a,\nquay,drill,c,C,b,\nquay,drill,d,D,,`,
    );
    expect(found.faults.map(({ line, column }) => [line, column])).toEqual([
      [2, 'needs'],
      [3, 'needs'],
      [4, 'needs'],
    ]);
    expect(found.fresh.map(({ entry }) => entry.id)).toEqual(['d']);
  });

  test('an id that stands twice, a cell that cannot be read, and a foot that carries the weight', () => {
    const found = preview(
      'id,dance,kind,name,rhythm,parts.lead,parts.follow,entry,exit,minutes\n' +
        'a,quay,pattern,A,1 2,"L fwd, L fwd",opposite,open,same,\n' +
        'b,quay,drill,B,,,,,,\n' +
        'b,quay,drill,B,,,,,,\n' +
        'c,quay,drill,C,,,,,,long\n',
    );
    expect(found.faults.map(({ line, column }) => [line, column])).toEqual([
      [2, 'parts.lead'],
      [4, 'id'],
      [5, 'minutes'],
    ]);
    expect(found.fresh.map(({ line }) => line)).toEqual([3]);
  });

  test('an existing figure that loses what a row takes away is told', () => {
    expect(preview('id,needs\nturn,').changed[0]?.fields).toEqual([
      { field: 'needs', from: ['walk'], to: null },
    ]);
    expect(changedFields(walk, { ...walk })).toEqual([]);
  });
});
