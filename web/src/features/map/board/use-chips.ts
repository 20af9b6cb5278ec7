import { useCourse, usePlan } from '../../course/course-context.ts';
import type { DraftPlan } from '../../course/course-view.ts';
import type { FigureOnMapProps } from './figure-on-map.tsx';
import type { Selection } from './use-selection.ts';

export type ChipsOf = (id: string) => FigureOnMapProps | undefined;

/** How each figure is shown: chosen, broken, pinned, moved by a proposal. */
export function useChips({ ids, last }: Selection): ChipsOf {
  const { answer, library } = useCourse();
  const { draft, saved } = usePlan();
  const { items } = answer.course;
  return id => {
    const pattern = library.patterns.get(id);
    if (!pattern) return undefined;
    const item = draft.problem?.items.find(entry => entry.id === id);
    const isBroken = draft.judgement?.broken.some(({ at }) => at === id);
    const lesson = draft.placed[id];
    const isMoved = draft.placed !== saved.placed && lesson !== saved.placed[id];
    const isRelated = last !== undefined && (item?.needs.includes(last) || needsOf(draft, last).includes(id));
    return {
      pattern,
      lesson,
      state: ids.includes(id) ? 'chosen' : isBroken ? 'broken' : isMoved || isRelated ? 'related' : 'calm',
      isPinned: items.some(entry => entry.pattern === id && entry.pin !== undefined),
      isSplit: item?.split === true,
      isStuck: draft.judgement?.stuck.some(stuck => stuck.id === id) ?? false,
      movedFrom: isMoved
        ? saved.placed[id] === undefined
          ? 'left out'
          : `lesson ${saved.placed[id]}`
        : undefined,
    };
  };
}

function needsOf({ problem }: DraftPlan, id: string): readonly string[] {
  return problem?.items.find(item => item.id === id)?.needs ?? [];
}
