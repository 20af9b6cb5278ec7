// Where the code knows that something is there, but its types cannot: a place that is empty is a broken contract.

/** What stands at a place of a list, from 0. Throws a RangeError where there is nothing. */
export function entryAt<Value>(list: ArrayLike<Value>, index: number): Value {
  const value = list[index];
  if (value === undefined) throw new RangeError(`nothing stands at ${index} of ${list.length}`);
  return value;
}

/**
 * The same of numbers, for loops that run a million times: an engine makes one piece of code fast for a few kinds of lists,
 * not for every kind there is.
 */
export function numberAt(list: ArrayLike<number>, index: number): number {
  const value = list[index];
  if (value === undefined) throw new RangeError(`nothing stands at ${index} of ${list.length}`);
  return value;
}

/** What a table holds under a word from outside; undefined for words that every object knows, such as `constructor`. */
export function ownEntry<Value>(
  table: Readonly<Record<string, Value>> | undefined,
  word: string,
): Value | undefined {
  return table && Object.hasOwn(table, word) ? table[word] : undefined;
}

/** What a map holds under a key. Throws a RangeError where it holds nothing. */
export function entryOf<Key, Value>(map: ReadonlyMap<Key, Value>, key: Key): Value {
  const value = map.get(key);
  if (value === undefined) throw new RangeError(`nothing is kept under ${String(key)}`);
  return value;
}
