import { useEffect } from 'react';

/** The screen stays awake while this is so, where the browser can; it is asked for again when the page comes back. */
export function useWakeLock(isWanted: boolean): void {
  useEffect(() => {
    if (!isWanted || !('wakeLock' in navigator)) return;
    let held: WakeLockSentinel | undefined;
    let isOver = false;
    const ask = async () => {
      if (document.visibilityState !== 'visible') return;
      // Refused where the battery is low: the page works without it.
      const lock = await navigator.wakeLock.request('screen').catch(() => undefined);
      if (isOver) await lock?.release();
      else held = lock;
    };
    void ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      isOver = true;
      document.removeEventListener('visibilitychange', ask);
      void held?.release();
    };
  }, [isWanted]);
}
