import type { HistoryEntry } from '@map-step/contract';
import {
  type Clash,
  createFigureChecker,
  type FigureIssue,
  type FigureReading,
  type Json,
  type Pattern,
  readFigure,
} from '@map-step/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { call } from '../../../api/client.ts';
import { ownerOf } from '../../../api/outbox.ts';
import { useCourseView } from '../../course/course-view.ts';
import { findUndo } from '../../history/find-undo.ts';
import { useDocument } from '../../history/use-document.ts';
import { type FigureDraft, keepDraft, useDrafts } from './draft-store.ts';

/** `kept`: it cannot stand yet and waits in this browser. */
export type SaveState = 'saved' | 'saving' | 'kept' | 'refused';

export interface FigureEditing {
  readonly pattern: Pattern;
  readonly reading: FigureReading;
  readonly issues: readonly FigureIssue[];
  readonly mayWrite: boolean;
  readonly isNew: boolean;
  readonly state: SaveState;
  readonly error: Error | null;
  readonly history: readonly HistoryEntry[];
  readonly clashes: readonly Clash[];
  settle(values: Readonly<Record<string, Json>>): void;
  takeBack(entry: HistoryEntry): void;
  /** Takes over a change; it is saved at once when the figure can be danced, else kept until it can. */
  change(what: string, next: Pattern): void;
  readonly undo: (() => void) | undefined;
  readonly redo: (() => void) | undefined;
  /** Forgets what was not saved. */
  readonly discard: (() => void) | undefined;
}

/** A figure under one's hands; undefined when there is none of this id. */
export function useFigureDraft(id: string): FigureEditing | undefined {
  const { library, me } = useCourseView();
  const owner = ownerOf(me);
  const draft = useDrafts(owner)[id];
  const key = useMemo(() => ['material', 'figure', id], [id]);
  const document = useDocument<Pattern>({
    read: () => call('figure.read', { params: { figure: id } }),
    command: command => call('figure.command', { params: { figure: id }, body: { command } }),
    key,
    enabled: draft?.base !== null,
  });
  const client = useQueryClient();
  const create = useMutation({
    mutationFn: (figure: Pattern) => call('figure.create', { body: { figure } }),
    onSuccess: answer => {
      client.setQueryData(key, answer);
      keepDraft(owner, id, undefined);
      return client.invalidateQueries({ queryKey: ['material'] });
    },
  });
  const check = useMemo(() => createFigureChecker(library), [library]);
  const stored = document.isGone ? undefined : (document.answer?.body ?? library.patterns.get(id));
  const pattern = draft?.now ?? stored;
  const dance = library.dances.get(pattern?.dance ?? '');
  const reading = useMemo(() => pattern && dance && readFigure(pattern, dance), [pattern, dance]);
  const issues = useMemo(() => (reading ? check(reading) : []), [check, reading]);
  if (!pattern || !dance || !reading) return undefined;

  const isSound = (figure: Pattern) => {
    const errors = check(readFigure(figure, dance)).filter(({ severity }) => severity === 'error');
    return errors.length === 0 && isWhole(figure);
  };
  const save = (what: string, next: FigureDraft) => {
    keepDraft(owner, id, next);
    if (!isSound(next.now)) return;
    if (next.base === null) create.mutate(next.now);
    else {
      const values = changedFields(next.base, next.now);
      if (Object.keys(values).length === 0) keepDraft(owner, id, undefined);
      else document.edit(what, next.base, values, () => keepDraft(owner, id, undefined));
    }
  };
  const now: FigureDraft = draft ?? { base: stored ?? null, now: pattern, past: [], future: [] };
  const step = (to: Pattern | undefined, past: readonly Pattern[], future: readonly Pattern[]) =>
    to && (() => save('Step sheet', { base: now.base, now: to, past, future }));
  const mayWrite = me.role === 'director' || me.role === 'teacher';
  const onServer = findUndo(document.answer?.history ?? [], me.id);
  const takeBack = (entry: HistoryEntry | undefined) =>
    entry && !draft ? () => document.takeBack(entry) : undefined;
  return {
    pattern,
    reading,
    issues,
    mayWrite,
    isNew: draft?.base === null,
    state: stateOf({
      isSaving: document.isSaving || create.isPending,
      error: document.error ?? create.error,
      draft,
    }),
    error: document.error ?? create.error,
    history: document.answer?.history ?? [],
    clashes: document.clashes,
    settle: values => {
      keepDraft(owner, id, undefined);
      document.settle(values);
    },
    takeBack: document.takeBack,
    change: (what, next) =>
      save(what, {
        base: now.base,
        now: next,
        past: draft ? [...draft.past, draft.now] : [pattern],
        future: [],
      }),
    undo: step(now.past.at(-1), now.past.slice(0, -1), [...now.future, now.now]) ?? takeBack(onServer.undo),
    redo: step(now.future.at(-1), [...now.past, now.now], now.future.slice(0, -1)) ?? takeBack(onServer.redo),
    discard: draft ? () => keepDraft(owner, id, undefined) : undefined,
  };
}

/** A figure that is danced has steps, a rhythm and holds; a drill or a quality may do without. */
function isWhole({ kind, rhythm, parts, entry, exit }: Pattern): boolean {
  if (kind === 'drill' || kind === 'quality') return true;
  const texts = Object.values(parts ?? {});
  const hasHolds = 'solo' in (parts ?? {}) || (entry !== undefined && exit !== undefined);
  return rhythm !== undefined && texts.length > 0 && texts.every(text => text !== '') && hasHolds;
}

function stateOf({
  isSaving,
  error,
  draft,
}: {
  isSaving: boolean;
  error: Error | null;
  draft: FigureDraft | undefined;
}) {
  if (isSaving) return 'saving';
  if (error && draft) return 'refused';
  return draft ? 'kept' : 'saved';
}

/** The fields in which two patterns differ; null takes one away. */
export function changedFields(before: Pattern, after: Pattern): Readonly<Record<string, Json>> {
  const [old, now] = [before, after] as unknown as readonly [Record<string, Json>, Record<string, Json>];
  const keys = new Set([...Object.keys(old), ...Object.keys(now)]);
  return Object.fromEntries(
    [...keys]
      .filter(key => JSON.stringify(old[key]) !== JSON.stringify(now[key]))
      .map(key => [key, now[key] ?? null]),
  );
}
