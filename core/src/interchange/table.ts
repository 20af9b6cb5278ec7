// Entries as rows of a table: a column a field, lists with `;`, what has parts of its own as JSON. What is written
// reads back equal.
import type { z } from 'zod';
import { FORMAT } from '../model/document.ts';
import { freeId } from '../model/free-id.ts';
import { groupBy } from '../model/group-by.ts';
import { failure, type Result, success } from '../model/result.ts';
import type { CsvRow } from './csv.ts';
import { readShape } from './read-json.ts';

/** A cell that cannot be read, or a row that cannot be an entry. */
export interface RowFault {
  readonly line: number;
  /** Empty where the row as a whole is meant. */
  readonly column: string;
  readonly message: string;
}

export type Draft = { readonly [key: string]: unknown };

export interface Column<Entry> {
  readonly name: string;
  readonly print: (entry: Entry) => string;
  /** What the cell makes of an entry; undefined when it cannot be read. */
  readonly read: (text: string, row: Draft) => Draft | undefined;
  readonly expected: string;
}

export interface Table<Entry> {
  readonly columns: readonly Column<Entry>[];
  readonly schema: z.ZodType<Entry>;
  /** The column without which nothing can be read. */
  readonly key: string;
}

export interface TableRow<Entry> {
  readonly line: number;
  readonly entry: Entry;
}

export interface TableReading<Entry> {
  readonly rows: readonly TableRow<Entry>[];
  readonly faults: readonly RowFault[];
}

/** Which column of a file means which field; a column that is not named is passed over. */
export type ColumnMapping = Readonly<Record<string, string>>;

const fieldOf = (entry: unknown, name: string) => (entry as Draft)[name];

export const text = <Entry>(name: string): Column<Entry> => ({
  name,
  print: entry => String(fieldOf(entry, name) ?? ''),
  read: (cell, row) => ({ ...row, [name]: cell }),
  expected: 'a text',
});

export const number = <Entry>(name: string): Column<Entry> => ({
  name,
  print: entry => String(fieldOf(entry, name) ?? ''),
  read: (cell, row) => (Number.isFinite(Number(cell)) ? { ...row, [name]: Number(cell) } : undefined),
  expected: 'a number',
});

export const flag = <Entry>(name: string): Column<Entry> => ({
  name,
  print: entry => ({ true: 'yes', false: 'no', undefined: '' })[String(fieldOf(entry, name))] ?? '',
  read: (cell, row) => (/^(yes|no)$/i.test(cell) ? { ...row, [name]: /^yes$/i.test(cell) } : undefined),
  expected: 'yes or no',
});

/** A list of texts; one that cannot stand plainly is written as JSON. */
export const list = <Entry>(name: string): Column<Entry> => ({
  name,
  print: entry => printList(fieldOf(entry, name) as readonly string[] | undefined),
  read: (cell, row) => {
    const entries = readList(cell);
    return entries && { ...row, [name]: entries };
  },
  expected: 'entries with ; between them',
});

export const json = <Entry>(name: string): Column<Entry> => ({
  name,
  print: entry => (fieldOf(entry, name) === undefined ? '' : JSON.stringify(fieldOf(entry, name))),
  read: (cell, row) => {
    const value = parseJson(cell);
    return value === undefined ? undefined : { ...row, [name]: value };
  },
  expected: `JSON as in ${FORMAT}`,
});

/** The rows of a table, its header first. */
export function tableRows<Entry>(
  { columns }: Table<Entry>,
  entries: readonly Entry[],
): readonly (readonly string[])[] {
  return [columns.map(({ name }) => name), ...entries.map(entry => columns.map(({ print }) => print(entry)))];
}

/**
 * Reads a table: its first row names the columns, by our names or by the mapping. Every cell that cannot be read is
 * told; a row with a fault makes no entry. A row whose key is known keeps of the entry that `known` tells what the
 * table has no column for. Fails when the column of the key is not there.
 */
export function readTable<Entry>(
  table: Table<Entry>,
  rows: readonly CsvRow[],
  mapping: ColumnMapping = {},
  known: (key: string) => Entry | undefined = () => undefined,
): Result<TableReading<Entry>, RowFault> {
  const [header, ...body] = rows;
  const fields = header?.cells.map(name => mapping[name] ?? name) ?? [];
  if (!header || !fields.includes(table.key))
    return failure({
      line: header?.line ?? 1,
      column: table.key,
      message: `no column is the "${table.key}"; say which column means what first`,
    });
  const keyColumn = fields.indexOf(table.key);
  const read = body.map(row => readRow(table, row, fields, known(row.cells[keyColumn] ?? '')));
  return success({
    rows: read.flatMap(({ row }) => row ?? []),
    faults: read.flatMap(({ faults }) => faults),
  });
}

/** What a row says, by field. */
export type RowCells = Readonly<Record<string, string>>;

/**
 * The rows with an id in each: where its cell is empty, or the table has no such column, `idOf` names the row from its
 * other cells; undefined leaves it without one.
 */
export function withIds(
  rows: readonly CsvRow[],
  mapping: ColumnMapping,
  idOf: (cells: RowCells) => string | undefined,
): readonly CsvRow[] {
  const [header, ...body] = rows;
  if (!header) return rows;
  const fields = header.cells.map(name => mapping[name] ?? name);
  const at = fields.includes('id') ? fields.indexOf('id') : fields.length;
  const named = body.map(({ line, cells }) => {
    if (cells[at] || cells.every(cell => cell === '')) return { line, cells };
    const own = Object.fromEntries(fields.map((field, index) => [field, cells[index] ?? '']));
    const filled = Array.from({ length: Math.max(cells.length, at + 1) }, (_, index) => cells[index] ?? '');
    return { line, cells: filled.with(at, idOf(own) ?? '') };
  });
  return [at === fields.length ? { ...header, cells: [...header.cells, 'id'] } : header, ...named];
}

/**
 * An id for a row from its name: that of the one entry that is called so, a free one where none is, none where several
 * are.
 */
export function idsByName<Entry extends { readonly id: string; readonly name: string }>(
  there: readonly Entry[],
  isOf: (entry: Entry, cells: RowCells) => boolean = () => true,
  freshId: (name: string, isTaken: (id: string) => boolean) => string = (name, isTaken) =>
    freeId(name, isTaken, 'row'),
): (cells: RowCells) => string | undefined {
  const taken = new Set(there.map(({ id }) => id));
  const byName = groupBy(there, ({ name }) => name.normalize('NFC'));
  return cells => {
    const name = (cells['name'] ?? '').normalize('NFC');
    const same = (byName.get(name) ?? []).filter(entry => isOf(entry, cells));
    if (name === '' || same.length > 1) return undefined;
    const id = same[0]?.id ?? freshId(name, one => taken.has(one));
    taken.add(id);
    return id;
  };
}

interface RowReading<Entry> {
  readonly row?: TableRow<Entry>;
  readonly faults: readonly RowFault[];
}

function readRow<Entry>(
  { columns, schema }: Table<Entry>,
  { line, cells }: CsvRow,
  fields: readonly string[],
  before: Entry | undefined,
): RowReading<Entry> {
  const faults: RowFault[] = [];
  let draft = fields.reduce(withoutField, (before ?? {}) as Draft);
  for (const [index, name] of fields.entries()) {
    const cell = cells[index] ?? '';
    const column = columns.find(one => one.name === name);
    if (!column || cell === '') continue;
    const next = column.read(cell, draft);
    if (next) draft = next;
    else faults.push({ line, column: name, message: `"${cell}" is not ${column.expected}` });
  }
  if (cells.length > fields.length)
    faults.push({ line, column: '', message: `${cells.length} cells under ${fields.length} column names` });
  if (faults.length > 0) return { faults };
  const shape = readShape(schema, draft);
  if (shape.ok) return { row: { line, entry: shape.value }, faults };
  const columnOf = (at: string) => columnAt(columns, at);
  return { faults: shape.fault.map(({ at, message }) => ({ line, column: columnOf(at), message })) };
}

/** `parts.lead` takes the leader's part away and leaves the other. */
function withoutField(draft: Draft, name: string): Draft {
  const [key = '', role] = name.split('.');
  const { [key]: there, ...rest } = draft;
  if (role === undefined || typeof there !== 'object' || there === null) return rest;
  const { [role]: _, ...others } = there as Draft;
  return Object.keys(others).length > 0 ? { ...rest, [key]: others } : rest;
}

/** The column of a place such as `/parts/lead` or `/beats`. */
function columnAt<Entry>(columns: readonly Column<Entry>[], at: string): string {
  const [, key = '', role = ''] = at.split('/');
  return columns.some(({ name }) => name === `${key}.${role}`) ? `${key}.${role}` : key;
}

function printList(entries: readonly string[] | undefined): string {
  if (!entries) return '';
  const isPlain = (entry: string) => entry !== '' && !/[;[]/.test(entry) && entry === entry.trim();
  return entries.length > 0 && entries.every(isPlain) ? entries.join(';') : JSON.stringify(entries);
}

export function readList(cell: string): readonly string[] | undefined {
  if (!cell.startsWith('[')) return cell.split(';').map(entry => entry.trim());
  const value = parseJson(cell);
  return Array.isArray(value) && value.every(entry => typeof entry === 'string') ? value : undefined;
}

function parseJson(cell: string): unknown {
  try {
    return JSON.parse(cell);
  } catch {
    return undefined;
  }
}
