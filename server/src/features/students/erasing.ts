// A student made nobody's: wherever their id or their name stands in the studio, it stands no longer. What is of others
// stays as it is: names are found as whole words, and never inside the longer name of somebody else.
import { type Json, wholeWords } from '@map-step/core';
import type { StudioScope } from '../../db/studio-scope.ts';

export const FORMER = 'Former student';

/** Who is erased, and who stands in their place. */
export interface Erased {
  readonly id: string;
  readonly nobody: string;
  /** The name and all that they were called before. */
  readonly names: readonly string[];
  /** Names of others that have one of these within them. */
  readonly longer: readonly string[];
}

interface TextColumn {
  readonly table: string;
  readonly column: string;
  readonly kind: 'text' | 'json';
}

const texts = (table: string, ...columns: readonly string[]) =>
  columns.map((column): TextColumn => ({ table, column, kind: 'text' }));
const jsons = (table: string, ...columns: readonly string[]) =>
  columns.map((column): TextColumn => ({ table, column, kind: 'json' }));

/** Every column of a studio in which people may have written a name, or in which a student's id may stand. */
export const TEXT_COLUMNS: readonly TextColumn[] = [
  ...jsons('sections', 'body'),
  ...jsons('class_events', 'body'),
  ...jsons('checks', 'body'),
  ...jsons('plans', 'body'),
  ...jsons('courses', 'body'),
  ...jsons('patterns', 'body'),
  ...jsons('figure_drafts', 'base', 'now'),
  ...jsons('dances', 'body'),
  ...jsons('levels', 'body'),
  ...jsons('elements', 'body'),
  ...jsons('combinations', 'body'),
  ...jsons('rooms', 'body'),
  ...jsons('studios', 'body'),
  ...jsons('set_aside', 'body'),
  ...texts('set_aside', 'why'),
  ...texts('recaps', 'markdown', 'published_markdown', 'published_frozen', 'corrects'),
  ...texts('check_links', 'markdown'),
  ...texts('missed_links', 'markdown'),
  ...texts('history', 'what', 'aggregate_id'),
  ...jsons('history', 'before', 'after'),
];

/** Columns in which other people are named, and those that hold neither words nor names. */
export const UNTOUCHED_COLUMNS: readonly string[] = [
  // Other students and the staff, who may be called the same.
  ...['students.body', 'people.body'],
  // What is behind a hash, or made by this server.
  ...['recap_links.token_hash', 'check_links.token_hash', 'missed_links.token_hash'],
  ...['invitations.token_hash', 'founding_links.token_hash', 'material_stamps.version'],
  // Jobs that are over are taken away whole.
  ...['jobs.input', 'jobs.result', 'jobs.fault', 'jobs.terms', 'jobs.kind', 'jobs.state', 'jobs.stage'],
  ...[
    'sections.last_date',
    'class_events.kind',
    'outbox.signal',
    'recaps.audience',
    'recaps.promises',
    'recap_links.audience',
    'history.aggregate',
    'history.kind',
    'set_aside.kind',
  ],
];

/** With its version raised, so that whoever looks at it reads it again. */
const VERSIONED = new Set(['sections', 'courses', 'checks', 'recaps']);
const AT_ONCE = 200;

/** Takes the student out of every text and entry; the answer names the places, as people say them. */
export async function eraseEverywhere(scope: StudioScope, erased: Erased): Promise<readonly string[]> {
  const replace = replacerOf(erased);
  const places = new Set<string>();
  for (const { table, column, kind } of TEXT_COLUMNS) {
    const rows = await findRows(scope, { table, column, kind }, erased);
    for (let first = 0; first < rows.length; first += AT_ONCE) {
      const chunk = rows.slice(first, first + AT_ONCE);
      const found = await scope.select<{ row: string; value: Json }>(
        `SELECT ctid::text AS row, ${column} AS value FROM ${table}
         WHERE ${ownerOf(table)} = $1 AND ctid = ANY($2::tid[])`,
        [chunk],
      );
      for (const { row, value } of found) {
        const { changed, isTold } = replace(value);
        if (changed === value) continue;
        await writeValue(scope, { table, column, kind }, row, changed);
        if (isTold && PLACES[table]) places.add(PLACES[table]);
      }
    }
  }
  return [...places];
}

/** Where somebody may have written the name into a text of their own. */
const PLACES: Readonly<Record<string, string>> = {
  recaps: 'recaps',
  class_events: 'notes of evenings and remarks of checks',
  check_links: 'words to other students',
  missed_links: 'what other students missed',
  plans: 'notes of plans',
};

const ownerOf = (table: string) => (table === 'studios' ? 'id' : 'studio_id');

/** Rows in which an id or a name may stand; where they stand by themselves is looked at one by one. */
async function findRows(
  scope: StudioScope,
  { table, column, kind }: TextColumn,
  { id, names }: Erased,
): Promise<readonly string[]> {
  const needles = [id, ...names].map(text => (kind === 'json' ? JSON.stringify(text).slice(1, -1) : text));
  const rows = await scope.select<{ row: string }>(
    `SELECT ctid::text AS row FROM ${table} WHERE ${ownerOf(table)} = $1
       AND EXISTS (SELECT FROM unnest($2::text[]) needle WHERE position(needle IN ${column}::text) > 0)
     FOR UPDATE`,
    [needles],
  );
  return rows.map(({ row }) => row);
}

async function writeValue(
  scope: StudioScope,
  { table, column, kind }: TextColumn,
  row: string,
  value: Json,
): Promise<void> {
  const more = VERSIONED.has(table) ? ', version = version + 1' : '';
  const also = table === 'class_events' ? `, student_id = $3::jsonb ->> 'student'` : '';
  await scope.select(
    `UPDATE ${table} SET ${column} = $3${kind === 'json' ? '::jsonb' : ''}${also}${more}
     WHERE ${ownerOf(table)} = $1 AND ctid = $2::tid RETURNING 1 AS one`,
    [row, kind === 'json' ? JSON.stringify(value) : value],
  );
}

/** Changes a text or an entry; the same value back where nothing of the student is in it. */
function replacerOf({ id, nobody, names, longer }: Erased) {
  let isTold = false;
  const patterns = [...longer, ...names]
    .sort((a, b) => b.length - a.length)
    .map(name => wholeWords(name).source);
  const anyName = patterns.length > 0 ? new RegExp(patterns.join('|'), 'gu') : undefined;
  const own = new Set(names);
  const inText = (text: string) =>
    anyName === undefined
      ? text
      : text.replace(anyName, found => {
          if (!own.has(found)) return found;
          isTold = true;
          return FORMER;
        });
  const field = new RegExp(`^(students/)?${id}(?= |$)`);
  const inEntry = (value: Json, key: string): Json => {
    if (typeof value === 'string') return NAMED_BY.has(key) && value === id ? nobody : inText(value);
    if (Array.isArray(value))
      return same(
        value,
        value.map(entry => inEntry(entry as Json, key)),
      );
    if (value === null || typeof value !== 'object') return value;
    const entry = value as { readonly [key: string]: Json };
    const isOwn = entry['id'] === id && own.has(String(entry['name']));
    const fields = Object.entries(entry).map(([name, inside]): [string, Json] => [
      name.startsWith('students/') ? name.replace(field, `$1${nobody}`) : name,
      isOwn && name === 'id' ? nobody : inEntry(inside, name),
    ]);
    const isSame = fields.every(([name, inside]) => Object.hasOwn(entry, name) && entry[name] === inside);
    return isSame ? value : Object.fromEntries(fields);
  };
  return (value: Json) => {
    isTold = false;
    const changed = typeof value === 'string' && value === id ? nobody : inEntry(value, '');
    return { changed, isTold };
  };
}

/** Keys under which an entry names a student by the id. */
const NAMED_BY: ReadonlySet<string> = new Set(['student', 'with']);

function same(before: readonly unknown[], after: Json[]): Json {
  return after.every((entry, index) => entry === before[index]) ? (before as Json) : after;
}
