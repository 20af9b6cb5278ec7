import type { StudioDocument } from '@map-step/core';
import { JsonText, listAsJson } from './json-text.ts';
import type { DocumentKind, DocumentRow } from './models.ts';
import { type StudioScope, selectJson } from './studio-scope.ts';

/** The type of one entry of a kind, as `mapstep/1` has it. */
export type DocumentOf<Kind extends DocumentKind> = NonNullable<StudioDocument[Kind]>[number];

export interface Stored<Body> {
  readonly body: Body;
  readonly version: number;
}

export interface DocumentStore<Kind extends DocumentKind> {
  /** In the order in which they were given. */
  list(): Promise<readonly DocumentOf<Kind>[]>;
  listJson(): Promise<JsonText<readonly DocumentOf<Kind>[]>>;
  find(id: string): Promise<Stored<DocumentOf<Kind>> | undefined>;
  /** Those of these ids that are there, in the order in which they were given. */
  listSome(ids: readonly string[]): Promise<readonly DocumentOf<Kind>[]>;
  listSomeJson(ids: readonly string[]): Promise<JsonText<readonly DocumentOf<Kind>[]>>;
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
  const select = (condition: string, ...values: unknown[]) =>
    selectJson<readonly DocumentOf<Kind>[]>(
      scope,
      `SELECT ${listAsJson('body', 'position')} FROM ${kind} WHERE studio_id = $1 ${condition}`,
      values,
    );
  const listSomeJson = async (ids: readonly string[]) =>
    ids.length === 0 ? new JsonText<readonly DocumentOf<Kind>[]>('[]') : select('AND id = ANY($2)', ids);
  return {
    list: async () => (await select('')).read(),
    listJson: () => select(''),
    listSome: async ids => (await listSomeJson(ids)).read(),
    listSomeJson,
    async find(id) {
      const [row] = await scope.select<Stored<DocumentOf<Kind>>>(
        `SELECT body, version FROM ${kind} WHERE studio_id = $1 AND id = $2`,
        [id],
      );
      return row;
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
