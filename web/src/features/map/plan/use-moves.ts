import {
  type AheadMoves,
  changeEffect,
  draftPlacing,
  figureName,
  judgePlan,
  lastIntroducing,
  type Moves,
  moveAhead,
  movePlaced,
  type PlanProblem,
  placeItems,
  taughtLessons,
} from '@map-step/core';
import { startTransition, useState } from 'react';
import type { CourseCommands } from '../../course/course-commands.ts';
import { useCourse, usePlan } from '../../course/course-context.ts';
import { useElementName } from '../../course/use-elements.ts';
import { aheadInWords, effectInWords, withNames } from './words.ts';

export interface MapMoves {
  /** Moves figures to lessons, or out with null, and elements ahead or not; says what that breaks. */
  move(moves: Moves, why?: string, ahead?: AheadMoves): void;
  /** Moves all of these by so many lessons, each as far as it can go. */
  shift(ids: readonly string[], by: number): void;
}

/** Changes of the plan by hand; and the last of them and what it broke, for a screen reader. */
export function useMoves(commands: CourseCommands, onMove: () => void): { moves: MapMoves; spoken: string } {
  const { library, me } = useCourse();
  const { problem } = usePlan().draft;
  const elementName = useElementName();
  const [spoken, say] = useState('');
  const now = () => draftPlacing(commands.now() ?? {});
  const over = problem ? taughtLessons(problem) : 0;

  const move: MapMoves['move'] = (wished, why, ahead = {}) => {
    if (me.role !== 'director' || !problem) return;
    const plan = now();
    const { placed } = plan;
    const asked = Object.entries(wished).filter(([id, to]) => to !== (placed[id] ?? null));
    const real = asked.filter(([id, to]) => mayMove(problem, placed[id], id, to));
    const shown = Object.entries(ahead).filter(([id, isAhead]) => plan.ahead.includes(id) !== isAhead);
    if (real.length + shown.length === 0) {
      if (asked.length > 0 && over > 0) say(`Nothing moved. The first ${over} lessons are over and stand.`);
      return;
    }
    const moves = Object.fromEntries(real);
    const words =
      why ??
      [
        ...real.map(([id, to]) => moveInWords(figureName(library, id), to)),
        ...shown.map(([id, isAhead]) => aheadInWords(elementName(id), isAhead)),
      ].join(', ');
    onMove();
    commands.edit(words, course => placeItems(course, moves, ahead));
    const before = judgePlan(problem, placed, plan.ahead);
    const effect = changeEffect(problem, before, {
      placed: movePlaced(placed, moves),
      ahead: moveAhead(plan.ahead, ahead),
    });
    const broken = effect.broken.map(
      rule => `${figureName(library, rule.at)} ${withNames(rule.message, library)}`,
    );
    startTransition(() =>
      say(`${words}. ${broken.length > 0 ? broken.join('. ') : `It ${effectInWords(effect, library)}`}.`),
    );
  };
  const shift: MapMoves['shift'] = (ids, by) => {
    if (!problem) return;
    const { placed } = now();
    const toCome = ids.filter(id => (placed[id] ?? over + 1) > over);
    const lessons = toCome.flatMap(id => placed[id] ?? []);
    const last = lastIntroducing(problem);
    const room = by < 0 ? over + 1 - Math.min(...lessons) : last - Math.max(...lessons);
    const step = by < 0 ? Math.max(by, room) : Math.min(by, room);
    move(
      Object.fromEntries(
        (toCome.length > 0 ? toCome : ids).map(id => {
          const lesson = placed[id];
          if (lesson === undefined) return [id, by > 0 ? over + by : null];
          return [id, lesson + (lesson > over ? step : by)];
        }),
      ),
    );
  };
  return { moves: { move, shift }, spoken };
}

/** What was taught stays where it was, and nothing comes into an evening that is over. */
function mayMove(problem: PlanProblem, from: number | undefined, id: string, to: number | null): boolean {
  const taughtIn = problem.taught?.items[id];
  if (taughtIn !== undefined) return from !== taughtIn && to === taughtIn;
  return to === null || (to > taughtLessons(problem) && to <= lastIntroducing(problem));
}

export function moveInWords(name: string, to: number | null): string {
  return to === null ? `${name} left out` : `${name} to lesson ${to}`;
}
