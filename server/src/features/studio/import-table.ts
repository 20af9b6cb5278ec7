import type { TableOrder, TableResult } from '@map-step/contract';
import { readCsv } from '@map-step/core';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import { importFigureTable } from './figure-table-service.ts';
import type { ImportOrder } from './import-plan.ts';
import { getStudio, MAPPING_KEYS, saveStudio } from './studio-store.ts';
import { importOtherTable } from './table-service.ts';

/** Reads a table of any kind and tells what it would do, or does it. */
export async function importTable(
  scope: StudioScope,
  table: TableOrder,
  order: ImportOrder,
): Promise<TableResult> {
  const rows = readCsv(table.text);
  if (!rows.ok)
    throw new HttpFault('unusable-file', 'This table cannot be read. Nothing was imported.', {
      problems: [{ at: `line ${rows.fault.line}`, message: rows.fault.message }],
    });
  order.tell('Comparing with the studio', 0, rows.value.length);
  const result = await (table.table === 'patterns'
    ? importFigureTable(scope, rows.value, table, order)
    : importOtherTable(scope, table.table, rows.value, table, order));
  if (table.write && Object.keys(table.mapping).length > 0) await keepMapping(scope, table);
  return result;
}

/** What the columns of a foreign table mean is kept for the next one. */
async function keepMapping(scope: StudioScope, { table, mapping }: TableOrder): Promise<void> {
  const studio = await getStudio(scope);
  await saveStudio(scope, { ...studio, mappings: { ...studio.mappings, [MAPPING_KEYS[table]]: mapping } });
}
