// What a table of figures would do to a library, before anything is written.
import { changedFields, type FieldChange } from '../history/changes.ts';
import type { RowFault, TableReading, TableRow } from '../interchange/table.ts';
import { FORMAT, type Pattern } from '../model/document.ts';
import { documentErrors } from './check-document.ts';
import type { Material } from './library.ts';

export interface ChangedRow {
  readonly line: number;
  readonly before: Pattern;
  readonly after: Pattern;
  readonly fields: readonly FieldChange[];
}

export interface FigurePreview {
  readonly fresh: readonly TableRow<Pattern>[];
  readonly changed: readonly ChangedRow[];
  readonly unchanged: number;
  /** In the order of their lines; a row with a fault is none of the others. */
  readonly faults: readonly RowFault[];
}

/**
 * Sorts the rows of a table into new, changed field by field, unchanged and faulty: rows that cannot be read, that
 * stand twice, or whose figure would be one with errors among the others. A row that needs a faulty one is faulty
 * too: the check is repeated until no more fall out.
 */
export function previewFigures(material: Material, table: TableReading<Pattern>): FigurePreview {
  const faults = [...table.faults, ...rowsTwice(table.rows)];
  const isFaulty = new Set(faults.map(({ line }) => line));
  let rows = table.rows.filter(({ line }) => !isFaulty.has(line));
  for (;;) {
    const found = meaningFaults(material, rows);
    if (found.length === 0) break;
    faults.push(...found);
    const lines = new Set(found.map(({ line }) => line));
    rows = rows.filter(({ line }) => !lines.has(line));
  }
  const there = new Map((material.patterns ?? []).map(pattern => [pattern.id, pattern]));
  const changed = rows.flatMap(({ line, entry }) => {
    const before = there.get(entry.id);
    const fields = before ? changedFields(before, entry) : [];
    return before && fields.length > 0 ? [{ line, before, after: entry, fields }] : [];
  });
  const fresh = rows.filter(({ entry }) => !there.has(entry.id));
  return {
    fresh,
    changed,
    unchanged: rows.length - fresh.length - changed.length,
    faults: faults.sort((a, b) => a.line - b.line),
  };
}

function rowsTwice(rows: readonly TableRow<Pattern>[]): readonly RowFault[] {
  const first = new Map<string, number>();
  return rows.flatMap(({ line, entry: { id } }) => {
    const before = first.get(id);
    if (before === undefined) first.set(id, line);
    return before === undefined
      ? []
      : [{ line, column: 'id', message: `"${id}" stands on line ${before} already` }];
  });
}

/** The errors of these rows as figures of the library. */
function meaningFaults(material: Material, rows: readonly TableRow<Pattern>[]): readonly RowFault[] {
  const written = new Map(rows.map(({ entry }) => [entry.id, entry]));
  const others = (material.patterns ?? []).filter(({ id }) => !written.has(id));
  const entries = rows.map(({ entry }) => entry);
  const errors = documentErrors({
    format: FORMAT,
    studio: { name: '', timezone: 'UTC' },
    ...material,
    patterns: [...entries, ...others],
  });
  return errors.flatMap(({ at, message }) => {
    const [, list, index = '', key = '', role = ''] = at.split('/');
    const row = list === 'patterns' ? rows[Number(index)] : undefined;
    if (!row) return [];
    const column = key === 'parts' || (key === 'rhythm' && role !== '') ? `${key}.${role}` : key;
    return [{ line: row.line, column, message }];
  });
}
