import type { HistoryRow } from './models.ts';
import type { StudioScope } from './studio-scope.ts';

export interface HistoryRecord {
  readonly id: string;
  readonly kind: string;
  readonly what: string;
  readonly person: string;
  readonly at: string;
  readonly before: unknown;
  readonly after: unknown;
  readonly undoes: string | null;
}

export type NewHistory = Omit<HistoryRecord, 'id' | 'at'>;
export type HistoryLine = Omit<HistoryRecord, 'before' | 'after' | 'at'> & { readonly at: Date };

/** Who changed what of one aggregate, in the order it happened. */
export function historyStore(scope: StudioScope, aggregate: string, aggregateId: string) {
  const where = { aggregate, aggregateId };
  return {
    async add(entry: NewHistory): Promise<void> {
      await scope.models.history.create(
        {
          studioId: scope.studioId,
          ...where,
          kind: entry.kind,
          what: entry.what,
          personId: entry.person,
          at: new Date(),
          before: entry.before,
          after: entry.after,
          undoes: entry.undoes,
        },
        { transaction: scope.transaction },
      );
    },
    /** Without what was before and after, which can be long. */
    newest(limit: number): Promise<HistoryLine[]> {
      return scope.select<HistoryLine>(
        `SELECT id::text, kind, what, person_id AS person, at, undoes::text FROM history
         WHERE studio_id = $1 AND aggregate = $2 AND aggregate_id = $3 ORDER BY history.id DESC LIMIT $4`,
        [aggregate, aggregateId, limit],
      );
    },
    async find(id: string): Promise<HistoryRecord | undefined> {
      const row = await scope.models.history.findOne(scope.where({ ...where, id }));
      return row ? recordOf(row) : undefined;
    },
    async isUndone(id: string): Promise<boolean> {
      return (await scope.models.history.count(scope.where({ ...where, undoes: id }))) > 0;
    },
  };
}

export interface HistoryOfMany {
  /** Of the aggregate. */
  readonly id: string;
  readonly kind: string;
  readonly what: string;
  readonly person: string;
  readonly before: unknown;
  readonly after: unknown;
}

/** One line in the history of each of many aggregates. */
export async function addHistories(
  scope: StudioScope,
  aggregate: string,
  entries: readonly HistoryOfMany[],
): Promise<void> {
  const at = new Date();
  await scope.models.history.bulkCreate(
    entries.map(({ id, person, ...entry }) => ({
      studioId: scope.studioId,
      aggregate,
      aggregateId: id,
      personId: person,
      at,
      undoes: null,
      ...entry,
    })),
    { transaction: scope.transaction },
  );
}

function recordOf(row: HistoryRow): HistoryRecord {
  return {
    id: String(row.id),
    kind: row.kind,
    what: row.what,
    person: row.personId,
    at: row.at.toISOString(),
    before: row.before,
    after: row.after,
    undoes: row.undoes === null ? null : String(row.undoes),
  };
}
