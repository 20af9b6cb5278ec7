import type { StudioDocument } from '@map-step/core';
import type { DocumentKind, DocumentRow } from './models.ts';
import { readableRows, type WrittenRow } from './readable.ts';
import type { StudioScope } from './studio-scope.ts';

/** The type of one entry of a kind, as `mapstep/3` has it. */
export type DocumentOf<Kind extends DocumentKind> = NonNullable<StudioDocument[Kind]>[number];

export interface Stored<Body> {
  readonly body: Body;
  readonly version: number;
}

export interface DocumentStore<Kind extends DocumentKind> {
  /** In the order in which they were given, as all lists here; without what cannot be read. */
  list(): Promise<readonly DocumentOf<Kind>[]>;
  find(id: string): Promise<Stored<DocumentOf<Kind>> | undefined>;
  /** Those of these ids that are there. */
  listSome(ids: readonly string[]): Promise<readonly DocumentOf<Kind>[]>;
  /** Those that meet a condition on their columns, in which the first value is `$2`. */
  listWhere(condition: string, values: readonly unknown[]): Promise<readonly DocumentOf<Kind>[]>;
  /** Appends new entries. */
  add(bodies: readonly DocumentOf<Kind>[]): Promise<void>;
  /** Saves over the version that was seen; false when somebody else saved first. */
  save(body: DocumentOf<Kind>, seen: number): Promise<boolean>;
}

export function documentStore<Kind extends DocumentKind>(
  scope: StudioScope,
  kind: Kind,
): DocumentStore<Kind> {
  const model = scope.models.documents[kind];
  const listWhere = async (condition: string, values: readonly unknown[]) => {
    const rows = await scope.select<WrittenRow<DocumentOf<Kind>>>(
      `SELECT id, body, xmin::text FROM ${kind} WHERE studio_id = $1 AND ${condition} ORDER BY position`,
      values,
    );
    return (await readableRows(scope, kind, rows)).map(({ body }) => body);
  };
  return {
    list: () => listWhere('true', []),
    listSome: async ids => (ids.length === 0 ? [] : listWhere('id = ANY($2)', [ids])),
    listWhere,
    async find(id) {
      const rows = await scope.select<WrittenRow<DocumentOf<Kind>> & { version: number }>(
        `SELECT id, body, version, xmin::text FROM ${kind} WHERE studio_id = $1 AND id = $2`,
        [id],
      );
      const [row] = await readableRows(scope, kind, rows);
      return row && { body: row.body, version: row.version };
    },
    async add(bodies) {
      if (bodies.length === 0) return;
      const last = await model.max<number | null, DocumentRow>('position', scope.where());
      const first = (last ?? -1) + 1;
      await model.bulkCreate(
        bodies.map((body, index) => ({
          studioId: scope.studioId,
          id: body.id,
          position: first + index,
          version: 1,
          body,
        })),
        { transaction: scope.transaction },
      );
    },
    async save(body, seen) {
      const [changed] = await model.update(
        { body, version: seen + 1 },
        scope.where({ id: body.id, version: seen }),
      );
      return changed === 1;
    },
  };
}
