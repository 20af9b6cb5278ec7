import type { StudioDocument } from '@map-step/core';
import type { DocumentKind } from './models.ts';
import type { StudioScope } from './studio-scope.ts';

/** The type of one entry of a kind, as `mapstep/1` has it. */
export type DocumentOf<Kind extends DocumentKind> = NonNullable<StudioDocument[Kind]>[number];

export interface Stored<Body> {
  readonly body: Body;
  readonly version: number;
}

export interface DocumentStore<Kind extends DocumentKind> {
  /** In the order in which they were given. */
  list(): Promise<readonly DocumentOf<Kind>[]>;
  find(id: string): Promise<Stored<DocumentOf<Kind>> | undefined>;
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
  return {
    async list() {
      const rows = await model.findAll({ ...scope.where(), order: ['position'] });
      return rows.map(row => row.body as DocumentOf<Kind>);
    },
    async find(id) {
      const row = await model.findOne(scope.where({ id }));
      return row ? { body: row.body as DocumentOf<Kind>, version: row.version } : undefined;
    },
    async add(bodies) {
      const first = await model.count(scope.where());
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
