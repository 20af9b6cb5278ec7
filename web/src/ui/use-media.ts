import { useCallback, useSyncExternalStore } from 'react';

/** Whether a media query holds, followed as it changes. */
export function useMedia(query: string): boolean {
  const follow = useCallback(
    (listener: () => void) => {
      const media = window.matchMedia(query);
      media.addEventListener('change', listener);
      return () => media.removeEventListener('change', listener);
    },
    [query],
  );
  return useSyncExternalStore(follow, () => window.matchMedia(query).matches);
}
