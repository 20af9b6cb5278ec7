import { createHash } from 'node:crypto';
import type { Attendance, Log, Mark } from '@map-step/core';
import { HttpFault } from '../http/http-fault.ts';
import { listAsJson } from './json-text.ts';
import { type StudioScope, selectJson } from './studio-scope.ts';

export interface EventKinds {
  readonly logs: Log;
  readonly attendance: Attendance;
  readonly marks: Mark & { readonly check: string };
}

type Columns = Readonly<Record<string, string | number>>;

/** The columns in which the entries of a kind are looked up or held to what they name. */
const COLUMNS: { readonly [Kind in keyof EventKinds]: (entry: EventKinds[Kind]) => Columns } = {
  logs: ({ section, lesson, pattern }) => ({ sectionId: section, lesson, patternId: pattern }),
  attendance: ({ section, lesson, student }) => ({ sectionId: section, lesson, studentId: student }),
  marks: ({ check, student, pattern }) => ({ checkId: check, studentId: student, patternId: pattern }),
};

const OWNER = { logs: 'section_id', attendance: 'section_id', marks: 'check_id' } as const;
const CHUNK = 2000;

/**
 * Entries that are only ever added, under ids made by the client: the same id with the same body is stored
 * once however often it is sent, with another body it is refused.
 */
export function eventStore<Kind extends keyof EventKinds>(scope: StudioScope, kind: Kind) {
  const listJson = (owner?: string, column = 'body') =>
    selectJson<readonly EventKinds[Kind][]>(
      scope,
      `SELECT ${listAsJson(column, 'seq')} FROM ${kind}
       WHERE studio_id = $1 AND ($2::text IS NULL OR ${OWNER[kind]} = $2)`,
      [owner ?? null],
    );
  return {
    /** In the order in which they came; those of one class, or of one check, when it is named. */
    async list(owner?: string): Promise<readonly EventKinds[Kind][]> {
      return (await listJson(owner)).read();
    },
    listJson,
    /** Says how many were not there before. */
    async append(entries: readonly EventKinds[Kind][]): Promise<number> {
      let before = 0;
      for (let first = 0; first < entries.length; first += CHUNK)
        before += await appendChunk(scope, kind, entries.slice(first, first + CHUNK));
      return entries.length - before;
    },
  };
}

async function appendChunk<Kind extends keyof EventKinds>(
  scope: StudioScope,
  kind: Kind,
  entries: readonly EventKinds[Kind][],
): Promise<number> {
  const model = scope.models[kind];
  const rows = entries.map(entry => ({
    studioId: scope.studioId,
    id: entry.id,
    ...COLUMNS[kind](entry),
    body: entry,
    bodyHash: hashBody(entry),
  }));
  const there = await model.findAll({ ...scope.where({ id: rows.map(({ id }) => id) }), raw: true });
  await model.bulkCreate(rows, { transaction: scope.transaction, ignoreDuplicates: true });
  // Read again: another writer may have been first with the same id between the two.
  const hashes = new Map(rows.map(({ id, bodyHash }) => [id, bodyHash]));
  const stored = await model.findAll({ ...scope.where({ id: [...hashes.keys()] }), raw: true });
  for (const row of stored)
    if (hashes.get(row.id) !== row.bodyHash && hashes.get(row.id) !== hashBody(row.body as object))
      throw new HttpFault(
        'conflict',
        `The entry ${row.id} was sent before with another content; it stays as it was.`,
      );
  return there.length;
}

function hashBody(entry: object): string {
  const sorted = Object.entries(entry).sort(([a], [b]) => (a < b ? -1 : 1));
  return createHash('sha256').update(JSON.stringify(sorted)).digest('hex');
}
