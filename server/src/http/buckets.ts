// How much each of many may do: a bucket that fills by itself, for each whom it is asked about.

export interface Buckets {
  /** Takes so much of somebody's share; false when too little is left. */
  take(who: string, cost?: number): boolean;
}

/** Somebody who has done nothing for so long has a full bucket: it need not be kept. */
const MOST_KEPT = 20_000;

/** `perSecond` comes back all the time, `burst` is there after a quiet while. Kept by each server for itself. */
export function openBuckets(
  { perSecond, burst }: { readonly perSecond: number; readonly burst: number },
  now = () => performance.now(),
): Buckets {
  const buckets = new Map<string, { left: number; filled: number }>();
  return {
    take(who, cost = 1) {
      const at = now();
      const { left: before, filled } = buckets.get(who) ?? { left: burst, filled: at };
      const left = Math.min(burst, before + ((at - filled) / 1000) * perSecond);
      const isEnough = left >= cost;
      // Whoever asked last stands last, so that the quietest are forgotten first.
      buckets.delete(who);
      buckets.set(who, { left: isEnough ? left - cost : left, filled: at });
      if (buckets.size > MOST_KEPT) buckets.delete(buckets.keys().next().value ?? who);
      return isEnough;
    },
  };
}
