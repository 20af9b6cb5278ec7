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

/** Keeps the focus within the main part of this page until the returned function is called. */
export function keepFocus(root: HTMLElement): () => void {
  let last: Place | undefined;
  let frame = 0;
  const remember = ({ target }: Event) => {
    const main = target instanceof Element && target.closest('main');
    last = main ? { element: target, around: ancestorsOf(target, main), all: focusablesIn(main) } : undefined;
  };
  const look = () => {
    frame = 0;
    if (!last || !isLost(last)) return;
    const next = nextOf(last) ?? (last.around.at(-1)?.isConnected ? undefined : startOf(root));
    next?.focus();
  };
  // What takes the focus by itself does so before the page is drawn.
  const observer = new MutationObserver(() => {
    if (last && frame === 0 && isLost(last)) frame = requestAnimationFrame(look);
  });
  root.addEventListener('focusin', remember);
  observer.observe(root, { childList: true, subtree: true, attributes: true, attributeFilter: ['disabled'] });
  return () => {
    root.removeEventListener('focusin', remember);
    observer.disconnect();
    cancelAnimationFrame(frame);
  };
}

function ancestorsOf(element: Element, main: Element): readonly Element[] {
  const around: Element[] = [];
  for (let at = element.parentElement; at; at = at === main ? null : at.parentElement) around.push(at);
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

function nextOf({ element, around, all }: Place): HTMLElement | undefined {
  const index = all.indexOf(element);
  const known = new Set(all);
  for (const within of around) {
    if (!within.isConnected) continue;
    const now = focusablesIn(within).filter(one => isShown(one) && !one.matches(':disabled'));
    const isThere = new Set(now);
    const next =
      now.find(one => !known.has(one)) ??
      all.slice(index + 1).find(one => isThere.has(one)) ??
      all.slice(0, Math.max(0, index)).findLast(one => isThere.has(one));
    if (next instanceof HTMLElement) return next;
  }
  return undefined;
}

/** The main part of a page that took the place of another. */
function startOf(root: HTMLElement): HTMLElement | undefined {
  const main = root.querySelector('main');
  main?.setAttribute('tabindex', '-1');
  return main ?? undefined;
}
