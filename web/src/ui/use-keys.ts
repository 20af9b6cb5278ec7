import { useEffect, useRef } from 'react';

/** Keys of a page, by `event.key`; `Ctrl+z` and `Ctrl+Shift+Z` with modifiers. Not while typing. */
export type KeyMap = Readonly<Record<string, () => void>>;

export function useKeys(keys: KeyMap): void {
  const latest = useRef(keys);
  latest.current = keys;
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.defaultPrevented || isTyping(event.target)) return;
      const modifiers = `${event.ctrlKey || event.metaKey ? 'Ctrl+' : ''}${event.shiftKey && event.ctrlKey ? 'Shift+' : ''}`;
      const action = event.altKey ? undefined : latest.current[`${modifiers}${event.key}`];
      if (!action) return;
      event.preventDefault();
      action();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))
  );
}
