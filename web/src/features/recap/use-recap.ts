import type { HistoryEntry, PublishAnswer, RecapAnswer, RecapDetail } from '@map-step/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { ApiError, call } from '../../api/client.ts';
import { recapQuery, useSectionRefresh } from '../course/course-queries.ts';
import { mergeTexts } from './merge-texts.ts';

const PAUSE_MS = 1000;

export interface RecapEditor {
  readonly text: string;
  write(text: string): void;
  readonly state: 'saved' | 'saving' | 'not saved';
  readonly error: Error | null;
  /** What stands on the server when somebody else saved first. */
  readonly theirs: RecapAnswer | undefined;
  /** Which text stands from now on; of both, the one to go on writing in. */
  choose(whose: 'mine' | 'theirs' | 'both'): void;
  readonly history: readonly HistoryEntry[];
  takeBack(entry: HistoryEntry): void;
  publish(): void;
  revoke(): void;
  readonly published: PublishAnswer | undefined;
  readonly isBusy: boolean;
}

/** The text of a recap: saved by itself after a pause, never over a text that was not seen. */
export function useRecap(recap: RecapAnswer): RecapEditor {
  const { section, lesson, audience } = recap;
  const key = { section, lesson, audience };
  const client = useQueryClient();
  const refresh = useSectionRefresh(section);
  const detail = useQuery(recapQuery(key));
  const [text, setText] = useState(recap.markdown);
  const [theirs, setTheirs] = useState<RecapAnswer>();
  const [base, setBase] = useState(recap);
  const isDirty = text !== base.markdown;
  // Somebody else's newer text comes in by itself as long as nothing of one's own would be lost.
  if (recap.version > base.version && !isDirty) {
    setBase(recap);
    setText(recap.markdown);
  }
  const store = (saved: RecapAnswer) => {
    setBase(saved);
    refresh.change(answer => ({
      ...answer,
      recaps: answer.recaps.map(other =>
        other.lesson === lesson && other.audience === audience ? saved : other,
      ),
    }));
  };
  const storeDetail = (answer: RecapDetail) => {
    store(answer.recap);
    client.setQueryData(recapQuery(key).queryKey, answer);
  };
  const onError = (error: Error) => {
    if (error instanceof ApiError && error.body.code === 'stale')
      setTheirs(error.body.current as RecapAnswer);
  };
  const scope = { id: `recap ${section} ${lesson} ${audience}` };
  const save = useMutation({
    scope,
    mutationFn: ({ from, to }: { from: string; to: string }) =>
      call('recap.command', { params: key, body: { command: edit(from, to) } }),
    onSuccess: storeDetail,
    onError,
  });
  const undo = useMutation({
    scope,
    mutationFn: (of: string) =>
      call('recap.command', { params: key, body: { command: { kind: 'undo', of } } }),
    onSuccess: answer => {
      storeDetail(answer);
      setText(answer.recap.markdown);
    },
    onError,
  });
  const publish = useMutation({
    mutationFn: () => call('recap.publish', { params: key, body: { seen: base.version } }),
    onSuccess: answer => store(answer.recap),
    onError,
  });
  const revoke = useMutation({
    mutationFn: () => call('recap.revoke', { params: key }),
    onSuccess: () => {
      publish.reset();
      return refresh.reload();
    },
  });
  const isSaving = save.isPending;
  useEffect(() => {
    if (!isDirty || theirs || isSaving) return;
    const timer = setTimeout(() => save.mutate({ from: base.markdown, to: text }), PAUSE_MS);
    return () => clearTimeout(timer);
  }, [text, base, isDirty, theirs, isSaving, save.mutate]);
  return {
    text,
    write: setText,
    state: isSaving ? 'saving' : isDirty ? 'not saved' : 'saved',
    error: theirs ? null : (save.error ?? undo.error ?? publish.error ?? revoke.error),
    theirs,
    choose: whose => {
      if (!theirs) return;
      if (whose === 'theirs') setText(theirs.markdown);
      if (whose === 'both') setText(mergeTexts(base.markdown, text, theirs.markdown));
      store(theirs);
      setTheirs(undefined);
    },
    history: detail.data?.history ?? [],
    takeBack: ({ id }) => undo.mutate(id),
    publish: () => publish.mutate(),
    revoke: () => revoke.mutate(),
    published: publish.data,
    isBusy: publish.isPending || isSaving || isDirty,
  };
}

function edit(from: string, to: string) {
  return { kind: 'edit' as const, what: 'Text of the recap', changes: [{ field: 'markdown', from, to }] };
}
