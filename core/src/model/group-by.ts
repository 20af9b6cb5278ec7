/** Entries under what they have in common, both in the order in which they come. */
export function groupBy<Key, Entry>(
  entries: readonly Entry[],
  keyOf: (entry: Entry) => Key,
): ReadonlyMap<Key, readonly Entry[]> {
  const groups = new Map<Key, Entry[]>();
  for (const entry of entries) {
    const key = keyOf(entry);
    const group = groups.get(key);
    if (group) group.push(entry);
    else groups.set(key, [entry]);
  }
  return groups;
}
