import { isDeepStrictEqual } from 'node:util';
import type { Attendance, ClassEventKind, LessonNote, Log, Mark } from '@map-step/core';
import { HttpFault } from '../faults/http-fault.ts';
import { JsonText, listAsJson } from './json-text.ts';
import type { StudioScope } from './studio-scope.ts';

export interface EventKinds {
  readonly logs: Log;
  readonly attendance: Attendance;
  readonly notes: LessonNote;
  readonly marks: Mark & { readonly check: string };
}

interface Columns<Entry> {
  readonly kind: ClassEventKind;
  readonly names: readonly string[];
  values(entry: Entry): readonly (string | number)[];
}

/** Of each list its kind in the stream, and the columns in which its entries are looked up or held to what they name. */
const COLUMNS: { readonly [Kind in keyof EventKinds]: Columns<EventKinds[Kind]> } = {
  logs: {
    kind: 'log',
    names: ['section_id', 'lesson', 'pattern_id'],
    values: ({ section, lesson, pattern }) => [section, lesson, pattern],
  },
  attendance: {
    kind: 'present',
    names: ['section_id', 'lesson', 'student_id'],
    values: ({ section, lesson, student }) => [section, lesson, student],
  },
  notes: {
    kind: 'note',
    names: ['section_id', 'lesson'],
    values: ({ section, lesson }) => [section, lesson],
  },
  marks: {
    kind: 'mark',
    names: ['check_id', 'student_id', 'pattern_id'],
    values: ({ check, student, pattern }) => [check, student, pattern],
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
    async append(entries: readonly EventKinds[Kind][]): Promise<number> {
      let added = 0;
      for (let first = 0; first < entries.length; first += CHUNK)
        added += await appendChunk(scope, kind, entries.slice(first, first + CHUNK));
      return added;
    },
  };
}

async function appendChunk<Kind extends keyof EventKinds>(
  scope: StudioScope,
  kind: Kind,
  entries: readonly EventKinds[Kind][],
): Promise<number> {
  const rows = entries.map(entry => [entry.id, entry, ...COLUMNS[kind].values(entry)]);
  const stored = await scope.select<{ id: string }>(insertInto(kind), [JSON.stringify(rows)]);
  if (stored.length < entries.length) await requireSame(scope, kind, entries);
  if (stored.length > 0) await refuseTooMany(scope, kind, entries);
  return stored.length;
}

/** Adds rows `[id, body, …columns]` of a JSON list in its order, and tells the ids that were not there. */
function insertInto(kind: keyof EventKinds): string {
  const { names, kind: name } = COLUMNS[kind];
  const values = names.map((name, index) => `(row ->> ${2 + index})${name === 'lesson' ? '::integer' : ''}`);
  // The class of a mark is that of its check.
  const [more, ofCheck] =
    kind === 'marks'
      ? [', section_id', ', (SELECT c.section_id FROM checks c WHERE c.studio_id = $1 AND c.id = row ->> 2)']
      : ['', ''];
  return `INSERT INTO class_events (studio_id, kind, id, body, ${names.join(', ')}${more})
    SELECT $1, '${name}', (row ->> 0)::uuid, row -> 1, ${values.join(', ')}${ofCheck}
    FROM jsonb_array_elements($2::jsonb) WITH ORDINALITY AS given (row, position) ORDER BY position
    ON CONFLICT DO NOTHING RETURNING id`;
}

/** Refuses more than a class can hold; the transaction takes back what was just added. */
async function refuseTooMany<Kind extends keyof EventKinds>(
  scope: StudioScope,
  kind: Kind,
  entries: readonly EventKinds[Kind][],
): Promise<void> {
  const at = COLUMNS[kind].names.indexOf(OWNER[kind]);
  const owners = [...new Set(entries.map(entry => COLUMNS[kind].values(entry)[at]))];
  const [full] = await scope.select<{ owner: string }>(
    `SELECT owner FROM unnest($2::text[]) owner WHERE EXISTS (SELECT FROM ${kind}
       WHERE studio_id = $1 AND ${OWNER[kind]} = owner OFFSET ${MOST[kind]})`,
    [owners],
  );
  if (full)
    throw new HttpFault(
      'too-large',
      `"${full.owner}" has more than ${MOST[kind].toLocaleString('en-GB')} entries already. Nothing was added.`,
    );
}

/** Refuses entries of which another content is stored under their id. */
async function requireSame<Kind extends keyof EventKinds>(
  scope: StudioScope,
  kind: Kind,
  entries: readonly EventKinds[Kind][],
): Promise<void> {
  const stored = await scope.select<{ id: string; body: object }>(
    `SELECT id, body FROM ${kind} WHERE studio_id = $1 AND id = ANY($2::uuid[])`,
    [entries.map(({ id }) => id)],
  );
  const bodies = new Map(stored.map(({ id, body }) => [id, body]));
  const other = entries.find(entry => !isDeepStrictEqual(bodies.get(entry.id), entry));
  if (other)
    throw new HttpFault(
      'conflict',
      `The entry ${other.id} was sent before with another content; it stays as it was.`,
    );
}
