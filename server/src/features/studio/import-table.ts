import type { TableOrder, TableResult } from '@map-step/contract';
import { readCsv } from '@map-step/core';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import { importFigureTable } from './figure-table-service.ts';
import type { ImportOrder } from './import-plan.ts';
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
  return table.table === 'patterns'
    ? importFigureTable(scope, rows.value, table, order)
    : importOtherTable(scope, table.table, rows.value, table, order);
}
