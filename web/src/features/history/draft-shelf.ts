// Where drafts lie in this browser: a row each, so that two tabs, and two drafts, never write over one another.
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { Draft } from './draft.ts';

/** What a kind of drafts is kept on. */
export interface DraftShelf<Body> {
  readAll(owner: string): Promise<readonly (readonly [id: string, draft: Draft<Body>])[]>;
  /** Keeps a draft, or forgets it when there is none; rejects where the browser keeps nothing, or nothing more. */
  put(owner: string, id: string, draft: Draft<Body> | undefined): Promise<void>;
  /** Hears what other tabs put. */
  follow(listener: (owner: string, id: string, draft: Draft<Body> | undefined) => void): void;
}

interface Row {
  readonly kind: string;
  readonly owner: string;
  readonly id: string;
  readonly draft: unknown;
}

interface Schema extends DBSchema {
  drafts: { key: [kind: string, owner: string, id: string]; value: Row };
}

const NAME = 'map-step-drafts';
let opening: Promise<IDBPDatabase<Schema>> | undefined;

function database(): Promise<IDBPDatabase<Schema>> {
  opening ??= openDB<Schema>(NAME, 1, {
    upgrade: fresh => void fresh.createObjectStore('drafts', { keyPath: ['kind', 'owner', 'id'] }),
    terminated: () => {
      opening = undefined;
    },
  });
  opening.catch(() => {
    opening = undefined;
  });
  return opening;
}

/** The rows of one kind in the browser's database; other tabs are told of each. */
export function openShelf<Body>(kind: string): DraftShelf<Body> {
  const channel =
    typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(`${NAME}-${kind}`);
  return {
    async readAll(owner) {
      await moveOld(kind, owner);
      const all = IDBKeyRange.bound([kind, owner, ''], [kind, owner, '\uffff']);
      const rows = await (await database()).getAll('drafts', all);
      return rows.map(({ id, draft }) => [id, draft as Draft<Body>]);
    },
    async put(owner, id, draft) {
      const opened = await database();
      if (draft === undefined) await opened.delete('drafts', [kind, owner, id]);
      else await opened.put('drafts', { kind, owner, id, draft });
      channel?.postMessage({ owner, id, draft });
    },
    follow(listener) {
      channel?.addEventListener('message', ({ data }) => listener(data.owner, data.id, data.draft));
    },
  };
}

/** Earlier versions kept all drafts of a person in one text. */
async function moveOld(kind: string, owner: string): Promise<void> {
  const key = `map-step-${kind}/${owner}`;
  const text = localStorage.getItem(key);
  if (text === null) return;
  const opened = await database();
  for (const [id, draft] of Object.entries(JSON.parse(text) as Record<string, unknown>))
    await opened.put('drafts', { kind, owner, id, draft });
  localStorage.removeItem(key);
}
