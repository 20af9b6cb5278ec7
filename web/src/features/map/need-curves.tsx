import { chakra } from '@chakra-ui/react';
import { type RefObject, useEffect, useState } from 'react';
import { useCourseView } from '../course/course-view.ts';

interface Curve {
  readonly key: string;
  readonly path: string;
  readonly isBroken: boolean;
}

/** Curves from what the chosen figure needs, and to what needs it, drawn between their chips. */
export function NeedCurves({
  board,
  chosen,
}: {
  board: RefObject<HTMLDivElement | null>;
  chosen: string | undefined;
}) {
  const { library, draft } = useCourseView();
  const [curves, setCurves] = useState<readonly Curve[]>([]);
  useEffect(() => {
    const links = chosen
      ? [...library.patterns.values()].flatMap(({ id, needs }) =>
          (needs ?? []).filter(need => id === chosen || need === chosen).map(need => ({ need, id })),
        )
      : [];
    const measure = () =>
      setCurves(
        links.flatMap(({ need, id }) => {
          const path = board.current && curveBetween(board.current, need, id);
          const isBroken = (draft.placed[need] ?? 99) > (draft.placed[id] ?? 99);
          return path ? [{ key: `${need} ${id}`, path, isBroken }] : [];
        }),
      );
    // Measured once the board has been laid out anyway: asking earlier would lay it out twice.
    const frame = requestAnimationFrame(measure);
    window.addEventListener('resize', measure);
    return () => {
      cancelAnimationFrame(frame);
      window.removeEventListener('resize', measure);
    };
  }, [board, chosen, library, draft]);
  return (
    <chakra.svg
      aria-hidden
      position="absolute"
      inset="0"
      width="100%"
      height="100%"
      pointerEvents="none"
      zIndex="2"
      overflow="visible"
    >
      {curves.map(({ key, path, isBroken }) => (
        <chakra.path
          key={key}
          d={path}
          fill="none"
          stroke={isBroken ? 'stop' : 'now'}
          strokeWidth="2.5"
          strokeDasharray={isBroken ? '6 4' : undefined}
        />
      ))}
    </chakra.svg>
  );
}

function curveBetween(board: HTMLElement, from: string, to: string): string | undefined {
  const start = board.querySelector(`[data-figure="${from}"]`)?.getBoundingClientRect();
  const end = board.querySelector(`[data-figure="${to}"]`)?.getBoundingClientRect();
  if (!start || !end) return undefined;
  const origin = board.getBoundingClientRect();
  // On a narrow board a chip reaches a little into the next column.
  const isOnward = end.left >= start.right - 24;
  const x1 = (isOnward ? start.right : start.left) - origin.left;
  const x2 = end.left - origin.left;
  const [y1, y2] = [start, end].map(box => box.top + box.height / 2 - origin.top) as [number, number];
  const bend = isOnward ? Math.max(24, (x2 - x1) / 2) : 14;
  return `M ${x1} ${y1} C ${isOnward ? x1 + bend : x1 - bend} ${y1}, ${x2 - bend} ${y2}, ${x2} ${y2}`;
}
