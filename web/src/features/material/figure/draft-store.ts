// Figures under one's hands that cannot stand yet, or have not reached the server: kept in this browser under
// their person, over reloads, until they are saved.
import type { Pattern } from '@map-step/core';
import { useCallback, useSyncExternalStore } from 'react';

export interface FigureDraft {
  /** What the server had when the writing began; null for a new figure. */
  readonly base: Pattern | null;
  readonly now: Pattern;
  /** Earlier and later states of this writing, the nearest last. */
  readonly past: readonly Pattern[];
  readonly future: readonly Pattern[];
}

type Drafts = { readonly [figure: string]: FigureDraft };

const listeners = new Set<() => void>();
const loaded = new Map<string, Drafts>();
const EMPTY: Drafts = {};

const keyOf = (owner: string) => `map-step-figures/${owner}`;

function read(owner: string): Drafts {
  const there = loaded.get(owner);
  if (there) return there;
  const text = localStorage.getItem(keyOf(owner));
  const drafts = text === null ? EMPTY : (JSON.parse(text) as Drafts);
  loaded.set(owner, drafts);
  return drafts;
}

/** Keeps a draft, or forgets it when there is none. */
export function keepDraft(owner: string, figure: string, draft: FigureDraft | undefined): void {
  const { [figure]: _, ...others } = read(owner);
  const drafts = draft ? { ...others, [figure]: draft } : others;
  loaded.set(owner, drafts);
  localStorage.setItem(keyOf(owner), JSON.stringify(drafts));
  for (const listener of listeners) listener();
}

/** What this person has begun and not saved, by figure. */
export function useDrafts(owner: string): Drafts {
  const follow = useCallback((listener: () => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, []);
  return useSyncExternalStore(follow, () => read(owner));
}
