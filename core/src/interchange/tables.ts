// The four tables that a spreadsheet can hold: figures, the items of courses, students and the marks of checks.
import type { CourseItem, Mark, Pattern, Role, Student, StudioDocument } from '../model/document.ts';
import { writeCsv } from './csv.ts';
import { checkMarkRow, courseItemRow, pattern, student } from './schema.ts';
import { type Column, flag, json, list, number, readList, type Table, tableRows, text } from './table.ts';

/** A field with a text of its own for each role. */
const byRole = (field: 'parts' | 'rhythm', role: Role): Column<Pattern> => ({
  name: `${field}.${role}`,
  print: pattern => (pattern[field] as { [role: string]: string } | undefined)?.[role] ?? '',
  read: (cell, row) => ({ ...row, [field]: { ...(row[field] as object | undefined), [role]: cell } }),
  expected: field === 'parts' ? 'steps with commas between them' : 'a rhythm',
});

const PATTERN_COLUMNS: readonly Column<Pattern>[] = [
  ...['id', 'dance', 'name', 'kind', 'level'].map(name => text<Pattern>(name)),
  {
    name: 'rhythm',
    print: ({ rhythm }) => (typeof rhythm === 'string' ? rhythm : ''),
    read: (cell, row) => ({ ...row, rhythm: cell }),
    expected: 'a rhythm',
  },
  byRole('rhythm', 'lead'),
  byRole('rhythm', 'follow'),
  {
    name: 'beats',
    // Whole beats written as a text keep their quotes, so that they come back as one.
    print: ({ beats }) => (/^\d+$/.test(String(beats)) ? JSON.stringify(beats) : String(beats ?? '')),
    read: (cell, row) => ({
      ...row,
      beats: /^\d+$/.test(cell) ? Number(cell) : cell.replace(/^"(.*)"$/, '$1'),
    }),
    expected: 'beats such as 3 or 3/2',
  },
  text('split'),
  number('cycle'),
  json('otherCounts'),
  ...(['lead', 'follow', 'solo'] as const).map(role => byRole('parts', role)),
  list('entry'),
  {
    name: 'exit',
    print: ({ exit }) => (typeof exit === 'string' ? exit : exit ? JSON.stringify(exit) : ''),
    read: (cell, row) => {
      const entries = readList(cell);
      return (
        entries && { ...row, exit: entries.length === 1 && !cell.startsWith('[') ? entries[0] : entries }
      );
    },
    expected: 'a hold, or several with ; between them',
  },
  json('holds'),
  json('cuts'),
  {
    name: 'align',
    print: ({ align }) => align?.join(';') ?? '',
    read: (cell, row) => {
      const degrees = cell.split(';').map(Number);
      return degrees.every(Number.isFinite) ? { ...row, align: degrees } : undefined;
    },
    expected: 'degrees with ; between them',
  },
  number('turn'),
  json('tempo'),
  json('call'),
  list('needs'),
  list('lookalikes'),
  text('variantOf'),
  text('variantWhy'),
  number('rank'),
  json('made'),
  text('over'),
  text('claps'),
  list('grades'),
  json('tracks'),
  list('elements'),
  number('minutes'),
  flag('overTwoLessons'),
  json('difficulty'),
  flag('retired'),
  json('aliases'),
  json('marks'),
];

export const PATTERN_TABLE: Table<Pattern> = { columns: PATTERN_COLUMNS, schema: pattern, key: 'id' };

/** An item with the course that it stands in. */
export interface CourseItemRow extends CourseItem {
  readonly course: string;
}

export const ITEM_TABLE: Table<CourseItemRow> = {
  columns: [
    text('course'),
    text('pattern'),
    text('value'),
    number('pin'),
    number('from'),
    number('to'),
    flag('gate'),
    list('layers'),
  ],
  schema: courseItemRow,
  key: 'pattern',
};

export const STUDENT_TABLE: Table<Student> = {
  columns: [text('id'), text('name'), text('role')],
  schema: student,
  key: 'id',
};

/** A mark with the check that it belongs to. */
export interface CheckMarkRow extends Mark {
  readonly check: string;
}

export const MARK_TABLE: Table<CheckMarkRow> = {
  columns: [
    ...['check', 'id', 'student', 'role', 'pattern', 'layer'].map(name => text<CheckMarkRow>(name)),
    number('mark'),
    text('with'),
    text('quality'),
    text('remark'),
    flag('lookAgain'),
    text('by'),
    text('at'),
  ],
  schema: checkMarkRow,
  key: 'id',
};

export const TABLE_NAMES = ['patterns', 'items', 'students', 'marks'] as const;
export type TableName = (typeof TABLE_NAMES)[number];

/** One of the tables of a studio as comma-separated values. */
export function writeTable(document: StudioDocument, name: TableName): string {
  switch (name) {
    case 'patterns':
      return writeCsv(tableRows(PATTERN_TABLE, document.patterns ?? []));
    case 'items':
      return writeCsv(
        tableRows(
          ITEM_TABLE,
          (document.courses ?? []).flatMap(({ id, items }) => items.map(item => ({ course: id, ...item }))),
        ),
      );
    case 'students':
      return writeCsv(tableRows(STUDENT_TABLE, document.students ?? []));
    case 'marks':
      return writeCsv(
        tableRows(
          MARK_TABLE,
          (document.checks ?? []).flatMap(({ id, marks }) => marks.map(one => ({ check: id, ...one }))),
        ),
      );
    default:
      return name satisfies never;
  }
}
