import type { PublishAnswer, RecapAnswer } from '@map-step/contract';
import type { Audience } from '@map-step/core';
import { useMutation } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { ApiError, call } from '../../api/client.ts';
import { useSectionRefresh } from '../course/course-queries.ts';

const PAUSE_MS = 700;

export interface RecapEditor {
  readonly text: string;
  write(text: string): void;
  readonly state: 'saved' | 'saving' | 'not saved';
  readonly error: Error | null;
  /** What stands on the server when somebody else saved first. */
  readonly theirs: RecapAnswer | undefined;
  keepMine(): void;
  takeTheirs(): void;
  publish(): void;
  revoke(): void;
  readonly published: PublishAnswer | undefined;
  readonly isBusy: boolean;
}

/** The text of a recap: saved by itself after a pause, never over a version that was not seen. */
export function useRecap(recap: RecapAnswer): RecapEditor {
  const { section, lesson, audience } = recap;
  const params = { section, lesson, audience };
  const refresh = useSectionRefresh(section);
  const [text, setText] = useState(recap.markdown);
  const [theirs, setTheirs] = useState<RecapAnswer>();
  const [base, setBase] = useState(recap);
  const seen = useRef(recap.version);
  const isDirty = text !== base.markdown;
  const take = (stored: RecapAnswer) => {
    seen.current = stored.version;
    setBase(stored);
  };
  // Somebody else's newer text comes in by itself as long as nothing of one's own would be lost.
  if (recap.version > base.version && !isDirty) {
    take(recap);
    setText(recap.markdown);
  }
  const store = (saved: RecapAnswer) => {
    take(saved);
    return refresh.change(answer => ({
      ...answer,
      recaps: answer.recaps.map(other => (isSame(other, lesson, audience) ? { ...other, ...saved } : other)),
    }));
  };
  const onError = (error: Error) => {
    if (error instanceof ApiError && error.body.code === 'stale')
      setTheirs(error.body.current as RecapAnswer);
  };
  const save = useMutation({
    scope: { id: `recap ${section} ${lesson} ${audience}` },
    mutationFn: (markdown: string) =>
      call<RecapAnswer>('recap.save', { params, body: { seen: seen.current, markdown } }),
    onSuccess: store,
    onError,
  });
  const publish = useMutation({
    mutationFn: () => call<PublishAnswer>('recap.publish', { params, body: { seen: seen.current } }),
    onSuccess: answer => store(answer.recap),
    onError,
  });
  const revoke = useMutation({
    mutationFn: () => call('recap.revoke', { params }),
    onSuccess: () => {
      publish.reset();
      return refresh.reload();
    },
  });
  useEffect(() => {
    if (!isDirty || theirs) return;
    const timer = setTimeout(() => save.mutate(text), PAUSE_MS);
    return () => clearTimeout(timer);
  }, [text, isDirty, theirs, save.mutate]);
  return {
    text,
    write: setText,
    state: save.isPending ? 'saving' : isDirty ? 'not saved' : 'saved',
    error: theirs ? null : (save.error ?? publish.error ?? revoke.error),
    theirs,
    keepMine: () => {
      seen.current = theirs?.version ?? seen.current;
      setTheirs(undefined);
      save.mutate(text);
    },
    takeTheirs: () => {
      if (!theirs) return;
      setText(theirs.markdown);
      void store(theirs);
      setTheirs(undefined);
    },
    publish: () => publish.mutate(),
    revoke: () => revoke.mutate(),
    published: publish.data,
    isBusy: publish.isPending || save.isPending || isDirty,
  };
}

function isSame(recap: RecapAnswer, lesson: number, audience: Audience): boolean {
  return recap.lesson === lesson && recap.audience === audience;
}
