import { lastIntroducing, type Moves, moveEffect } from '@map-step/core';
import { startTransition, useState } from 'react';
import { useSameActions } from '../../../ui/same.ts';
import { useCourseView } from '../../course/course-view.ts';
import type { Placing } from './use-placing.ts';
import { effectInWords, withNames } from './words.ts';

export interface MapMoves {
  /** Moves figures to lessons, or out with null, and says what that breaks. */
  move(moves: Moves, why?: string): void;
  /** Moves all of these by so many lessons, each as far as it can go. */
  shift(ids: readonly string[], by: number): void;
}

/** Changes of the plan by hand; and the last of them and what it broke, for a screen reader. */
export function useMoves(placing: Placing, onMove: () => void): { moves: MapMoves; spoken: string } {
  const { draft, library, me } = useCourseView();
  const [spoken, say] = useState('');
  const { problem } = draft;
  const nameOf = (id: string) => library.patterns.get(id)?.name ?? id;

  const move: MapMoves['move'] = (wished, why) => {
    if (me.role !== 'director' || !problem) return;
    const placed = placing.now();
    const last = lastIntroducing(problem);
    const real = Object.entries(wished).filter(
      ([id, to]) => to !== (placed[id] ?? null) && (to === null || (to >= 1 && to <= last)),
    );
    if (real.length === 0) return;
    const words = why ?? real.map(([id, to]) => moveInWords(nameOf(id), to)).join(', ');
    onMove();
    const effect = moveEffect(problem, placed, Object.fromEntries(real));
    placing.place(
      real.map(([pattern, to]) => ({ pattern, to })),
      words.slice(0, 200),
    );
    const broken = effect.broken.map(rule => `${nameOf(rule.at)} ${withNames(rule.message, library)}`);
    startTransition(() =>
      say(`${words}. ${broken.length > 0 ? broken.join('. ') : `It ${effectInWords(effect, library)}`}.`),
    );
  };
  const shift: MapMoves['shift'] = (ids, by) => {
    if (!problem) return;
    const placed = placing.now();
    const lessons = ids.flatMap(id => placed[id] ?? []);
    const last = lastIntroducing(problem);
    const room = by < 0 ? 1 - Math.min(...lessons) : last - Math.max(...lessons);
    const step = by < 0 ? Math.max(by, room) : Math.min(by, room);
    move(
      Object.fromEntries(
        ids.map(id => {
          const lesson = placed[id];
          return [id, lesson === undefined ? (by > 0 ? by : null) : lesson + (lessons.length > 0 ? step : 0)];
        }),
      ),
    );
  };
  return { moves: useSameActions({ move, shift }), spoken };
}

export function moveInWords(name: string, to: number | null): string {
  return to === null ? `${name} left out` : `${name} to lesson ${to}`;
}
