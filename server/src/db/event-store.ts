import { isDeepStrictEqual } from 'node:util';
import {
  type Attendance,
  type ClassEventKind,
  groupBy,
  type LessonNote,
  type Log,
  type Mark,
} from '@map-step/core';
import { HttpFault } from '../faults/http-fault.ts';
import { JsonText, listAsJson } from './json-text.ts';
import type { StudioScope } from './studio-scope.ts';

export interface EventKinds {
  readonly logs: Log;
  readonly attendance: Attendance;
  readonly notes: LessonNote;
  readonly marks: Mark & { readonly check: string };
}

/** An entry with the list in which it is told. */
export type ListedEntry = {
  readonly [List in keyof EventKinds]: { readonly list: List; readonly entry: EventKinds[List] };
}[keyof EventKinds];

type Column = 'section_id' | 'check_id' | 'lesson' | 'pattern_id' | 'student_id';
type Values = { readonly [Name in Column]?: string | number | undefined };

interface Columns<Entry> {
  readonly kind: ClassEventKind;
  values(entry: Entry): Values;
}

/** Of each list its kind in the stream, and the columns in which its entries are looked up or held to what they name. */
const COLUMNS: { readonly [List in keyof EventKinds]: Columns<EventKinds[List]> } = {
  logs: {
    kind: 'log',
    values: ({ section, lesson, pattern }) => ({ section_id: section, lesson, pattern_id: pattern }),
  },
  attendance: {
    kind: 'present',
    values: ({ section, lesson, student }) => ({ section_id: section, lesson, student_id: student }),
  },
  notes: { kind: 'note', values: ({ section, lesson }) => ({ section_id: section, lesson }) },
  marks: {
    kind: 'mark',
    values: ({ check, student, pattern }) => ({ check_id: check, student_id: student, pattern_id: pattern }),
  },
};

const OWNER = {
  logs: 'section_id',
  attendance: 'section_id',
  notes: 'section_id',
  marks: 'check_id',
} as const;
const CHUNK = 2000;
/** What one class, or one check, can hold; a term of a large class has a tenth of it. */
const MOST: Readonly<Record<keyof EventKinds, number>> = {
  logs: 10_000,
  attendance: 50_000,
  notes: 5_000,
  marks: 100_000,
};

/**
 * Entries that are only ever added, under ids made by the client: the same id with the same body is stored
 * once however often it is sent, with another body it is refused.
 */
export function eventStore<Kind extends keyof EventKinds>(scope: StudioScope, kind: Kind) {
  const listJson = async (owner?: string, { column = 'body', after = 0 } = {}) => {
    const [row] = await scope.select<{ text: string }>(
      `SELECT ${listAsJson(column, 'seq')} FROM ${kind}
       WHERE studio_id = $1 AND ($2::text IS NULL OR ${OWNER[kind]} = $2) AND seq > $3`,
      [owner ?? null, after],
    );
    return new JsonText<readonly EventKinds[Kind][]>(row?.text ?? '[]');
  };
  return {
    /** In the order in which they came; those of one class, or of one check, when it is named. */
    async list(owner?: string): Promise<readonly EventKinds[Kind][]> {
      return (await listJson(owner)).read();
    },
    listJson,
    /** Says how many were not there before. */
    append: (entries: readonly EventKinds[Kind][]): Promise<number> =>
      appendEntries(
        scope,
        entries.map(entry => ({ list: kind, entry }) as ListedEntry),
      ),
  };
}

/** Stores entries of any kinds in the order in which they are given; says how many were not there before. */
export async function appendEntries(scope: StudioScope, entries: readonly ListedEntry[]): Promise<number> {
  let added = 0;
  for (let first = 0; first < entries.length; first += CHUNK)
    added += await appendChunk(scope, entries.slice(first, first + CHUNK));
  return added;
}

async function appendChunk(scope: StudioScope, listed: readonly ListedEntry[]): Promise<number> {
  const rows = listed.map(one => {
    const { section_id, check_id, lesson, pattern_id, student_id } = valuesOf(one);
    const { list, entry } = one;
    return [COLUMNS[list].kind, entry.id, entry, section_id, check_id, lesson, pattern_id, student_id];
  });
  const stored = await scope.select<{ id: string }>(INSERT, [JSON.stringify(rows)]);
  for (const [list, own] of groupBy(listed, one => one.list)) {
    if (stored.length < listed.length) await requireSame(scope, list, own);
    if (stored.length > 0) await refuseTooMany(scope, list, own);
  }
  return stored.length;
}

function valuesOf<List extends keyof EventKinds>({
  list,
  entry,
}: {
  list: List;
  entry: EventKinds[List];
}): Values {
  return COLUMNS[list].values(entry);
}

/** Adds rows of a JSON list in its order, and tells the ids that were not there. The class of a mark is that of its check. */
const INSERT = `
  INSERT INTO class_events (studio_id, kind, id, body, section_id, check_id, lesson, pattern_id, student_id)
    SELECT $1, row ->> 0, (row ->> 1)::uuid, row -> 2,
      COALESCE(row ->> 3, (SELECT c.section_id FROM checks c WHERE c.studio_id = $1 AND c.id = row ->> 4)),
      row ->> 4, (row ->> 5)::integer, row ->> 6, row ->> 7
    FROM jsonb_array_elements($2::jsonb) WITH ORDINALITY AS given (row, position) ORDER BY position
    ON CONFLICT DO NOTHING RETURNING id`;

/** Refuses more than a class can hold; the transaction takes back what was just added. */
async function refuseTooMany(
  scope: StudioScope,
  list: keyof EventKinds,
  entries: readonly ListedEntry[],
): Promise<void> {
  const owners = [...new Set(entries.map(one => valuesOf(one)[OWNER[list]]))];
  const [full] = await scope.select<{ owner: string }>(
    `SELECT owner FROM unnest($2::text[]) owner WHERE EXISTS (SELECT FROM ${list}
       WHERE studio_id = $1 AND ${OWNER[list]} = owner OFFSET ${MOST[list]})`,
    [owners],
  );
  if (full)
    throw new HttpFault(
      'too-large',
      `"${full.owner}" has more than ${MOST[list].toLocaleString('en-GB')} entries already. Nothing was added.`,
    );
}

/** Refuses entries of which another content is stored under their id. */
async function requireSame(
  scope: StudioScope,
  list: keyof EventKinds,
  entries: readonly ListedEntry[],
): Promise<void> {
  const own = entries.map(({ entry }) => entry);
  const stored = await scope.select<{ id: string; body: object }>(
    `SELECT id, body FROM ${list} WHERE studio_id = $1 AND id = ANY($2::uuid[])`,
    [own.map(({ id }) => id)],
  );
  const bodies = new Map(stored.map(({ id, body }) => [id, body]));
  const other = own.find(entry => !isDeepStrictEqual(bodies.get(entry.id), entry));
  if (other)
    throw new HttpFault(
      'conflict',
      `The entry ${other.id} was sent before with another content; it stays as it was.`,
    );
}
