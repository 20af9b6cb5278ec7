import type { CourseCommand, CourseMove } from '@map-step/contract';
import { type Placed, placedInOrder } from '@map-step/core';
import { MutationObserver, useQueryClient } from '@tanstack/react-query';
import { useMemo, useRef, useState } from 'react';
import { ApiError } from '../../../api/client.ts';
import { useSame, useSameActions } from '../../../ui/same.ts';
import { courseCommand } from '../../course/course-commands.ts';
import { courseQuery } from '../../course/course-queries.ts';
import { placedOf, useCoursePast, useCourseView } from '../../course/course-view.ts';
import { courseSaved } from '../../course/read-again.ts';
import { findUndo } from '../../history/find-undo.ts';

export interface Placing {
  /** Where the figures lie this moment, which the page may not have drawn yet. */
  now(): Placed;
  /** Moves figures to lessons, or out with null, as one change. */
  place(changes: readonly { pattern: string; to: number | null }[], why: string): void;
  /** Takes back the newest change that stands, once what is on its way has been saved; pressed twice, two of them. */
  undo(): void;
  redo(): void;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  publish(name: string, note: string): void;
  /** Keeps the plan by a name; the classes follow the published one on. */
  keep(name: string, note: string): void;
  readonly error: Error | undefined;
  /** What this person wanted when somebody else had changed the same figures before. */
  readonly clash: { readonly moves: readonly CourseMove[]; readonly why: string } | undefined;
  dismiss(): void;
}

/** Changes of the course's plan: shown at once, saved behind, one after another. */
export function usePlacing(): Placing {
  const { answer, me } = useCourseView();
  const { course } = answer;
  const { version, history } = useCoursePast();
  const client = useQueryClient();
  // Nothing is drawn for how far a change has come: the map is large, and all that matters of it is its failure.
  const sender = useMemo(
    () => new MutationObserver(client, courseCommand(client, course.id)),
    [client, course.id],
  );
  const [failure, setFailure] = useState<Pick<Placing, 'error' | 'clash'>>();
  const { undo, redo } = findUndo(history, me.id);
  /** One undo after the other: which is the next is known when the last has been saved. */
  const turn = useRef(Promise.resolve());
  const key = courseQuery(course.id).queryKey;

  const send = (command: CourseCommand, clash?: Placing['clash']) => {
    // A clash stays until it is decided, whatever is moved meanwhile.
    setFailure(before => before?.clash && before);
    sender.mutate({ seen: version, command }).catch((error: Error) => {
      const isClash = clash && error instanceof ApiError && error.body.code === 'stale';
      setFailure(before => ({ error, clash: isClash ? clash : before?.clash }));
      if (!isClash) void client.invalidateQueries({ queryKey: key });
    });
  };
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
      return { ...before, course: placedInOrder({ ...before.course, placed: [...kept, ...added] }) };
    });
    send({ kind: 'place', why, moves }, { moves, why });
  };
  const takeBack = (which: 'undo' | 'redo') => {
    turn.current = turn.current.then(async () => {
      await courseSaved(client, course.id);
      const entry = findUndo(client.getQueryData(key)?.history ?? [], me.id)[which];
      if (entry) send({ kind: 'undo', of: entry.id });
    });
  };
  const actions = useSameActions({
    now,
    place,
    dismiss: () => setFailure(undefined),
    keep: (name: string, note: string) => send({ kind: 'keep', name, note }),
    publish: (name: string, note: string) => send({ kind: 'publish', name, note }),
    undo: () => takeBack('undo'),
    redo: () => takeBack('redo'),
  });
  return useSame({
    ...actions,
    canUndo: undo !== undefined,
    canRedo: redo !== undefined,
    error: failure?.error,
    clash: failure?.clash,
  });
}
