import { useRef } from 'react';

/** True when all entries of two objects of one kind are the same. */
export function hasSameEntries<Kind extends object>(before: Kind, after: Kind): boolean {
  const keys = Object.keys(after) as (keyof Kind)[];
  return keys.every(key => before[key] === after[key]);
}

/** The object of the last drawing for as long as all its entries are the same, so that what hangs on it rests. */
export function useSame<Kind extends object>(next: Kind): Kind {
  const last = useRef(next);
  if (!hasSameEntries(last.current, next)) last.current = next;
  return last.current;
}
