import { type ReactNode, useSyncExternalStore } from 'react';

let isPrinted = false;

/** What is only on paper is not drawn before it is printed. */
export function OnPaper({ children }: { children: ReactNode }) {
  return useSyncExternalStore(followPrinting, () => isPrinted) ? children : null;
}

/** A browser tells before it prints; one that shows a page as on paper tells of the medium only. */
function followPrinting(listener: () => void): () => void {
  const over = new AbortController();
  const { signal } = over;
  const paper = window.matchMedia('print');
  const set = (is: boolean) => () => {
    isPrinted = is;
    listener();
  };
  isPrinted = paper.matches;
  window.addEventListener('beforeprint', set(true), { signal });
  window.addEventListener('afterprint', set(false), { signal });
  paper.addEventListener('change', ({ matches }) => set(matches)(), { signal });
  return () => over.abort();
}
