import { chakra } from '@chakra-ui/react';
import { type Library, lookAlikesOf, needsOf } from '@map-step/core';
import { type RefObject, useEffect, useState } from 'react';
import type { DraftPlan } from '../../course/course-view.ts';

interface Link {
  readonly from: string;
  readonly to: string;
  /** `blurs`: look-alikes in the wrong lessons; `alike`: look-alikes that lie well. */
  readonly kind: 'need' | 'broken' | 'alike' | 'blurs';
}

interface Curve extends Link {
  readonly path: string;
}

const LOOKS = {
  need: { stroke: 'now', strokeWidth: '2.5' },
  broken: { stroke: 'stop', strokeWidth: '2.5', strokeDasharray: '6 4' },
  alike: { stroke: 'solo', strokeWidth: '2', strokeDasharray: '1.5 4', strokeLinecap: 'round' },
  blurs: { stroke: 'caution', strokeWidth: '3', strokeDasharray: '1.5 4', strokeLinecap: 'round' },
} as const;

interface NeedCurvesProps {
  readonly board: RefObject<HTMLDivElement | null>;
  readonly chosen: string | undefined;
  readonly library: Library;
  readonly draft: DraftPlan;
}

/** Curves from what the chosen figure needs, to what needs it, and dotted ones to what looks like it. */
export function NeedCurves({ board, chosen, library, draft }: NeedCurvesProps) {
  const [curves, setCurves] = useState<readonly Curve[]>([]);
  useEffect(() => {
    const links = chosen === undefined ? [] : linksOf(chosen, library, draft);
    const measure = () =>
      setCurves(before => {
        const now = links.flatMap(link => {
          const path = board.current && curveBetween(board.current, link.from, link.to);
          return path ? [{ ...link, path }] : [];
        });
        return JSON.stringify(now) === JSON.stringify(before) ? before : now;
      });
    // Measured after the board is laid out for its picture: asking earlier would lay it out once more.
    const next = requestAnimationFrame(measure);
    window.addEventListener('resize', measure);
    return () => {
      cancelAnimationFrame(next);
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
      {curves.map(({ from, to, kind, path }) => (
        <chakra.path key={`${from} ${to}`} d={path} fill="none" {...LOOKS[kind]} />
      ))}
    </chakra.svg>
  );
}

function linksOf(chosen: string, library: Library, { problem, placed }: DraftPlan): readonly Link[] {
  const needs = [...library.patterns.values()].flatMap(pattern =>
    needsOf(pattern)
      .filter(need => pattern.id === chosen || need === chosen)
      .map((need): Link => {
        const isBroken = (placed[need] ?? 99) > (placed[pattern.id] ?? 99);
        return { from: need, to: pattern.id, kind: isBroken ? 'broken' : 'need' };
      }),
  );
  const alike = (problem ? lookAlikesOf(problem, placed, chosen) : []).map(
    ({ id, blurs }): Link => ({ from: chosen, to: id, kind: blurs ? 'blurs' : 'alike' }),
  );
  const drawn = new Set(needs.map(({ from, to }) => `${from} ${to}`));
  return [
    ...needs,
    ...alike.filter(({ from, to }) => !drawn.has(`${from} ${to}`) && !drawn.has(`${to} ${from}`)),
  ];
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
