import type { CourseMove } from '@map-step/contract';
import type { Placed } from '@map-step/core';
import { useIsMutating, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ApiError } from '../../api/client.ts';
import { useSame, useSameActions } from '../../ui/same.ts';
import { courseQuery, useCourseCommand } from '../course/course-queries.ts';
import { placedOf, useCourseView } from '../course/course-view.ts';
import { findUndo } from '../history/find-undo.ts';

export interface Placing {
  /** Where the figures lie this moment, which the page may not have drawn yet. */
  now(): Placed;
  /** Moves figures to lessons, or out with null, as one change. */
  place(changes: readonly { pattern: string; to: number | null }[], why: string): void;
  undo: (() => void) | undefined;
  redo: (() => void) | undefined;
  publish(name: string, note: string): void;
  /** Keeps the plan by a name; the classes follow the published one on. */
  keep(name: string, note: string): void;
  readonly isSaving: boolean;
  readonly error: Error | null;
  /** What this person wanted when somebody else had changed the same figures before. */
  readonly clash: { readonly moves: readonly CourseMove[]; readonly why: string } | undefined;
  dismiss(): void;
}

/** Changes of the course's plan: shown at once, saved behind, one after another. */
export function usePlacing(): Placing {
  const { answer, me } = useCourseView();
  const { course, version } = answer;
  const client = useQueryClient();
  const command = useCourseCommand(course.id);
  const isSaving = useIsMutating({ mutationKey: ['course', course.id] }) > 0;
  const [clash, setClash] = useState<Placing['clash']>();
  const { undo, redo } = findUndo(answer.history, me.id);
  const key = courseQuery(course.id).queryKey;

  const now: Placing['now'] = () => placedOf({ placed: client.getQueryData(key)?.course.placed ?? [] });
  const place: Placing['place'] = (changes, why) => {
    const saved = now();
    const moves = changes
      .map(({ pattern, to }) => ({ pattern, from: saved[pattern] ?? null, to }))
      .filter(({ from, to }) => from !== to);
    if (moves.length === 0) return;
    // An answer still on its way knows nothing of this move.
    void client.cancelQueries({ queryKey: key, exact: true });
    client.setQueryData(key, before => {
      if (!before) return before;
      const touched = new Set(moves.map(({ pattern }) => pattern));
      const kept = (before.course.placed ?? []).filter(({ pattern }) => !touched.has(pattern));
      const added = moves.flatMap(({ pattern, to }) => (to === null ? [] : [{ pattern, lesson: to }]));
      return { ...before, course: { ...before.course, placed: [...kept, ...added] } };
    });
    command.mutate(
      { seen: version, command: { kind: 'place', why, moves } },
      {
        onError: error => {
          if (error instanceof ApiError && error.body.code === 'stale') setClash({ moves, why });
          else void client.invalidateQueries({ queryKey: key });
        },
      },
    );
  };
  const takeBack = (of: string | undefined) =>
    of !== undefined && command.mutate({ seen: version, command: { kind: 'undo', of } });
  const save = (kind: 'keep' | 'publish') => (name: string, note: string) =>
    command.mutate({ seen: version, command: { kind, name, note } });
  const dismiss = () => {
    setClash(undefined);
    command.reset();
  };
  const actions = useSameActions({
    ...{ now, place, dismiss, keep: save('keep'), publish: save('publish') },
    undo: () => takeBack(undo?.id),
    redo: () => takeBack(redo?.id),
  });
  return useSame({
    ...actions,
    undo: undo && !isSaving ? actions.undo : undefined,
    redo: redo && !isSaving ? actions.redo : undefined,
    isSaving,
    error: command.error,
    clash,
  });
}
