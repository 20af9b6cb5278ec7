import type { ImportResult } from '@map-step/contract';
import {
  changedFields,
  documentErrors,
  FORMAT,
  freeId,
  MAX_DEPTH,
  type Person,
  type PlanVersion,
  readDocument,
  renamePerson,
  type StudioDocument,
} from '@map-step/core';
import { dequal } from 'dequal/lite';
import { documentStore } from '../../db/document-store.ts';
import { eventStore } from '../../db/event-store.ts';
import { DOCUMENT_KINDS } from '../../db/models.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import {
  type ChangedEntry,
  type Entry,
  type FreshEntry,
  type ImportOrder,
  type ImportPlan,
  writeEntries,
  writePlan,
} from './import-plan.ts';
import {
  addPlans,
  addRecaps,
  getStudio,
  listPlans,
  listRecapKeys,
  type RecapKey,
  saveStudio,
} from './studio-store.ts';

const MAX_PROBLEMS = 50;
/** A file of 32 MB that people have holds half as many. */
const MOST_VALUES = 3_000_000;
const TOLD = 500;

/** Reads a `mapstep/3` text; everything wrong with its shape or meaning is told with its place. */
export function readImport(text: string): StudioDocument {
  const read = readDocument(text, { depth: MAX_DEPTH, values: MOST_VALUES });
  if (!read.ok) {
    const message = `This file cannot be read as ${FORMAT}. Nothing was imported.`;
    throw new HttpFault('unusable-file', message, { problems: read.fault.slice(0, MAX_PROBLEMS) });
  }
  const errors = documentErrors(read.value);
  if (errors.length > 0) {
    const problems = errors.slice(0, MAX_PROBLEMS).map(({ at, message }) => ({ at, message }));
    throw new HttpFault('unusable-file', 'The file has errors. Nothing was imported.', { problems });
  }
  return read.value;
}

export interface DocumentImport extends ImportOrder {
  /** `add` refuses what is there and differs; `preview` writes nothing; `take` puts the file's in its place. */
  readonly mode: 'add' | 'preview' | 'take';
  /** People of the file who are others than those of the same id here. */
  readonly others: readonly string[];
}

/**
 * Brings a document into a studio. What is there already and equal is left. One transaction: the caller's. Without
 * an order it is how a studio begins: nobody did it, and nothing of it is in the history.
 */
export async function importDocument(
  scope: StudioScope,
  given: StudioDocument,
  order?: DocumentImport,
): Promise<ImportResult> {
  const mode = order?.mode ?? 'add';
  const { document, asked } = await matchPeople(scope, given, order?.others ?? []);
  const plan = await planImport(scope, document);
  const { fresh, changed, unchanged } = plan;
  const added = countKinds(fresh);
  if (mode === 'add') refuseChanges(document, changed);
  if (mode !== 'preview') {
    if (order) await writePlan(scope, plan, order);
    else await writeEntries(scope, plan, () => undefined);
    order?.tell('Adding logs, marks and recaps', fresh.length, fresh.length);
    for (const [kind, count] of await addTheRest(scope, document)) if (count > 0) added[kind] = count;
  }
  return {
    written: mode !== 'preview',
    added,
    unchanged,
    changed: changed
      .slice(0, TOLD)
      .map(({ kind, before, after }) => ({ kind, id: after.id, fields: changedFields(before, after) })),
    changedCount: changed.length,
    asked,
  };
}

/** A file in which nobody who signs in here is called otherwise than here, and about whom that had to be settled. */
interface MatchedPeople {
  readonly document: StudioDocument;
  readonly asked: ImportResult['asked'];
}

/**
 * People are known by their account, not by an id that a file may have given to somebody else: no file changes the name or
 * role of who signs in here. Whoever is said to be another gets an id of their own.
 */
async function matchPeople(
  scope: StudioScope,
  document: StudioDocument,
  others: readonly string[],
): Promise<MatchedPeople> {
  const rows = await scope.models.memberships.findAll(scope.where());
  const ids = rows.map(({ personId }) => personId);
  const here = new Map((await documentStore(scope, 'people').listSome(ids)).map(one => [one.id, one]));
  const taken = new Set((await documentStore(scope, 'people').list()).map(({ id }) => id));
  const people = document.people ?? [];
  for (const { id } of people) taken.add(id);
  let matched = document;
  const asked: { person: string; here: Person; file: Person }[] = [];
  for (const file of people) {
    const own = here.get(file.id);
    if (!own || dequal(own, file)) continue;
    asked.push({ person: file.id, here: own, file });
    if (others.includes(file.id)) {
      const fresh = freeId(file.name, id => taken.has(id), 'person');
      taken.add(fresh);
      matched = renamePerson(matched, file.id, fresh);
    } else
      matched = { ...matched, people: (matched.people ?? []).map(one => (one.id === own.id ? own : one)) };
  }
  return { document: matched, asked };
}

/** Every entry as new, changed or unchanged. */
async function planImport(
  scope: StudioScope,
  document: StudioDocument,
): Promise<ImportPlan & { readonly unchanged: number }> {
  const fresh: FreshEntry[] = [];
  const changed: ChangedEntry[] = [];
  let unchanged = 0;
  for (const kind of DOCUMENT_KINDS) {
    const entries = ((document[kind] ?? []) as readonly Entry[]).map(entry =>
      'marks' in entry && 'section' in entry ? { ...entry, marks: [] } : entry,
    );
    const there = new Map<string, Entry>(
      (await documentStore(scope, kind).listSome(entries.map(({ id }) => id))).map(entry => [
        entry.id,
        entry,
      ]),
    );
    for (const entry of entries) {
      const before = there.get(entry.id);
      if (!before) fresh.push({ kind, entry });
      else if (dequal(before, entry)) unchanged += 1;
      else changed.push({ kind, before, after: entry });
    }
  }
  return { fresh, changed, unchanged };
}

function countKinds(fresh: readonly FreshEntry[]): Record<string, number> {
  const counts: Record<string, number> = {};
  for (const { kind } of fresh) counts[kind] = (counts[kind] ?? 0) + 1;
  return counts;
}

function refuseChanges(document: StudioDocument, changed: readonly ChangedEntry[]): void {
  if (changed.length === 0) return;
  const problems = changed.slice(0, MAX_PROBLEMS).map(({ kind, after }) => {
    const entries = (document[kind] ?? []) as readonly Entry[];
    const index = entries.findIndex(({ id }) => id === after.id);
    return { at: `/${kind}/${index}`, message: `"${after.id}" is there already and differs` };
  });
  throw new HttpFault(
    'conflict',
    'Some entries are in the studio already, with another content. Nothing was imported; rename them or remove them from the file.',
    { problems },
  );
}

async function addTheRest(scope: StudioScope, document: StudioDocument): Promise<[string, number][]> {
  const planKey = (plan: PlanVersion) => `${plan.course} ${plan.at}`;
  const recapKey = (recap: RecapKey) => `${recap.section} ${recap.lesson} ${recap.audience}`;
  const plans = missing(document.plans, await listPlans(scope), planKey);
  const recaps = missing(document.recaps, await listRecapKeys(scope), recapKey);
  const marks = (document.checks ?? []).flatMap(({ id, marks }) =>
    marks.map(mark => ({ ...mark, check: id })),
  );
  await addPlans(scope, plans);
  await addRecaps(scope, recaps);
  const { holidays, settings, mappings, ext } = document;
  const own = { ...(holidays && { holidays }), ...(settings && { settings }), ...(mappings && { mappings }) };
  await saveStudio(scope, { ...own, ...(ext && { ext }), ...(await getStudio(scope)) });
  return [
    ['plans', plans.length],
    ['recaps', recaps.length],
    ['logs', await eventStore(scope, 'logs').append(document.logs ?? [])],
    ['attendance', await eventStore(scope, 'attendance').append(document.attendance ?? [])],
    ['notes', await eventStore(scope, 'notes').append(document.notes ?? [])],
    ['marks', await eventStore(scope, 'marks').append(marks)],
  ];
}

function missing<Entry extends Key, Key>(
  entries: readonly Entry[] | undefined,
  there: readonly Key[],
  keyOf: (entry: Key) => string,
): readonly Entry[] {
  const keys = new Set(there.map(keyOf));
  return (entries ?? []).filter(entry => !keys.has(keyOf(entry)));
}
