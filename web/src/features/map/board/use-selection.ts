import { useState } from 'react';

export interface Selection {
  /** The newest last: it is the one that is told about. */
  readonly ids: readonly string[];
  readonly last: string | undefined;
  /** Chooses one alone, or with `adds` beside the others; choosing one of several again lets it go. */
  choose(id: string | undefined, adds?: boolean): void;
}

/** The figures that are chosen on the map; they move together. */
export function useSelection(): Selection {
  const [ids, setIds] = useState<readonly string[]>([]);
  const choose = (id: string | undefined, adds = false) =>
    setIds(before => {
      if (id === undefined) return [];
      if (!adds) return [id];
      return before.includes(id) ? before.filter(other => other !== id) : [...before, id];
    });
  return { ids, last: ids.at(-1), choose };
}
