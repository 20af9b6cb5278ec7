// Whoever works with keys goes on where they were: when what has the focus goes away with what it did (a row taken away,
// a button that another takes the place of, one that has nothing to do any more), the focus goes to what came in its place,
// else to what followed it, else to what stood before it, all as near as can be.

const FOCUSABLE =
  ':is(button, input, select, textarea):not([disabled], [tabindex="-1"]), a[href], summary, [tabindex="0"], [contenteditable=true]';

interface Place {
  readonly element: Element;
  /** From its parent up to the page's main part. */
  readonly around: readonly Element[];
  /** All that could have the focus there. */
  readonly all: readonly Element[];
}

/** What is still nowhere so long after somebody did something is put somewhere. */
const SETTLED_MS = 800;

/** Keeps the focus within the main part of this page until the returned function is called. */
export function keepFocus(root: HTMLElement): () => void {
  let last: Place | undefined;
  let frame = 0;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const remember = ({ target }: Event) => {
    const main = target instanceof Element && target.closest('main');
    last = main ? { element: target, around: ancestorsOf(target, main), all: focusablesIn(main) } : undefined;
  };
  const look = (isSettled: boolean) => {
    if (!last || !isLost(last)) return;
    const isPageGone = !last.around.at(-1)?.isConnected;
    if (!candidatesOf(last).some(takesFocus) && (isSettled || isPageGone)) startOf(root)?.focus();
  };
  // What takes the focus by itself does so before the page is drawn.
  const observer = new MutationObserver(() => {
    if (!last || frame !== 0 || !isLost(last)) return;
    frame = requestAnimationFrame(() => {
      frame = 0;
      look(false);
    });
  });
  // What is hidden or taken away later than that.
  const settle = () => {
    clearTimeout(timer);
    timer = setTimeout(() => look(true), SETTLED_MS);
  };
  root.addEventListener('focusin', remember);
  for (const done of ACTIONS) root.addEventListener(done, settle, true);
  observer.observe(root, { childList: true, subtree: true, attributes: true, attributeFilter: ['disabled'] });
  return () => {
    root.removeEventListener('focusin', remember);
    for (const done of ACTIONS) root.removeEventListener(done, settle, true);
    observer.disconnect();
    cancelAnimationFrame(frame);
    clearTimeout(timer);
  };
}

const ACTIONS = ['keydown', 'click'] as const;

/** A browser does not say beforehand whether it will. */
function takesFocus(candidate: Element): boolean {
  if (candidate instanceof HTMLElement) candidate.focus();
  return document.activeElement === candidate;
}

function ancestorsOf(element: Element, main: Element): readonly Element[] {
  const around: Element[] = element === main ? [main] : [];
  for (
    let at = element === main ? null : element.parentElement;
    at;
    at = at === main ? null : at.parentElement
  )
    around.push(at);
  return around;
}

function focusablesIn(within: Element): readonly Element[] {
  return [...within.querySelectorAll(FOCUSABLE)];
}

function isLost({ element }: Place): boolean {
  const { activeElement } = document;
  // A browser leaves it a moment on what can have it no more.
  if (activeElement !== document.body && activeElement !== element) return false;
  if (!element.isConnected || element.matches(':disabled')) return true;
  return activeElement === document.body && !isShown(element);
}

function isShown(element: Element): boolean {
  return element.checkVisibility?.() ?? true;
}

/** What could have it next, the nearest first: what is new, then what followed, then what stood before. */
function candidatesOf({ element, around, all }: Place): readonly Element[] {
  const index = Math.max(0, all.indexOf(element));
  const known = new Set(all);
  return around.flatMap(within => {
    if (!within.isConnected) return [];
    const now = focusablesIn(within).filter(one => isShown(one) && !one.matches(':disabled'));
    const isThere = new Set(now);
    return [
      ...now.filter(one => !known.has(one)),
      ...all.slice(index + 1).filter(one => isThere.has(one)),
      ...all
        .slice(0, index)
        .reverse()
        .filter(one => isThere.has(one)),
    ];
  });
}

/** The main part of a page that took the place of another. */
function startOf(root: HTMLElement): HTMLElement | undefined {
  const main = root.querySelector('main');
  main?.setAttribute('tabindex', '-1');
  return main ?? undefined;
}
