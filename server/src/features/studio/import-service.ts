import type { ImportAnswer } from '@map-step/contract';
import { checkDocument, type PlanVersion, readDocument, type StudioDocument } from '@map-step/core';
import { type DocumentOf, documentStore } from '../../db/document-store.ts';
import { eventStore } from '../../db/event-store.ts';
import { DOCUMENT_KINDS, type DocumentKind } from '../../db/models.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../http/http-fault.ts';
import { addPlans, addRecaps, getStudio, listPlans, readStudioDocument, saveStudio } from './studio-store.ts';

const MAX_PROBLEMS = 50;

/** Reads a `mapstep/1` text; everything wrong with its shape or meaning is told with its place. */
export function readImport(text: string): StudioDocument {
  const read = readDocument(text);
  if (!read.ok) {
    const message = 'This file cannot be read as mapstep/1. Nothing was imported.';
    throw new HttpFault('unusable-file', message, { problems: read.fault.slice(0, MAX_PROBLEMS) });
  }
  const errors = checkDocument(read.value).problems.filter(({ severity }) => severity === 'error');
  if (errors.length > 0) {
    const problems = errors.slice(0, MAX_PROBLEMS).map(({ at, message }) => ({ at, message }));
    throw new HttpFault('unusable-file', 'The file has errors. Nothing was imported.', { problems });
  }
  return read.value;
}

/**
 * Adds a document to a studio. What is there already and equal is left; what is there and differs is refused
 * by name, so that an import never overwrites anything. One transaction: the caller's.
 */
export async function importDocument(scope: StudioScope, document: StudioDocument): Promise<ImportAnswer> {
  const added: Record<string, number> = {};
  const clashes: { at: string; message: string }[] = [];
  let unchanged = 0;
  for (const kind of DOCUMENT_KINDS) {
    const outcome = await addDocuments(scope, kind, document, clashes);
    if (outcome.added > 0) added[kind] = outcome.added;
    unchanged += outcome.unchanged;
  }
  if (clashes.length > 0)
    throw new HttpFault(
      'conflict',
      'Some entries are in the studio already, with another content. Nothing was imported; rename them or remove them from the file.',
      { problems: clashes.slice(0, MAX_PROBLEMS) },
    );
  for (const [kind, count] of await addTheRest(scope, document)) if (count > 0) added[kind] = count;
  return { added, unchanged };
}

async function addDocuments<Kind extends DocumentKind>(
  scope: StudioScope,
  kind: Kind,
  document: StudioDocument,
  clashes: { at: string; message: string }[],
): Promise<{ added: number; unchanged: number }> {
  const entries = (document[kind] ?? []) as readonly DocumentOf<Kind>[];
  const store = documentStore(scope, kind);
  const there = new Map((await store.list()).map(entry => [entry.id, canonical(entry)]));
  const fresh: DocumentOf<Kind>[] = [];
  for (const [index, entry] of entries.entries()) {
    const same = there.get(entry.id);
    if (same === undefined) fresh.push(entry);
    else if (same !== canonical(entry))
      clashes.push({ at: `/${kind}/${index}`, message: `"${entry.id}" is there already and differs` });
  }
  await store.add(fresh);
  return { added: fresh.length, unchanged: entries.length - fresh.length };
}

async function addTheRest(scope: StudioScope, document: StudioDocument): Promise<[string, number][]> {
  const before = await readStudioDocument(scope);
  const plans = missing(
    document.plans,
    await listPlans(scope),
    (plan: PlanVersion) => `${plan.course} ${plan.at}`,
  );
  const recaps = missing(document.recaps, before.recaps, r => `${r.section} ${r.lesson} ${r.audience}`);
  await addPlans(scope, plans);
  await addRecaps(scope, recaps);
  if (document.logs?.length) await eventStore(scope, 'logs').append(document.logs);
  if (document.attendance?.length) await eventStore(scope, 'attendance').append(document.attendance);
  const { holidays, settings, mappings, ext } = document;
  const own = { ...(holidays && { holidays }), ...(settings && { settings }), ...(mappings && { mappings }) };
  await saveStudio(scope, { ...own, ...(ext && { ext }), ...(await getStudio(scope)) });
  return [
    ['plans', plans.length],
    ['recaps', recaps.length],
    ['logs', missing(document.logs, before.logs, ({ id }) => id).length],
    ['attendance', missing(document.attendance, before.attendance, ({ id }) => id).length],
  ];
}

function missing<Entry>(
  entries: readonly Entry[] | undefined,
  there: readonly Entry[] | undefined,
  keyOf: (entry: Entry) => string,
): readonly Entry[] {
  const keys = new Set((there ?? []).map(keyOf));
  return (entries ?? []).filter(entry => !keys.has(keyOf(entry)));
}

/** JSONB keeps no key order, so equality is asked of sorted keys. */
function canonical(value: unknown): string {
  return JSON.stringify(value, (_, inner: unknown) =>
    inner !== null && typeof inner === 'object' && !Array.isArray(inner)
      ? Object.fromEntries(Object.entries(inner).sort(([a], [b]) => (a < b ? -1 : 1)))
      : inner,
  );
}
