// How much each of many may do: a bucket that fills by itself, for each whom it is asked about.

export interface Buckets {
  /** Takes so much of somebody's share; false when too little is left. */
  take(who: string, cost?: number): boolean;
  /** Takes what something turned out to cost, of what is not there yet too. */
  charge(who: string, cost: number): void;
}

/** Somebody who has done nothing for so long has a full bucket: it need not be kept. */
const MOST_KEPT = 20_000;

/** `perSecond` comes back all the time, `burst` is there after a quiet while. Kept by each server for itself. */
export function openBuckets(
  { perSecond, burst }: { readonly perSecond: number; readonly burst: number },
  now = () => performance.now(),
): Buckets {
  const buckets = new Map<string, { readonly left: number; readonly filled: number }>();
  const leftOf = (who: string, at: number) => {
    const { left, filled } = buckets.get(who) ?? { left: burst, filled: at };
    return Math.min(burst, left + ((at - filled) / 1000) * perSecond);
  };
  const keep = (who: string, left: number, filled: number) => {
    // Whoever asked last stands last, so that the quietest are forgotten first.
    buckets.delete(who);
    buckets.set(who, { left, filled });
    if (buckets.size > MOST_KEPT) buckets.delete(buckets.keys().next().value ?? who);
  };
  return {
    take(who, cost = 1) {
      const at = now();
      const left = leftOf(who, at);
      const isEnough = left >= cost;
      keep(who, isEnough ? left - cost : left, at);
      return isEnough;
    },
    charge(who, cost) {
      const at = now();
      keep(who, leftOf(who, at) - cost, at);
    },
  };
}
