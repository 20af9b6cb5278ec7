// What an import does to the documents of a studio: entries that are new, and entries that change. Written in one
// go, kept in the history, and taken back as a whole.
import type { ImportUndone } from '@map-step/contract';
import { changedFields, documentErrors, FORMAT, type Json, type StudioDocument } from '@map-step/core';
import { dequal } from 'dequal/lite';
import type { AggregateKind } from '../../aggregates/aggregate.ts';
import { type DocumentOf, type DocumentStore, documentStore } from '../../db/document-store.ts';
import { addHistories, type HistoryLine, historyStore } from '../../db/history-store.ts';
import { DOCUMENT_KINDS, type DocumentKind } from '../../db/models.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../faults/http-fault.ts';

const CHUNK = 500;
const IMPORT = 'import';

export type Entry = DocumentOf<DocumentKind>;

export interface FreshEntry {
  readonly kind: DocumentKind;
  readonly entry: Entry;
}

export interface ChangedEntry {
  readonly kind: DocumentKind;
  readonly before: Entry;
  readonly after: Entry;
}

export interface ImportPlan {
  readonly fresh: readonly FreshEntry[];
  readonly changed: readonly ChangedEntry[];
}

export interface ImportOrder {
  readonly job: string;
  readonly person: string;
  /** Told while it goes on: what is being done, and how many entries of how many are through. */
  tell(stage: string, done: number, total: number): void;
}

/** What people change by commands has a history of its own. */
const AGGREGATES: Partial<Record<DocumentKind, AggregateKind>> = {
  patterns: 'pattern',
  courses: 'course',
  sections: 'section',
  checks: 'check',
};

/** Writes new and changed entries, each with its line in the history, and what is needed to take them back. */
export async function writePlan(scope: StudioScope, plan: ImportPlan, order: ImportOrder): Promise<void> {
  const { job, person } = order;
  await writeEntries(scope, plan, order.tell);
  await keepHistories(scope, plan, person, 'Imported');
  const { fresh, changed } = plan;
  const record = {
    before: changed.map(({ kind, before }) => ({ kind, entry: before })),
    after: [...fresh, ...changed.map(({ kind, after }) => ({ kind, entry: after }))],
  };
  await historyStore(scope, IMPORT, job).add({
    kind: IMPORT,
    what: 'Import',
    person,
    ...record,
    undoes: null,
  });
}

/** Writes new and changed entries without a trace: for a studio that begins. */
export async function writeEntries(
  scope: StudioScope,
  { fresh, changed }: ImportPlan,
  tell: ImportOrder['tell'],
): Promise<void> {
  const total = fresh.length + changed.length;
  let done = 0;
  for (const kind of DOCUMENT_KINDS) {
    const entries = fresh.flatMap(one => (one.kind === kind ? [one.entry] : []));
    const store: Pick<DocumentStore<DocumentKind>, 'add'> = documentStore(scope, kind);
    for (let first = 0; first < entries.length; first += CHUNK) {
      tell(`Adding ${kind}`, done + first, total);
      await store.add(entries.slice(first, first + CHUNK));
    }
    done += entries.length;
  }
  for (const [index, one] of changed.entries()) {
    if (index % CHUNK === 0) tell('Changing what is there', done + index, total);
    await replace(scope, one);
  }
}

/** Takes a whole import back while nothing of it has been changed or used since; all or nothing. */
export async function undoImport(scope: StudioScope, job: string, person: string): Promise<ImportUndone> {
  const history = historyStore(scope, IMPORT, job);
  const record = await history.find((await getImport(scope, job)).id);
  if (!record) throw new Error('an import that was just found is gone');
  const [before, after] = [record.before, record.after] as readonly (readonly FreshEntry[])[];
  const old = new Map((before ?? []).map(one => [keyOf(one), one.entry]));
  const changed = (after ?? []).flatMap(one => {
    const was = old.get(keyOf(one));
    return was ? [{ kind: one.kind, before: one.entry, after: was }] : [];
  });
  const added = (after ?? []).filter(one => !old.has(keyOf(one)));
  await refuseMoved(scope, after ?? []);
  await remove(scope, added);
  for (const one of changed) await replace(scope, one);
  await refuseHoles(scope);
  await keepHistories(scope, { fresh: [], changed }, person, 'Import taken back');
  await history.add({ kind: 'undo', what: 'Import', person, before: {}, after: {}, undoes: record.id });
  return { removed: added.length, restored: changed.length };
}

/** The line of an import in the history, while it has not been taken back. */
export async function getImport(scope: StudioScope, job: string): Promise<Pick<HistoryLine, 'id'>> {
  const [line] = await historyStore(scope, IMPORT, job).newest(1);
  if (!line) throw new HttpFault('not-found', 'There is no such import.');
  if (line.undoes !== null) throw new HttpFault('conflict', 'This import has been taken back already.');
  return line;
}

const keyOf = ({ kind, entry }: FreshEntry) => `${kind} ${entry.id}`;

async function refuseMoved(scope: StudioScope, entries: readonly FreshEntry[]): Promise<void> {
  const problems: { at: string; message: string }[] = [];
  for (const kind of DOCUMENT_KINDS) {
    const own = entries.filter(one => one.kind === kind);
    const now = new Map(
      (await documentStore(scope, kind).listSome(own.map(({ entry }) => entry.id))).map(entry => [
        entry.id,
        entry,
      ]),
    );
    for (const { entry } of own)
      if (!dequal(now.get(entry.id), entry))
        problems.push({ at: entry.id, message: 'has been changed since' });
  }
  if (problems.length > 0) throw cannotUndo(problems);
}

/** What was imported may be named by something since: then it must stay. */
async function refuseHoles(scope: StudioScope): Promise<void> {
  const lists: [string, unknown][] = [];
  for (const kind of DOCUMENT_KINDS) lists.push([kind, await documentStore(scope, kind).list()]);
  const document = {
    format: FORMAT,
    studio: { name: '', timezone: 'UTC' },
    ...Object.fromEntries(lists),
  };
  const problems = documentErrors(document as StudioDocument).map(({ at, message }) => ({ at, message }));
  if (problems.length > 0) throw cannotUndo(problems);
}

function cannotUndo(problems: readonly { at: string; message: string }[]): HttpFault {
  return new HttpFault('conflict', 'This import cannot be taken back as a whole. Nothing was changed.', {
    problems: problems.slice(0, 500),
  });
}

/** Puts an entry in the place of another that has been read in this transaction. */
async function replace(scope: StudioScope, { kind, before, after }: ChangedEntry): Promise<void> {
  const rows = await scope.select(
    `UPDATE ${kind} SET body = $2::jsonb, version = version + 1
     WHERE studio_id = $1 AND id = $3 AND body = $4::jsonb RETURNING id`,
    [JSON.stringify(after), before.id, JSON.stringify(before)],
  );
  if (rows.length !== 1)
    throw new HttpFault(
      'conflict',
      `Somebody is changing "${before.id}" at the same moment. Nothing was changed; try again.`,
    );
}

/** The last kinds first: they name the earlier ones. */
async function remove(scope: StudioScope, entries: readonly FreshEntry[]): Promise<void> {
  for (const kind of [...DOCUMENT_KINDS].reverse()) {
    const ids = entries.flatMap(one => (one.kind === kind ? [one.entry.id] : []));
    if (ids.length > 0)
      await scope.select(`DELETE FROM ${kind} WHERE studio_id = $1 AND id = ANY($2) RETURNING id`, [ids]);
  }
}

async function keepHistories(
  scope: StudioScope,
  plan: ImportPlan,
  person: string,
  what: string,
): Promise<void> {
  for (const [kind, aggregate] of Object.entries(AGGREGATES)) {
    const created = plan.fresh.filter(one => one.kind === kind);
    const edited = plan.changed.filter(one => one.kind === kind);
    await addHistories(scope, aggregate, [
      ...created.map(({ entry }) => ({ id: entry.id, kind: 'create', what, person, before: {}, after: {} })),
      ...edited.map(({ before, after }) => {
        const fields = changedFields(before, after);
        const side = (which: 'from' | 'to') =>
          Object.fromEntries(fields.map(change => [change.field, change[which]])) as {
            [field: string]: Json;
          };
        return { id: after.id, kind: 'edit', what, person, before: side('from'), after: side('to') };
      }),
    ]);
  }
}
