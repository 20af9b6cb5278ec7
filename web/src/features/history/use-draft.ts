import type { HistoryEntry, SignedInPerson } from '@map-step/contract';
import { type Clash, changesBetween, type Json, readField } from '@map-step/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useEffectEvent } from 'react';
import { ApiError } from '../../api/client.ts';
import { type Aggregate, chosenOf, isSaving } from '../../api/commands.ts';
import { findUndo } from '../../api/find-undo.ts';
import { ownerOf } from '../../api/outbox.ts';
import { useCommands, useIsSaving, useRefusal } from '../../api/use-commands.ts';
import type { Draft } from './draft.ts';
import { type DraftStore, useDraftFault, useDrafts } from './draft-store.ts';

/** `kept`: it has not been sent, as it cannot stand yet or is still being written. */
export type SaveState = 'saved' | 'saving' | 'kept' | 'refused';

interface DraftOptions<Answer, Body extends object> {
  readonly aggregate: Aggregate<Answer, Body>;
  readonly store: DraftStore<Body>;
  /** Of the thing, among those of the store. */
  readonly id: string;
  readonly me: SignedInPerson;
  /** What the page knows of it before it is read. */
  readonly known: Body | undefined;
  /** False for what cannot be saved as it is. */
  isSound(body: Body): boolean;
  /** Makes a new one on the server. */
  create?(body: Body): Promise<Answer>;
  /** How long a hand rests before it is saved; at once without. */
  readonly pauseMs?: number;
  /** True: each change can be taken back by itself before it is saved. */
  readonly keepsStates?: boolean;
}

export interface Drafting<Body> {
  /** As it is under one's hands; undefined where there is none. */
  readonly body: Body | undefined;
  readonly isNew: boolean;
  readonly state: SaveState;
  readonly error: Error | undefined;
  readonly clashes: readonly Clash[];
  /** The change by somebody else that clashes. */
  readonly first: HistoryEntry | undefined;
  readonly history: readonly HistoryEntry[];
  /**
   * Makes of what is under one's hands what is wanted. `seen`: what a form was opened over; a field that it changed and
   * somebody else has changed since is theirs until it is decided.
   */
  change(what: string, make: (body: Body) => Body, seen?: Body): void;
  settle(values: Readonly<Record<string, Json>>): void;
  takeBack(entry: HistoryEntry): void;
  readonly undo: (() => void) | undefined;
  readonly redo: (() => void) | undefined;
  /** Forgets what was not saved. */
  readonly discard: (() => void) | undefined;
}

/** Something under one's hands: kept in this browser with each change, and saved by itself as soon as it can stand. */
export function useDraft<Answer, Body extends object>(options: DraftOptions<Answer, Body>): Drafting<Body> {
  const { aggregate, store, id, me, known, keepsStates = false } = options;
  const owner = ownerOf(me);
  const draft = useDrafts(store, owner)[id];
  const fault = useDraftFault(store);
  const isNew = draft?.base === null;
  const stored = useQuery({ queryKey: aggregate.key, queryFn: aggregate.read, enabled: !isNew });
  const isGone = stored.error instanceof ApiError && stored.error.body.code === 'not-found';
  const answer = isGone ? undefined : stored.data;
  const stands = answer === undefined ? (isGone ? undefined : known) : aggregate.bodyOf(answer);
  const commands = useCommands(aggregate, me.id);
  const refusal = useRefusal(aggregate.key);
  const saving = useSaving(options, owner, draft);

  const now = (seen?: Body): Draft<Body> | undefined => {
    const kept = store.read(owner)[id];
    if (kept) return kept;
    const body = seen ?? commands.now() ?? stands;
    return body && { base: body, now: body, what: '', past: [], future: [] };
  };
  const keep = (next: Draft<Body> | undefined) => store.keep(owner, id, next);
  const goBack = (from: 'past' | 'future', to: 'past' | 'future') => () => {
    const before = now();
    const body = before?.[from].at(-1);
    if (!before || !body) return;
    keep({ ...before, now: body, [from]: before[from].slice(0, -1), [to]: [...before[to], before.now] });
    commands.dismiss();
  };
  const body = draft?.now ?? stands;
  const history = answer === undefined ? [] : aggregate.historyOf(answer);
  const onServer = draft ? undefined : findUndo(history, me.id);
  const clashes = (refusal?.clashes ?? []).map(clash =>
    draft ? { ...clash, mine: readField(draft.now, clash.field) } : clash,
  );
  return {
    body,
    isNew,
    history,
    clashes,
    first: refusal?.first,
    error: clashes.length > 0 ? undefined : (refusal?.error ?? saving.error ?? (draft && fault) ?? undefined),
    state: saving.isSaving ? 'saving' : !draft ? 'saved' : (refusal ?? saving.error) ? 'refused' : 'kept',
    change: (what, make, seen) => {
      const before = now(seen);
      if (!before) return;
      const past = keepsStates ? [...before.past, before.now] : [];
      keep({ base: before.base, now: make(before.now), what, past, future: [] });
      if (clashes.length === 0) commands.dismiss();
    },
    settle: values => {
      const kept = store.read(owner)[id];
      keep(undefined);
      if (!kept?.base) {
        commands.settle(values);
        return;
      }
      commands.dismiss();
      const free = changesBetween(kept.base, kept.now).filter(({ field }) =>
        clashes.every(clash => clash.field !== field),
      );
      commands.change('Settled between two changes', [...free, ...chosenOf(clashes, values)]);
    },
    takeBack: commands.takeBack,
    undo: draft?.past.length ? goBack('past', 'future') : onServer?.undo && commands.undo,
    redo: draft?.future.length ? goBack('future', 'past') : onServer?.redo && commands.redo,
    discard: draft ? () => keep(undefined) : undefined,
  };
}

/** Saves a draft as soon as it can stand and the hand rests; also one that an earlier page had left. */
function useSaving<Answer, Body extends object>(
  { aggregate, store, id, me, isSound, create, pauseMs = 0 }: DraftOptions<Answer, Body>,
  owner: string,
  draft: Draft<Body> | undefined,
) {
  const client = useQueryClient();
  const commands = useCommands(aggregate, me.id);
  const refusal = useRefusal(aggregate.key);
  const isSending = useIsSaving(aggregate.key);
  /** What was written meanwhile is saved next, over what has been saved now. */
  const saved = useCallback(
    (sent: Body) => {
      const left = store.read(owner)[id];
      store.keep(owner, id, left && left.now !== sent ? { ...left, base: sent } : undefined);
    },
    [store, owner, id],
  );
  const creating = useMutation({
    mutationFn: async (body: Body) => create?.(body),
    onSuccess: (answer, sent) => {
      if (answer === undefined) return;
      client.setQueryData(aggregate.key, answer);
      saved(sent);
      aggregate.onSaved?.(client, answer);
    },
  });
  const isFree = draft !== undefined && !refusal && !creating.isError;
  const canStand = useEffectEvent(isSound);
  const { mutate, isPending } = creating;
  const save = useCallback(() => {
    const kept = store.read(owner)[id];
    if (!kept || isSaving(client, aggregate.key)) return;
    if (kept.base === null) {
      mutate(kept.now);
      return;
    }
    const changes = changesBetween(kept.base, kept.now);
    if (changes.length === 0) store.keep(owner, id, undefined);
    else commands.change(kept.what, changes, () => saved(kept.now));
  }, [store, owner, id, client, aggregate.key, commands, mutate, saved]);
  useEffect(() => {
    if (!isFree || isSending || isPending) return;
    const saveSound = () => canStand(draft.now) && save();
    const timer = setTimeout(saveSound, pauseMs);
    window.addEventListener('pagehide', saveSound);
    return () => {
      clearTimeout(timer);
      window.removeEventListener('pagehide', saveSound);
    };
  }, [isFree, isSending, isPending, save, pauseMs, draft]);
  // Who leaves before the pause is over has written it all the same.
  const leave = useEffectEvent(() => {
    if (isFree && isSound(draft.now)) save();
  });
  useEffect(() => () => leave(), []);
  return { isSaving: isSending || isPending, error: creating.error };
}
