import type { TableOrder, TableResult } from '@map-step/contract';
import {
  type CsvRow,
  type FigurePreview,
  idsByName,
  PATTERN_TABLE,
  previewFigures,
  readTable,
  withIds,
} from '@map-step/core';
import { documentStore } from '../../db/document-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import { type ImportOrder, writePlan } from './import-plan.ts';

const TOLD = 500;

/** Tells what a table of figures would do, and does it when that is asked: the rows without a fault, all or none. */
export async function importFigureTable(
  scope: StudioScope,
  rows: readonly CsvRow[],
  table: TableOrder,
  order: ImportOrder,
): Promise<TableResult> {
  const patterns = await documentStore(scope, 'patterns').list();
  const known = new Map(patterns.map(pattern => [pattern.id, pattern]));
  const named = withIds(
    rows,
    table.mapping,
    idsByName(patterns, ({ dance }, cells) => dance === cells['dance']),
  );
  const read = readTable(PATTERN_TABLE, named, table.mapping, id => known.get(id));
  if (!read.ok) throw unusable(read.fault.column, read.fault.message);
  const material = {
    patterns,
    dances: await documentStore(scope, 'dances').list(),
    levels: await documentStore(scope, 'levels').list(),
    elements: await documentStore(scope, 'elements').list(),
  };
  const preview = previewFigures(material, read.value);
  if (table.write) await write(scope, preview, order);
  return resultOf(preview, table.write, rows[0]?.cells ?? []);
}

async function write(
  scope: StudioScope,
  { fresh, changed }: FigurePreview,
  order: ImportOrder,
): Promise<void> {
  await writePlan(
    scope,
    {
      fresh: fresh.map(({ entry }) => ({ kind: 'patterns', entry })),
      changed: changed.map(({ before, after }) => ({ kind: 'patterns', before, after })),
    },
    order,
  );
}

function resultOf(preview: FigurePreview, written: boolean, columns: readonly string[]): TableResult {
  const { fresh, changed, unchanged, faults } = preview;
  return {
    written,
    columns,
    fresh: fresh.slice(0, TOLD).map(({ line, entry: { id, name } }) => ({ line, id, name })),
    changed: changed
      .slice(0, TOLD)
      .map(({ line, after: { id, name }, fields }) => ({ line, id, name, fields })),
    faults: faults.slice(0, TOLD),
    totals: { fresh: fresh.length, changed: changed.length, unchanged, faults: faults.length },
  };
}

function unusable(at: string, message: string): HttpFault {
  return new HttpFault('unusable-file', 'This table cannot be read. Nothing was imported.', {
    problems: [{ at, message }],
  });
}
