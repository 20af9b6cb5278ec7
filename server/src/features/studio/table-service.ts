// Tables of students, of the items of courses and of the marks of checks: each becomes a part of a studio's document
// and comes in as a document does.
import type { TableOrder, TableResult } from '@map-step/contract';
import {
  type CheckMarkRow,
  type Course,
  type CourseItemRow,
  type CsvRow,
  changedFields,
  FORMAT,
  ITEM_TABLE,
  idsByName,
  MARK_TABLE,
  type RowCells,
  type RowFault,
  readTable,
  STUDENT_TABLE,
  type Student,
  type StudioDocument,
  type Table,
  type TableRow,
  withIds,
} from '@map-step/core';
import { dequal } from 'dequal/lite';
import { v5 } from 'uuid';
import { documentStore } from '../../db/document-store.ts';
import { eventStore } from '../../db/event-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import type { ImportOrder } from './import-plan.ts';
import { importDocument } from './import-service.ts';
import { newStudentId } from './student-id.ts';

const TOLD = 500;

/** What the rows of a table come to. */
interface TablePart {
  readonly part: Pick<StudioDocument, 'students' | 'courses' | 'checks'>;
  readonly fresh: TableResult['fresh'];
  readonly changed: TableResult['changed'];
  readonly unchanged: number;
  readonly faults: readonly RowFault[];
}

export type OtherTable = 'students' | 'items' | 'marks';

/** Tells what such a table would do, and does it when that is asked: the rows without a fault, all or none. */
export async function importOtherTable(
  scope: StudioScope,
  name: OtherTable,
  rows: readonly CsvRow[],
  { mapping, write }: TableOrder,
  order: ImportOrder,
): Promise<TableResult> {
  const { part, fresh, changed, unchanged, faults } = await READERS[name](scope, rows, mapping);
  const document: StudioDocument = { format: FORMAT, studio: { name: '', timezone: 'UTC' }, ...part };
  if (write) await importDocument(scope, document, { ...order, mode: 'take', others: [] });
  return {
    written: write,
    columns: rows[0]?.cells ?? [],
    fresh: fresh.slice(0, TOLD),
    changed: changed.slice(0, TOLD),
    faults: faults.slice(0, TOLD),
    totals: { fresh: fresh.length, changed: changed.length, unchanged, faults: faults.length },
  };
}

type Reader = (
  scope: StudioScope,
  rows: readonly CsvRow[],
  mapping: TableOrder['mapping'],
) => Promise<TablePart>;

const READERS: Readonly<Record<OtherTable, Reader>> = {
  students: readStudents,
  items: readItems,
  marks: readMarks,
};

async function readStudents(
  scope: StudioScope,
  rows: readonly CsvRow[],
  mapping: TableOrder['mapping'],
): Promise<TablePart> {
  const students = await documentStore(scope, 'students').list();
  const there = new Map(students.map(one => [one.id, one]));
  const named = withIds(
    rows,
    mapping,
    idsByName(students, () => true, newStudentId),
  );
  const { sound, faults } = readSound(STUDENT_TABLE, named, mapping, {
    keyOf: ({ id }) => id,
    known: id => there.get(id),
    faultsOf: () => [],
  });
  return {
    part: { students: sound.map(({ entry }) => entry) },
    ...sort<Student>(
      sound,
      ({ id }) => there.get(id),
      ({ id, name }) => ({ id, name }),
    ),
    faults,
  };
}

/** An item is a part of its course: a row adds one to it or changes one of it. */
async function readItems(
  scope: StudioScope,
  rows: readonly CsvRow[],
  mapping: TableOrder['mapping'],
): Promise<TablePart> {
  const courses = new Map((await documentStore(scope, 'courses').list()).map(course => [course.id, course]));
  const figures = new Map((await documentStore(scope, 'patterns').list()).map(({ id, name }) => [id, name]));
  const find = ({ course, pattern }: CourseItemRow) =>
    courses.get(course)?.items.find(item => item.pattern === pattern);
  const { sound, faults } = readSound(ITEM_TABLE, rows, mapping, {
    keyOf: ({ course, pattern }) => `${course} ${pattern}`,
    faultsOf: ({ course, pattern }) => [
      ...missing(courses, course, 'course', 'courses'),
      ...missing(figures, pattern, 'pattern', 'figures'),
    ],
  });
  const changed = new Map<string, Course>();
  for (const { entry } of sound) {
    const { course: id, ...item } = entry;
    const course = changed.get(id) ?? courses.get(id);
    if (!course) continue;
    const at = course.items.findIndex(({ pattern }) => pattern === item.pattern);
    changed.set(id, { ...course, items: at < 0 ? [...course.items, item] : course.items.with(at, item) });
  }
  const before = (row: CourseItemRow) => {
    const item = find(row);
    return item && { course: row.course, ...item };
  };
  const named = ({ course, pattern }: CourseItemRow) => ({
    id: `${course} ${pattern}`,
    name: `${figures.get(pattern)} in ${courses.get(course)?.name}`,
  });
  return { part: { courses: [...changed.values()] }, ...sort(sound, before, named), faults };
}

/** Marks are only added: one that is there with another content is at fault. */
async function readMarks(
  scope: StudioScope,
  rows: readonly CsvRow[],
  mapping: TableOrder['mapping'],
): Promise<TablePart> {
  const checks = new Map((await documentStore(scope, 'checks').list()).map(check => [check.id, check]));
  const students = new Map((await documentStore(scope, 'students').list()).map(({ id, name }) => [id, name]));
  const figures = new Map((await documentStore(scope, 'patterns').list()).map(({ id, name }) => [id, name]));
  const there = new Map(
    (await eventStore(scope, 'marks').list()).map(mark => [mark.id, mark as CheckMarkRow]),
  );
  const { sound, faults } = readSound(MARK_TABLE, withIds(rows, mapping, markId), mapping, {
    keyOf: ({ id }) => id,
    faultsOf: mark => {
      const same = there.get(mark.id);
      const differs = same !== undefined && !dequal(same, mark);
      return [
        ...missing(checks, mark.check, 'check', 'checks'),
        ...missing(students, mark.student, 'student', 'students'),
        ...missing(figures, mark.pattern, 'pattern', 'figures'),
        ...(differs
          ? [{ column: 'id', message: 'is there already with another content; marks are only added' }]
          : []),
      ];
    },
  });
  const part = [...checks.values()].map(check => ({
    ...check,
    marks: sound.flatMap(({ entry: { check: id, ...mark } }) => (id === check.id ? [mark] : [])),
  }));
  const named = ({ id, student, pattern }: CheckMarkRow) => ({
    id,
    name: `${students.get(student)}, ${figures.get(pattern)}`,
  });
  return {
    part: { checks: part.filter(({ marks }) => marks.length > 0) },
    ...sort(sound, ({ id }) => there.get(id), named),
    faults,
  };
}

/** The namespace of marks that come in by tables. */
const MARKS = '2d0a7b0e-6a55-4c8b-9d5e-6f2a5b1c7e43';

/** The same mark gets the same id each time its table comes in (a name-based UUID as of RFC 9562). */
function markId(cells: RowCells): string {
  const told = ['check', 'student', 'role', 'pattern', 'layer', 'by', 'at'].map(field => cells[field] ?? '');
  return v5(told.join('\n'), MARKS);
}

interface SoundRules<Entry> {
  /** Two rows with the same key say the same thing twice. */
  keyOf(entry: Entry): string;
  known?(key: string): Entry | undefined;
  faultsOf(entry: Entry): readonly Omit<RowFault, 'line'>[];
}

/** The rows that can be taken, and everything that is wrong with the others, in the order of their lines. */
function readSound<Entry>(
  table: Table<Entry>,
  rows: readonly CsvRow[],
  mapping: TableOrder['mapping'],
  { keyOf, known, faultsOf }: SoundRules<Entry>,
): { sound: readonly TableRow<Entry>[]; faults: readonly RowFault[] } {
  const read = readTable(table, rows, mapping, known);
  if (!read.ok)
    throw new HttpFault('unusable-file', 'This table cannot be read. Nothing was imported.', {
      problems: [{ at: read.fault.column, message: read.fault.message }],
    });
  const faults = [...read.value.faults];
  const first = new Map<string, number>();
  const sound = read.value.rows.filter(({ line, entry }) => {
    const key = keyOf(entry);
    const before = first.get(key);
    const own =
      before === undefined ? faultsOf(entry) : [{ column: '', message: `says the same as line ${before}` }];
    if (before === undefined) first.set(key, line);
    faults.push(...own.map(fault => ({ line, ...fault })));
    return own.length === 0;
  });
  return { sound, faults: faults.sort((a, b) => a.line - b.line) };
}

/** Each row as new, changed or unchanged beside what is there. */
function sort<Entry extends object>(
  rows: readonly TableRow<Entry>[],
  find: (entry: Entry) => Entry | undefined,
  named: (entry: Entry) => { id: string; name: string },
): Pick<TablePart, 'fresh' | 'changed' | 'unchanged'> {
  const fresh: TablePart['fresh'][number][] = [];
  const changed: TablePart['changed'][number][] = [];
  for (const { line, entry } of rows) {
    const before = find(entry);
    const fields = before ? changedFields(before, entry) : [];
    if (!before) fresh.push({ line, ...named(entry) });
    else if (fields.length > 0) changed.push({ line, ...named(entry), fields });
  }
  return { fresh, changed, unchanged: rows.length - fresh.length - changed.length };
}

function missing(
  there: ReadonlyMap<string, unknown>,
  id: string,
  column: string,
  among: string,
): readonly Omit<RowFault, 'line'>[] {
  return there.has(id) ? [] : [{ column, message: `"${id}" is not among the ${among}` }];
}
