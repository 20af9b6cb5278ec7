import type { HistoryEntry, PublishAnswer, RecapAnswer, RecapDetail } from '@map-step/contract';
import type { Clash, Json } from '@map-step/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { ApiError, call } from '../../api/client.ts';
import { useCourse } from '../course/course-context.ts';
import { useSectionRefresh } from '../course/course-queries.ts';
import { putIntoClass, type RecapText, recapAggregate } from '../course/recap-document.ts';
import { createDraftStore } from '../history/draft-store.ts';
import { type SaveState, useDraft } from '../history/use-draft.ts';

const PAUSE_MS = 1000;

export interface RecapEditor {
  readonly text: string;
  write(text: string): void;
  readonly state: SaveState;
  readonly error: Error | undefined;
  /** Where somebody else saved first. */
  readonly clashes: readonly Clash[];
  /** Which text stands from now on. */
  settle(values: Readonly<Record<string, Json>>): void;
  readonly history: readonly HistoryEntry[];
  /** The change by somebody else that clashes. */
  readonly first: HistoryEntry | undefined;
  takeBack(entry: HistoryEntry): void;
  publish(): void;
  revoke(): void;
  readonly published: PublishAnswer | undefined;
  readonly isBusy: boolean;
}

const recapDrafts = createDraftStore<RecapText>('recaps');

/** The text of a recap: saved by itself after a pause, never over a text that was not seen. */
export function useRecap(recap: RecapAnswer): RecapEditor {
  const { section, lesson, audience } = recap;
  const { me } = useCourse();
  const client = useQueryClient();
  const refresh = useSectionRefresh(section);
  const aggregate = useMemo(() => recapAggregate({ section, lesson, audience }), [section, lesson, audience]);
  const drafting = useDraft({
    aggregate,
    store: recapDrafts,
    id: `${section} ${lesson} ${audience}`,
    me,
    known: recap,
    isSound: isText,
    pauseMs: PAUSE_MS,
  });
  const params = { section, lesson, audience };
  const seen = () => client.getQueryData<RecapDetail>(aggregate.key)?.recap.version ?? recap.version;
  const publish = useMutation({
    mutationFn: () => call('recap.publish', { params, body: { seen: seen() } }),
    onSuccess: ({ recap: published }) => {
      putIntoClass(client, published);
      client.setQueryData<RecapDetail>(aggregate.key, now => now && { ...now, recap: published });
    },
    onError: error => {
      if (error instanceof ApiError && error.body.code === 'stale')
        void client.invalidateQueries({ queryKey: aggregate.key });
    },
  });
  const revoke = useMutation({
    mutationFn: () => call('recap.revoke', { params }),
    onSuccess: () => {
      publish.reset();
      return refresh.reload();
    },
  });
  return {
    text: drafting.body?.markdown ?? '',
    write: markdown => drafting.change('Text of the recap', () => ({ markdown })),
    state: drafting.state,
    error: drafting.error ?? publish.error ?? revoke.error ?? undefined,
    clashes: drafting.clashes,
    settle: drafting.settle,
    history: drafting.history,
    first: drafting.first,
    takeBack: drafting.takeBack,
    publish: () => publish.mutate(),
    revoke: () => revoke.mutate(),
    published: publish.data,
    isBusy: publish.isPending || drafting.state !== 'saved',
  };
}

const isText = () => true;
