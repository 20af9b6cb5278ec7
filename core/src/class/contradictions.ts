import { groupBy } from '../model/group-by.ts';

/** An entry of an append-only log, in the order in which the server got them. */
export interface Witnessed {
  readonly id: string;
  readonly by: string;
  /** The newest entry on the same subject that its writer had seen. */
  readonly replaces?: string | undefined;
}

/** Entries on one subject that say different things, by people who had not seen each other's. */
export interface Contradiction<Entry> {
  readonly subject: string;
  /** The one that stands until somebody decides: the last that came. */
  readonly newest: Entry;
  /** What its writer had not seen. */
  readonly unseen: readonly Entry[];
}

/**
 * What is open to decide. An entry that names a later one as seen settles what came before it; nobody
 * contradicts themselves. One pass over the entries.
 */
export function findContradictions<Entry extends Witnessed>(
  entries: readonly Entry[],
  subjectOf: (entry: Entry) => string,
  saysOf: (entry: Entry) => unknown,
): readonly Contradiction<Entry>[] {
  return [...groupBy(entries, subjectOf)].flatMap(([subject, group]) => {
    const newest = group.at(-1);
    if (!newest) return [];
    const seen = group.findIndex(({ id }) => id === newest.replaces);
    const unseen = group
      .slice(seen + 1, -1)
      .filter(entry => entry.by !== newest.by && saysOf(entry) !== saysOf(newest));
    return unseen.length > 0 ? [{ subject, newest, unseen }] : [];
  });
}
