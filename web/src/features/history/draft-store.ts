// What is under somebody's hands and cannot stand yet, or has not reached the server: kept in this browser under its
// person, over reloads, until it is saved.
import { useCallback, useSyncExternalStore } from 'react';

export interface Draft<Body> {
  /** What stood when the writing began, or was saved last; null for something new. */
  readonly base: Body | null;
  readonly now: Body;
  /** The last change in words. */
  readonly what: string;
  /** Earlier and later states of this writing, the nearest last. */
  readonly past: readonly Body[];
  readonly future: readonly Body[];
}

export interface Drafts<Body> {
  readonly [id: string]: Draft<Body>;
}

export interface DraftStore<Body> {
  read(owner: string): Drafts<Body>;
  /** Keeps a draft, or forgets it when there is none. */
  keep(owner: string, id: string, draft: Draft<Body> | undefined): void;
  follow(listener: () => void): () => void;
}

/** The drafts of one kind of thing, by its id. */
export function createDraftStore<Body>(kind: string): DraftStore<Body> {
  const listeners = new Set<() => void>();
  const loaded = new Map<string, Drafts<Body>>();
  const keyOf = (owner: string) => `map-step-${kind}/${owner}`;
  const read = (owner: string) => {
    const there = loaded.get(owner);
    if (there) return there;
    const text = localStorage.getItem(keyOf(owner));
    const drafts: Drafts<Body> = text === null ? {} : JSON.parse(text);
    loaded.set(owner, drafts);
    return drafts;
  };
  return {
    read,
    keep: (owner, id, draft) => {
      const { [id]: _, ...others } = read(owner);
      const drafts = draft ? { ...others, [id]: draft } : others;
      loaded.set(owner, drafts);
      localStorage.setItem(keyOf(owner), JSON.stringify(drafts));
      for (const listener of listeners) listener();
    },
    follow: listener => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
  };
}

/** What this person has begun and not saved, by id. */
export function useDrafts<Body>(store: DraftStore<Body>, owner: string): Drafts<Body> {
  return useSyncExternalStore(
    store.follow,
    useCallback(() => store.read(owner), [store, owner]),
  );
}
