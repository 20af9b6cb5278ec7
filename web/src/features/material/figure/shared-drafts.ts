// What is written and cannot stand yet is kept on the server too: its writer finds it in every browser, colleagues see that it is
// unfinished.
import type { AnswerOf } from '@map-step/contract';
import type { Pattern } from '@map-step/core';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { dequal } from 'dequal/lite';
import { useEffect, useRef } from 'react';
import { call } from '../../../api/client.ts';
import { ownerOf } from '../../../api/outbox.ts';
import { useCourse } from '../../course/course-context.ts';
import { keys } from '../../course/course-queries.ts';
import type { Draft } from '../../history/draft.ts';
import { type Drafts, useDrafts } from '../../history/draft-store.ts';
import { figureDrafts } from './use-figure-draft.ts';

export type SharedDraft = AnswerOf<'draft.list'>['drafts'][number];

/** What can stand is saved sooner than this. */
const PAUSE_MS = 1500;

const draftsQuery = queryOptions({
  queryKey: keys.drafts,
  queryFn: () => call('draft.list'),
  staleTime: Number.POSITIVE_INFINITY,
});

export function draftQuery(person: string, figure: string) {
  return queryOptions({
    queryKey: [...keys.drafts, person, figure],
    queryFn: () => call('draft.read', { params: { person, figure } }),
  });
}

/** What colleagues have begun and not finished. */
export function useOthersDrafts(): readonly SharedDraft[] {
  const { me } = useCourse();
  const { data } = useQuery({ ...draftsQuery, enabled: mayWrite(me) });
  return data?.drafts.filter(({ by }) => by !== me.id) ?? [];
}

/** Keeps on the server what is kept in this browser, and fetches what was begun in another. */
export function useShareDrafts(): void {
  const { me, library } = useCourse();
  const owner = ownerOf(me);
  const drafts = useDrafts(figureDrafts, owner);
  const { data: shared } = useQuery({ ...draftsQuery, enabled: mayWrite(me) });
  const isKnown = shared !== undefined;
  /** What the server has of each; undefined before it has been asked. */
  const sent = useRef<Map<string, Pattern | null>>(undefined);
  useEffect(() => {
    if (!shared || sent.current) return;
    const known = new Map<string, Pattern | null>();
    sent.current = known;
    const own = shared.drafts.filter(({ by }) => by === me.id);
    void figureDrafts.loaded(owner).then(async () => {
      for (const { figure, isNew } of own) {
        const isHere = figure in figureDrafts.read(owner);
        // Saved meanwhile from elsewhere: it is no draft any more.
        const isSaved = isNew && library.patterns.has(figure);
        // What cannot be fetched now stays where it is.
        const draft = isHere || isSaved ? null : await fetchDraft(me.id, owner, figure);
        if (draft !== undefined) known.set(figure, draft);
      }
    });
  }, [shared, me.id, owner, library]);
  useEffect(() => {
    if (!isKnown) return;
    const timer = setTimeout(() => void send(drafts, sent.current), PAUSE_MS);
    return () => clearTimeout(timer);
  }, [drafts, isKnown]);
}

function mayWrite({ role }: { role: string }): boolean {
  return role === 'director' || role === 'teacher';
}

async function fetchDraft(person: string, owner: string, figure: string): Promise<Pattern | undefined> {
  const draft = await call('draft.read', { params: { person, figure } }).catch(() => undefined);
  if (!draft) return undefined;
  figureDrafts.keep(owner, figure, { ...draft, what: 'Written', past: [], future: [] });
  return draft.now;
}

/** Sends what has changed; what cannot be sent now is sent with the next change. */
async function send(drafts: Drafts<Pattern>, sent: Map<string, Pattern | null> | undefined): Promise<void> {
  if (!sent) return;
  for (const figure of new Set([...sent.keys(), ...Object.keys(drafts)])) {
    const draft: Draft<Pattern> | undefined = drafts[figure];
    if (draft && dequal(sent.get(figure), draft.now)) continue;
    const body = { draft: draft ? { base: draft.base, now: draft.now } : null };
    try {
      await call('draft.keep', { params: { figure }, body });
    } catch {
      continue;
    }
    if (draft) sent.set(figure, draft.now);
    else sent.delete(figure);
  }
}
