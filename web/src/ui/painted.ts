/** A page that nobody looks at is not painted, and one that is busy does not rest: they are waited for only so long. */
const LONGEST_MILLISECONDS = { painted: 100, rested: 300 };

/**
 * Settles when the next picture of the page is out, so that what is done behind it does not hold it up; at once when the
 * page goes.
 */
export function painted(): Promise<void> {
  return settled(LONGEST_MILLISECONDS.painted, settle => {
    requestAnimationFrame(() => setTimeout(settle));
  });
}

/** Settles when the page has drawn all that it had to draw; at once when it goes. */
export function rested(): Promise<void> {
  return settled(LONGEST_MILLISECONDS.rested, settle => {
    // A browser that does not tell when it rests is given that time.
    window.requestIdleCallback?.(settle);
  });
}

function settled(longest: number, wait: (settle: () => void) => void): Promise<void> {
  return new Promise(resolve => {
    const over = new AbortController();
    const settle = () => {
      over.abort();
      resolve();
    };
    setTimeout(settle, longest);
    wait(settle);
    window.addEventListener('pagehide', settle, { signal: over.signal });
  });
}
