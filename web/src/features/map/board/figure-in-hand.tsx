import { DragOverlay, useDndContext } from '@dnd-kit/core';
import { FigureChip } from '../../../ui/parts.tsx';
import { useCourse } from '../../course/course-context.ts';

/** The figure that is dragged, under the pointer and above everything that scrolls. */
export function FigureInHand() {
  const { active } = useDndContext();
  const { library } = useCourse();
  const pattern = active && library.patterns.get(String(active.id));
  return (
    <DragOverlay dropAnimation={null}>
      {pattern && (
        <FigureChip strand={pattern.kind} state="chosen">
          {pattern.name}
        </FigureChip>
      )}
    </DragOverlay>
  );
}
