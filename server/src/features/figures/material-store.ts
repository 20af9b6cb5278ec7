import { type Element, type Level, needsOf, type Pattern } from '@map-step/core';
import { documentStore } from '../../db/document-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';

/** For each dance a number that rises with every change of its figures; under '' that of what all share. */
export type MaterialStamps = ReadonlyMap<string, string>;

const MATERIAL_KINDS = ['dances', 'levels', 'patterns', 'elements'] as const;
type MaterialKind = (typeof MATERIAL_KINDS)[number];

export async function readMaterialStamps(scope: StudioScope): Promise<MaterialStamps> {
  const rows = await scope.select<{ dance_id: string; version: string }>(
    'SELECT dance_id, version FROM material_stamps WHERE studio_id = $1',
  );
  return new Map(rows.map(({ dance_id, version }) => [dance_id, version]));
}

/** One text for some dances, and for what all dances share. */
export function printStamp(stamps: MaterialStamps, dances: readonly string[]): string {
  return ['', ...[...dances].sort()].map(dance => `${dance}:${stamps.get(dance) ?? 0}`).join(' ');
}

/** The dances that a stamp speaks for. */
export function dancesOf(stamp: string): readonly string[] {
  return stamp.split(' ').flatMap(part => part.split(':', 1)[0] || []);
}

/** The ids of what was changed, of each kind, after a stamp. What it does not speak for counts as changed. */
export async function listChanged(
  scope: StudioScope,
  stamp: string,
): Promise<Readonly<Record<MaterialKind, ReadonlySet<string>>>> {
  const versions = Object.fromEntries(stamp.split(' ').map(part => part.split(':', 2)));
  const rows = await scope.select<{ kind: MaterialKind; id: string }>(
    MATERIAL_KINDS.map(
      kind => `SELECT '${kind}' AS kind, id FROM ${kind} WHERE studio_id = $1
         AND stamp > COALESCE(($2::jsonb ->> ${kind === 'patterns' ? 'dance_id' : "''"})::bigint, -1)`,
    ).join(' UNION ALL '),
    [JSON.stringify(versions)],
  );
  const ids = (kind: MaterialKind) => new Set(rows.flatMap(row => (row.kind === kind ? row.id : [])));
  return {
    dances: ids('dances'),
    levels: ids('levels'),
    patterns: ids('patterns'),
    elements: ids('elements'),
  };
}

/** The figures of some dances, those named besides, and whatever they need. */
export async function listOfDances(
  scope: StudioScope,
  dances: readonly string[],
  besides: readonly string[],
): Promise<readonly Pattern[]> {
  const figures = await documentStore(scope, 'patterns').listWhere('dance_id = ANY($2)', [dances]);
  return withNeeds(scope, figures, besides);
}

export function listLevelsOf(scope: StudioScope, dances: readonly string[]): Promise<readonly Level[]> {
  return documentStore(scope, 'levels').listWhere('dance_id = ANY($2)', [dances]);
}

/** The elements of some dances and those that belong to none. */
export function listElementsOf(scope: StudioScope, dances: readonly string[]): Promise<readonly Element[]> {
  return documentStore(scope, 'elements').listWhere(
    "(body ->> 'dance' IS NULL OR body ->> 'dance' = ANY($2))",
    [dances],
  );
}

/** These figures, all that they need and what they are variants of, in turn. */
export function listWithNeeds(scope: StudioScope, ids: readonly string[]): Promise<readonly Pattern[]> {
  return withNeeds(scope, [], ids, pattern => [
    ...needsOf(pattern),
    ...(pattern.variantOf === undefined ? [] : [pattern.variantOf]),
  ]);
}

/** One more query for each step by which what is needed lies outside; within one dance that is none. */
async function withNeeds(
  scope: StudioScope,
  figures: readonly Pattern[],
  ids: readonly string[],
  leadsTo: (pattern: Pattern) => readonly string[] = needsOf,
): Promise<readonly Pattern[]> {
  const there = new Map(figures.map(figure => [figure.id, figure]));
  const missing = (wanted: readonly string[]) => wanted.filter(id => !there.has(id));
  let wanted = missing([...ids, ...figures.flatMap(leadsTo)]);
  while (wanted.length > 0) {
    const found = await documentStore(scope, 'patterns').listSome(wanted);
    for (const figure of found) there.set(figure.id, figure);
    wanted = found.length === 0 ? [] : missing(found.flatMap(leadsTo));
  }
  return [...there.values()];
}
