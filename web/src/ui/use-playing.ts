import { useEffect, useState } from 'react';

/** Milliseconds until the next step is shown: slow enough to be walked along. */
const A_STEP = 600;

/** Shows a path step by step when it is asked to, and all of it before and after. */
export function usePlaying(last: number) {
  const [upTo, show] = useState<number>();
  useEffect(() => {
    if (upTo === undefined) return undefined;
    const timer = setTimeout(() => show(upTo < last ? upTo + 1 : undefined), A_STEP);
    return () => clearTimeout(timer);
  }, [upTo, last]);
  return { upTo, play: () => show(0) };
}
