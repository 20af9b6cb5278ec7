import type { StudioScope } from './studio-scope.ts';

/** What figures or students are called; those that are not there are left out. */
export async function readNames(
  scope: StudioScope,
  table: 'patterns' | 'students',
  ids: Iterable<string>,
): Promise<ReadonlyMap<string, string>> {
  const rows = await scope.select<{ id: string; name: string }>(
    `SELECT id, body ->> 'name' AS name FROM ${table} WHERE studio_id = $1 AND id = ANY($2)`,
    [[...new Set(ids)]],
  );
  return new Map(rows.map(({ id, name }) => [id, name]));
}
