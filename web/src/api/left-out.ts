// Rows that the server could not read and left out of its answers: told by their names until the page is loaded again.
let leftOut: ReadonlySet<string> = new Set();
const listeners = new Set<() => void>();

/** Takes from an answer what it does without. */
export function hearLeftOut(response: Response): void {
  const told = response.headers.get('Map-Step-Left-Out');
  if (!told) return;
  const all = new Set([...leftOut, ...decodeURIComponent(told).split(' ')]);
  if (all.size === leftOut.size) return;
  leftOut = all;
  for (const listener of listeners) listener();
}

/** Such as `patterns/wrap`. */
export function whatIsLeftOut(): ReadonlySet<string> {
  return leftOut;
}

export function followLeftOut(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}
