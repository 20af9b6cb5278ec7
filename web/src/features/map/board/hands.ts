import { type KeyboardEvent, type MouseEvent, startTransition } from 'react';
import type { MapMoves } from '../plan/use-moves.ts';
import type { Selection } from './use-selection.ts';

const MOVES: Readonly<Record<string, number | null>> = {
  ArrowLeft: -1,
  ArrowRight: 1,
  Backspace: null,
  Delete: null,
};

/** What a click and a key do to the figure they meet, wherever on the map it lies; heard once, by what holds them all. */
export function handsOn(selection: Selection, moves: MapMoves) {
  const shift = (id: string, by: number | null) => {
    const moved = selection.ids.includes(id) ? selection.ids : [id];
    if (by === null) moves.move(Object.fromEntries(moved.map(one => [one, null])));
    else moves.shift(moved, by);
    // The move is drawn first; that the figure is chosen too may follow.
    if (!selection.ids.includes(id)) startTransition(() => selection.choose(id));
  };
  return {
    shift,
    onClick: (event: MouseEvent) => {
      const id = figureAt(event.target);
      if (id !== undefined) selection.choose(id, event.shiftKey || event.ctrlKey || event.metaKey);
    },
    onKeyDown: (event: KeyboardEvent) => {
      const [id, by] = [figureAt(event.target), MOVES[event.key]];
      if (id === undefined || by === undefined || event.altKey || event.ctrlKey) return;
      event.preventDefault();
      const element = elementAt(event.target);
      // A bead is taken off its evening; the arrows move its figure, and it goes along.
      if (element !== undefined && by === null) {
        moves.move({}, undefined, { [element]: false });
        return;
      }
      shift(id, by);
    },
  };
}

function elementAt(target: EventTarget): string | undefined {
  return target instanceof HTMLElement ? target.dataset['ahead'] : undefined;
}

function figureAt(target: EventTarget): string | undefined {
  if (!(target instanceof Element)) return undefined;
  const { figure, aheadOf } = target.closest<HTMLElement>('[data-figure], [data-ahead-of]')?.dataset ?? {};
  return figure ?? aheadOf;
}
