import { type ComponentProps, startTransition, useCallback } from 'react';
import { useSameActions } from '../../../ui/same.ts';
import { useCourseView } from '../../course/course-view.ts';
import type { ChipActions, FigureOnMap } from './figure-on-map.tsx';
import type { MapMoves } from '../plan/use-moves.ts';
import type { Selection } from './use-selection.ts';

export type ChipProps = ComponentProps<typeof FigureOnMap>;
export type ChipsOf = (id: string) => ChipProps | undefined;

/** How each figure is shown: chosen, broken, pinned, moved by a proposal. The actions stay the same from render to render. */
export function useChips(selection: Selection, moves: MapMoves): ChipsOf {
  const { answer, draft, saved, library } = useCourseView();
  const { ids, last } = selection;
  const step: ChipActions['step'] = (id, by) => {
    const moved = ids.includes(id) ? ids : [id];
    // The move is drawn first; that the figure is chosen too may follow.
    if (!ids.includes(id)) startTransition(() => selection.choose(id));
    if (by === null) moves.move(Object.fromEntries(moved.map(one => [one, null])));
    else moves.shift(moved, by);
  };
  const actions = useSameActions({ choose: selection.choose, step });
  const { items } = answer.course;
  return useCallback(
    id => {
      const pattern = library.patterns.get(id);
      if (!pattern) return undefined;
      const item = draft.problem?.items.find(entry => entry.id === id);
      const isBroken = draft.judgement?.broken.some(({ at }) => at === id);
      const lesson = draft.placed[id];
      const isMoved = draft.placed !== saved && lesson !== saved[id];
      const isRelated =
        last !== undefined && (item?.needs.includes(last) || needsOf(draft, last).includes(id));
      return {
        ...actions,
        pattern,
        lesson,
        state: ids.includes(id) ? 'chosen' : isBroken ? 'broken' : isMoved || isRelated ? 'related' : 'calm',
        isPinned: items.some(entry => entry.pattern === id && entry.pin !== undefined),
        isSplit: item?.split === true,
        movedFrom: isMoved ? (saved[id] === undefined ? 'left out' : `lesson ${saved[id]}`) : undefined,
      };
    },
    [actions, items, draft, saved, library, ids, last],
  );
}

function needsOf({ problem }: ReturnType<typeof useCourseView>['draft'], id: string): readonly string[] {
  return problem?.items.find(item => item.id === id)?.needs ?? [];
}
