import type { HistoryEntry } from '@map-step/contract';

/** What Ctrl Z and Ctrl Shift Z would take back: the newest of a person's own changes that still stand. */
export function findUndo(
  history: readonly HistoryEntry[],
  person: string,
): { undo: HistoryEntry | undefined; redo: HistoryEntry | undefined } {
  const own = history.filter(
    ({ by, kind }) => by === person && !['publish', 'keep', 'create'].includes(kind),
  );
  const byId = new Map(history.map(entry => [entry.id, entry]));
  const standing = own.filter(({ undone }) => !undone);
  const undo = standing.find(entry => depth(entry, byId) % 2 === 0);
  const newestChange = own.find(entry => depth(entry, byId) === 0);
  const redo = standing.find(entry => depth(entry, byId) % 2 === 1);
  const isCurrent = redo && newestChange && Number(redo.id) > Number(newestChange.id);
  return { undo, redo: isCurrent ? redo : undefined };
}

/** 0 for a change, 1 for its undo, 2 for the redo of that undo … */
function depth(entry: HistoryEntry, byId: ReadonlyMap<string, HistoryEntry>): number {
  const before = entry.undoes === null ? undefined : byId.get(entry.undoes);
  return before ? depth(before, byId) + 1 : entry.undoes === null ? 0 : 1;
}
