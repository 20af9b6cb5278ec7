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
    async newest(limit: number): Promise<readonly HistoryRecord[]> {
      const rows = await scope.models.history.findAll({
        ...scope.where(where),
        order: [['id', 'DESC']],
        limit,
      });
      return rows.map(recordOf);
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
