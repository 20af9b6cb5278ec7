// The one way in which the page changes what people share: a course, a figure, a class, a recap. What is changed is
// shown at once and sent behind it, one command after another, each over what was seen; a clash waits to be decided.
import type { DocumentCommand, HistoryEntry } from '@map-step/contract';
import { applyChanges, type Clash, changesBetween, type FieldChange, type Json } from '@map-step/core';
import { hashKey, type MutationOptions, type QueryClient, type QueryKey } from '@tanstack/react-query';
import { ApiError } from './client.ts';
import { findUndo } from './find-undo.ts';

/** Something that people change by commands: how it is read and sent, and what of an answer is its body. */
export interface Aggregate<Answer, Body extends object, Own = never> {
  /** Under which the page keeps what stands. */
  readonly key: QueryKey;
  read(): Promise<Answer>;
  /** Goes on to its end though the page goes meanwhile. */
  send(command: DocumentCommand | Own, seen: number): Promise<Answer>;
  bodyOf(answer: Answer): Body;
  withBody(answer: Answer, body: Body): Answer;
  versionOf(answer: Answer): number;
  historyOf(answer: Answer): readonly HistoryEntry[];
  /** What else of the page follows from it. */
  onSaved?(client: QueryClient, answer: Answer): void;
}

/** A change that was not taken. */
export interface Refusal {
  readonly error: Error;
  /** The fields in which two people differ; none when it was refused for another reason. */
  readonly clashes: readonly Clash[];
  /** The change by somebody else that was first. */
  readonly first: HistoryEntry | undefined;
  /** What the same change wanted besides, in fields that nobody else has touched. */
  readonly free: readonly FieldChange[];
}

export interface Commands<Body extends object, Own = never> {
  /** What stands this moment, which the page may not have drawn yet. */
  now(): Body | undefined;
  /** Makes of what stands what is wanted; `what` says so in the history. Nothing is sent when all is so already. */
  edit(what: string, change: (body: Body) => Body, onSaved?: () => void): void;
  /** The same, field by field, over what was seen in each. */
  change(what: string, changes: readonly FieldChange[], onSaved?: () => void): void;
  send(command: Own): void;
  takeBack(entry: HistoryEntry): void;
  /** Takes back the newest change of one's own that stands, once what is on its way has been saved. */
  undo(): void;
  redo(): void;
  /** What stands of each field that clashes; those that are not named stay as the other person has them. */
  settle(values: Readonly<Record<string, Json>>): void;
  dismiss(): void;
}

const COMMAND = 'command';
const MOST_WORDS = 200;

export const refusalKey = (key: QueryKey): QueryKey => ['refusal', ...key];
export const commandKey = (key: QueryKey): QueryKey => [COMMAND, ...key];

/** Sends commands one after another, and keeps what stands and what was refused. */
function queueOf<Answer, Body extends object, Own>(
  client: QueryClient,
  aggregate: Aggregate<Answer, Body, Own>,
  by: string,
) {
  const { key, bodyOf, withBody } = aggregate;
  const mutationKey = commandKey(key);
  const stands = () => client.getQueryData<Answer>(key);
  const refusal = () => client.getQueryData<Refusal>(refusalKey(key));
  const setRefusal = (next: Refusal | null) => client.setQueryData(refusalKey(key), next);

  /** What is being read this moment may have been read before: it is asked for again once nothing is on its way. */
  const overtake = () => {
    const filters = { queryKey: key, exact: true };
    if (client.isFetching(filters) === 0) return;
    void client.cancelQueries(filters);
    void whenSaved(client, key).then(() => client.invalidateQueries(filters));
  };

  const saved = (answer: Answer) => {
    overtake();
    const isLast = client.isMutating({ mutationKey }) === 1;
    // What is still on its way is shown already: the answer knows nothing of it.
    client.setQueryData<Answer>(key, before =>
      before === undefined || isLast ? answer : withBody(answer, bodyOf(before)),
    );
    aggregate.onSaved?.(client, answer);
  };

  const refused = (error: Error, changes: readonly FieldChange[]) => {
    const body = error instanceof ApiError && error.body.code === 'stale' ? error.body : undefined;
    if (body?.current === undefined) void client.invalidateQueries({ queryKey: key, exact: true });
    else {
      overtake();
      client.setQueryData(key, body.current);
    }
    // A clash stays until it is decided, whatever is changed meanwhile.
    const before = refusal();
    const clashes = [...(before?.clashes ?? []), ...(body?.clashes ?? [])];
    const isFree = ({ field }: FieldChange) => clashes.every(clash => clash.field !== field);
    const own = (body?.clashes ?? []).length > 0 ? changes : [];
    const history = body?.current === undefined ? [] : aggregate.historyOf(body.current as Answer);
    const first = history.find(entry => entry.by !== by) ?? before?.first;
    setRefusal({ error, clashes, first, free: [...(before?.free ?? []), ...own].filter(isFree) });
  };

  const run = (
    make: () => DocumentCommand | Own | undefined,
    changes: readonly FieldChange[] = [],
    onSaved?: () => void,
  ) => {
    if (refusal()?.clashes.length === 0) setRefusal(null);
    const options: MutationOptions<Answer | undefined> = {
      mutationKey,
      scope: { id: hashKey(key) },
      mutationFn: async () => {
        const command = make();
        if (command === undefined) return undefined;
        const answer = stands();
        return aggregate.send(command, answer === undefined ? 1 : aggregate.versionOf(answer));
      },
      onSuccess: answer => {
        if (answer !== undefined) saved(answer);
      },
      onError: error => refused(error, changes),
    };
    const cache = client.getMutationCache();
    const sending = cache.build(client, client.defaultMutationOptions(options)).execute();
    // Why it was not taken is told by `refused`.
    sending.then(onSaved, () => undefined);
  };
  return { stands, refusal, setRefusal, run };
}

/** The commands of one person on one thing. They read what stands when they are called, not what was drawn. */
export function commandsOn<Answer, Body extends object, Own>(
  client: QueryClient,
  aggregate: Aggregate<Answer, Body, Own>,
  by: string,
): Commands<Body, Own> {
  const { key, bodyOf, withBody, historyOf } = aggregate;
  const { stands, refusal, setRefusal, run } = queueOf(client, aggregate, by);
  const now = () => {
    const answer = stands();
    return answer && bodyOf(answer);
  };
  const change: Commands<Body>['change'] = (what, changes, onSaved) => {
    if (changes.length === 0) return;
    // An answer still on its way knows nothing of this.
    void client.cancelQueries({ queryKey: key, exact: true });
    client.setQueryData<Answer>(key, before => {
      const applied = before === undefined ? undefined : applyChanges(bodyOf(before), changes);
      return before !== undefined && applied?.ok ? withBody(before, applied.value) : before;
    });
    const command = { kind: 'edit' as const, what: what.slice(0, MOST_WORDS), changes: [...changes] };
    run(() => command, changes, onSaved);
  };
  const reverse = (which: 'undo' | 'redo') => {
    run(() => {
      const answer = stands();
      const entry = answer && findUndo(historyOf(answer), by)[which];
      return entry && { kind: 'undo', of: entry.id };
    });
  };
  return {
    now,
    change,
    edit: (what, make, onSaved) => {
      const body = now();
      if (body !== undefined) change(what, changesBetween(body, make(body)), onSaved);
    },
    send: command => run(() => command),
    takeBack: ({ id }) => run(() => ({ kind: 'undo', of: id })),
    undo: () => reverse('undo'),
    redo: () => reverse('redo'),
    settle: values => {
      const { clashes = [], free = [] } = refusal() ?? {};
      setRefusal(null);
      change('Settled between two changes', [...free, ...chosenOf(clashes, values)]);
    },
    dismiss: () => setRefusal(null),
  };
}

/** What was chosen of each clash, over what the other person has. */
export function chosenOf(
  clashes: readonly Clash[],
  values: Readonly<Record<string, Json>>,
): readonly FieldChange[] {
  return clashes.flatMap(({ field, theirs }) => {
    const to = values[field];
    return to === undefined ? [] : [{ field, from: theirs, to }];
  });
}

/** True while a change is on its way. */
export function isSaving(client: QueryClient, key: QueryKey): boolean {
  return client.isMutating({ mutationKey: commandKey(key) }) > 0;
}

/** Settles as soon as nothing is on its way any more. */
export function whenSaved(client: QueryClient, key: QueryKey): Promise<void> {
  return new Promise(resolve => {
    const stop = client.getMutationCache().subscribe(() => look());
    const look = () => {
      if (isSaving(client, key)) return;
      stop();
      resolve();
    };
    look();
  });
}

/** Commands go one after another; when the page goes, those that still wait for their turn are sent all the same. */
export function sendWhatWaits(client: QueryClient): void {
  const waits = client.getMutationCache().findAll({
    mutationKey: [COMMAND],
    status: 'pending',
    predicate: ({ state }) => state.isPaused,
  });
  for (const { options } of waits)
    void options.mutationFn?.(undefined, { client, meta: undefined }).catch(() => undefined);
}
