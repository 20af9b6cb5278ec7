import { useEffect, useState } from 'react';

const SECOND = 1000;

/** The instant in milliseconds, anew each second while something runs. */
export function useNow(isRunning: boolean): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (!isRunning) return;
    const tick = () => setNow(Date.now());
    tick();
    const timer = setInterval(tick, SECOND);
    return () => clearInterval(timer);
  }, [isRunning]);
  return now;
}
