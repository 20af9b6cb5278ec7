import { useMemo, useRef } from 'react';

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

type Actions = Readonly<Record<string, (...given: never[]) => unknown>>;

/** Functions that stay the same from drawing to drawing, and do what the last drawing would have done. */
export function useSameActions<Kind extends Actions>(latest: Kind): Kind {
  const last = useRef(latest);
  last.current = latest;
  return useMemo(() => {
    const names = Object.keys(last.current);
    return Object.fromEntries(
      names.map(name => [name, (...given: never[]) => last.current[name]?.(...given)]),
    ) as Kind;
  }, []);
}
