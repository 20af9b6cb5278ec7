import { type RefObject, useEffect, useState } from 'react';

/** The width of an element in pixels, followed as it changes. */
export function useWidth(element: RefObject<HTMLElement | null>): number {
  const [width, setWidth] = useState(800);
  useEffect(() => {
    const { current } = element;
    if (!current) return;
    const observer = new ResizeObserver(([entry]) => entry && setWidth(entry.contentRect.width));
    observer.observe(current);
    return () => observer.disconnect();
  }, [element]);
  return width;
}
