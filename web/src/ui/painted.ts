/** A page that nobody looks at is not painted: then it is waited for only so long. */
const LONGEST_MILLISECONDS = 100;

/**
 * Settles when the next picture of the page is out, so that what is done behind it does not hold it up; at once when the
 * page goes.
 */
export function painted(): Promise<void> {
  return new Promise(resolve => {
    const over = new AbortController();
    const settle = () => {
      over.abort();
      resolve();
    };
    setTimeout(settle, LONGEST_MILLISECONDS);
    requestAnimationFrame(() => setTimeout(settle));
    window.addEventListener('pagehide', settle, { signal: over.signal });
  });
}
