/** A page that nobody looks at is not painted: then it is waited for only so long. */
const LONGEST_MILLISECONDS = 100;

/** Settles when the next picture of the page is out, so that what is sent behind it does not hold it up. */
export function painted(): Promise<void> {
  return new Promise(resolve => {
    setTimeout(resolve, LONGEST_MILLISECONDS);
    requestAnimationFrame(() => setTimeout(resolve));
  });
}
