import type { Figure } from '../steps/figure.ts';
import { canFollow } from '../steps/links.ts';

/** A figure in the walk through everything, and whether the one before leads into it. */
export interface SeriesStep {
  readonly figure: Figure;
  /** False where it begins anew: the figure before does not lead on to it by hold, foot and facing. */
  readonly follows: boolean;
}

/** Up to so many figures the fewest new beginnings are found exactly: 2ⁿ·n² steps. */
const MOST_EXACT = 17;

/**
 * Every figure once, in an order in which as many as possible lead into the next, beginning with a basic. Exact up to
 * seventeen figures by dynamic programming over their subsets (Held & Karp, J. SIAM 10, 1962); of more, always on with the
 * figure that has the fewest ways on (Warnsdorff's rule). Those without steps are left out.
 */
export function seriesOrder(figures: readonly Figure[]): readonly SeriesStep[] {
  const danced = figures.filter(({ parts }) => parts.length > 0);
  const leads = danced.map(from => danced.map(to => from !== to && canFollow(from, to)));
  const first = Math.max(
    0,
    danced.findIndex(({ pattern }) => pattern.kind === 'basic'),
  );
  const order = danced.length <= MOST_EXACT ? exactOrder(leads, first) : nearOrder(leads, first);
  return order.flatMap((index, at): SeriesStep[] => {
    const figure = danced[index];
    const before = order[at - 1];
    return figure ? [{ figure, follows: before === undefined || (leads[before]?.[index] ?? false) }] : [];
  });
}

type Leads = readonly (readonly boolean[])[];

/** The fewest breaks over all orders from `first`; ties to the figure that stands first. */
function exactOrder(leads: Leads, first: number): readonly number[] {
  const count = leads.length;
  if (count === 0) return [];
  const all = 2 ** count - 1;
  // The breaks that an order still has, by what is done and which is the last.
  const left = new Uint8Array((all + 1) * count).fill(255);
  for (let last = 0; last < count; last += 1) left[all * count + last] = 0;
  const breaks = (last: number, next: number) => (leads[last]?.[next] ? 0 : 1);
  for (let done = all - 1; done > 0; done -= 1)
    for (let last = 0; last < count; last += 1) {
      if ((done & (1 << last)) === 0) continue;
      let least = 255;
      for (let next = 0; next < count; next += 1)
        if ((done & (1 << next)) === 0)
          least = Math.min(least, breaks(last, next) + (left[(done | (1 << next)) * count + next] ?? 255));
      left[done * count + last] = least;
    }
  const order = [first];
  let done = 1 << first;
  while (order.length < count) {
    const last = order.at(-1) ?? first;
    const wanted = left[done * count + last] ?? 255;
    const next = leads.findIndex(
      (_, index) =>
        (done & (1 << index)) === 0 &&
        breaks(last, index) + (left[(done | (1 << index)) * count + index] ?? 255) === wanted,
    );
    order.push(next);
    done |= 1 << next;
  }
  return order;
}

function nearOrder(leads: Leads, first: number): readonly number[] {
  const open = new Set(leads.keys());
  const waysOn = (from: number) => [...open].filter(to => leads[from]?.[to]).length;
  const order: number[] = [];
  for (let at: number | undefined = first; at !== undefined; ) {
    order.push(at);
    open.delete(at);
    const from: number = at;
    const next: readonly number[] = [...open].filter(to => leads[from]?.[to]);
    const among: readonly number[] = next.length > 0 ? next : [...open];
    at = among.toSorted((a, b) => waysOn(a) - waysOn(b))[0];
  }
  return order;
}
