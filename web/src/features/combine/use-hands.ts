import type { Combination } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { findUndo } from '../../api/find-undo.ts';
import { useCommands } from '../../api/use-commands.ts';
import { useCourse } from '../course/course-context.ts';
import { combinationAggregate } from './combination-queries.ts';

/** What is danced: where it begins, the figures, how it ends. */
export type Danced = Pick<Combination, 'start' | 'steps' | 'end'>;
export type Steps = Combination['steps'];

/** Hands on a sequence, saved or not. */
export interface Hands {
  readonly danced: Danced;
  readonly mayWrite: boolean;
  /** `what` says so in the history. */
  edit(what: string, change: (steps: Steps) => Steps): void;
  readonly undo: (() => void) | undefined;
  readonly redo: (() => void) | undefined;
}

interface Writing {
  readonly of: Danced;
  readonly now: Steps;
  readonly past: readonly Steps[];
  readonly future: readonly Steps[];
}

/** Hands on a sequence that was found and is not kept: changed here alone, until another is looked at. */
export function useFoundHands(found: Danced | undefined): Hands | undefined {
  const [writing, setWriting] = useState<Writing>();
  if (!found) return undefined;
  const now: Writing =
    writing?.of === found ? writing : { of: found, now: found.steps, past: [], future: [] };
  const { past, future } = now;
  const step = (from: readonly Steps[], into: 'past' | 'future') => {
    const [next, ...rest] = from;
    if (!next) return undefined;
    const other =
      into === 'past'
        ? { past: [now.now, ...past], future: rest }
        : { future: [now.now, ...future], past: rest };
    return () => setWriting({ of: found, now: next, ...other });
  };
  return {
    danced: { ...found, steps: now.now },
    mayWrite: true,
    edit: (_, change) =>
      setWriting({ of: found, now: change(now.now), past: [now.now, ...past], future: [] }),
    undo: step(past, 'future'),
    redo: step(future, 'past'),
  };
}

/** Hands on a combination that is kept: each change is saved, stands in its history and can be taken back. */
export function useKeptHands(id: string | undefined) {
  const { me } = useCourse();
  const document = useMemo(() => combinationAggregate(id ?? ''), [id]);
  const { data, error } = useQuery({
    queryKey: document.key,
    queryFn: document.read,
    enabled: id !== undefined,
  });
  const commands = useCommands(document, me.id);
  const mayWrite = me.role === 'director' || me.role === 'teacher';
  const past = data && findUndo(data.history, me.id);
  const hands: Hands | undefined = data && {
    danced: data.body,
    mayWrite,
    edit: (what, change) => commands.edit(what, body => ({ ...body, steps: change(body.steps) })),
    undo: mayWrite && past?.undo ? commands.undo : undefined,
    redo: mayWrite && past?.redo ? commands.redo : undefined,
  };
  return { hands, data, error, commands, key: document.key, mayWrite };
}
