// What is under somebody's hands and cannot stand yet, or has not reached the server: kept in this browser under its
// person, over reloads, until it is saved.
import { useCallback, useSyncExternalStore } from 'react';
import type { Draft } from './draft.ts';
import { type DraftShelf, openShelf } from './draft-shelf.ts';

export interface Drafts<Body> {
  readonly [id: string]: Draft<Body>;
}

export interface DraftStore<Body> {
  /** What is known of a person's drafts; the browser is asked for the rest, which is told. */
  read(owner: string): Drafts<Body>;
  /** Once the browser has told what it keeps of a person. */
  loaded(owner: string): Promise<void>;
  /** Keeps a draft, or forgets it when there is none: here at once, in the browser behind it. */
  keep(owner: string, id: string, draft: Draft<Body> | undefined): void;
  /** Why nothing is kept over a reload; undefined while all is well. */
  fault(): Error | undefined;
  follow(listener: () => void): () => void;
}

/** The drafts of one kind of thing, by its id. */
export function createDraftStore<Body>(
  kind: string,
  shelf: DraftShelf<Body> = openShelf(kind),
): DraftStore<Body> {
  const listeners = new Set<() => void>();
  const known = new Map<string, Drafts<Body>>();
  const loading = new Map<string, Promise<void>>();
  let fault: Error | undefined;
  const tell = () => {
    for (const listener of listeners) listener();
  };
  const put = (owner: string, id: string, draft: Draft<Body> | undefined) => {
    const { [id]: _, ...others } = known.get(owner) ?? {};
    known.set(owner, draft ? { ...others, [id]: draft } : others);
    tell();
  };
  const setFault = (next: Error | undefined) => {
    if (fault?.message === next?.message) return;
    fault = next;
    tell();
  };
  const load = async (owner: string) => {
    const rows = await shelf.readAll(owner);
    // What was written while the browser was asked is newer.
    known.set(owner, { ...Object.fromEntries(rows), ...known.get(owner) });
    tell();
  };
  shelf.follow(put);
  return {
    read: owner => {
      const drafts = known.get(owner);
      if (drafts) return drafts;
      const none: Drafts<Body> = {};
      known.set(owner, none);
      loading.set(
        owner,
        load(owner).catch(() => setFault(NOTHING_KEPT)),
      );
      return none;
    },
    loaded: async owner => loading.get(owner),
    keep: (owner, id, draft) => {
      put(owner, id, draft);
      shelf.put(owner, id, draft).then(
        () => setFault(undefined),
        () => setFault(NOTHING_KEPT),
      );
    },
    fault: () => fault,
    follow: listener => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
  };
}

const NOTHING_KEPT = new Error(
  'This browser keeps nothing more: its storage is full or forbidden. What you typed stays on this page; do not close it before it is saved.',
);

/** What this person has begun and not saved, by id. */
export function useDrafts<Body>(store: DraftStore<Body>, owner: string): Drafts<Body> {
  return useSyncExternalStore(
    store.follow,
    useCallback(() => store.read(owner), [store, owner]),
  );
}

/** Why what is typed here would not outlive this page. */
export function useDraftFault<Body>(store: DraftStore<Body>): Error | undefined {
  return useSyncExternalStore(store.follow, store.fault);
}
