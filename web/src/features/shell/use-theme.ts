import { useSyncExternalStore } from 'react';

export type Theme = 'day' | 'dim';

const KEY = 'map-step-theme';
const listeners = new Set<() => void>();

function read(): Theme {
  return document.documentElement.classList.contains('dark') ? 'dim' : 'day';
}

function apply(theme: Theme): void {
  document.documentElement.classList.toggle('dark', theme === 'dim');
  document.documentElement.classList.toggle('light', theme === 'day');
}

/** Before the first paint: the theme chosen here last, else what the system prefers. */
export function applySavedTheme(): void {
  const saved = localStorage.getItem(KEY);
  const prefersDim = window.matchMedia('(prefers-color-scheme: dark)').matches;
  apply(saved === 'dim' || (saved === null && prefersDim) ? 'dim' : 'day');
}

/** Day or Dim, kept on this device. */
export function useTheme(): { theme: Theme; toggle: () => void } {
  const theme = useSyncExternalStore(listener => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, read);
  const toggle = () => {
    const next = theme === 'day' ? 'dim' : 'day';
    localStorage.setItem(KEY, next);
    apply(next);
    for (const listener of listeners) listener();
  };
  return { theme, toggle };
}
