import type { DocumentCommand, HistoryEntry, Versioned } from '@map-step/contract';
import { type Clash, type FieldChange, type Json, readField } from '@map-step/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ApiError } from '../../api/client.ts';

interface DocumentCalls<Body> {
  read(): Promise<Versioned<Body>>;
  command(command: DocumentCommand): Promise<Versioned<Body>>;
  readonly key: readonly string[];
  /** False while there is nothing on the server to read. */
  readonly enabled?: boolean;
}

export interface EditedDocument<Body> {
  /** Undefined while it is not read yet, and once it is no longer there. */
  readonly answer: Versioned<Body> | undefined;
  readonly isGone: boolean;
  /** Sets fields, over what was seen in them; null takes a field away. */
  edit(what: string, seen: Body, values: Readonly<Record<string, Json>>, onSaved?: () => void): void;
  takeBack(entry: HistoryEntry): void;
  readonly clashes: readonly Clash[];
  /** What stands of each field in which two people differed; empty keeps all of theirs. */
  settle(values: Readonly<Record<string, Json>>): void;
  readonly isSaving: boolean;
  readonly error: Error | null;
}

/** Something that is changed by commands: a figure, a class. */
export function useDocument<Body>({
  read,
  command,
  key,
  enabled = true,
}: DocumentCalls<Body>): EditedDocument<Body> {
  const client = useQueryClient();
  const stored = useQuery({ queryKey: key, queryFn: read, enabled });
  const [clashes, setClashes] = useState<readonly Clash[]>([]);
  const send = useMutation({
    scope: { id: key.join(' ') },
    mutationFn: command,
    onSuccess: answer => client.setQueryData(key, answer),
    onError: error => {
      if (!(error instanceof ApiError) || error.body.code !== 'stale') return;
      client.setQueryData(key, error.body.current);
      setClashes(error.body.clashes ?? []);
    },
  });
  const change = (what: string, changes: readonly FieldChange[], onSaved?: () => void) => {
    if (changes.length > 0)
      send.mutate({ kind: 'edit', what, changes: [...changes] }, { onSuccess: () => onSaved?.() });
  };
  const isGone = stored.error instanceof ApiError && stored.error.body.code === 'not-found';
  return {
    answer: isGone ? undefined : stored.data,
    isGone,
    edit: (what, seen, values, onSaved) =>
      change(
        what,
        Object.entries(values).map(([field, to]) => ({ field, from: readField(seen, field), to })),
        onSaved,
      ),
    takeBack: ({ id }) => send.mutate({ kind: 'undo', of: id }),
    clashes,
    settle: values => {
      const changes = clashes.flatMap(({ field, theirs }) => {
        const to = values[field];
        return to === undefined ? [] : [{ field, from: theirs, to }];
      });
      setClashes([]);
      send.reset();
      change('Settled between two changes', changes);
    },
    isSaving: send.isPending,
    error: clashes.length > 0 ? null : (send.error ?? stored.error),
  };
}
