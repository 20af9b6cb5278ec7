import { chakra } from '@chakra-ui/react';
import { useDroppable } from '@dnd-kit/core';
import { Label } from '../../ui/parts.tsx';
import { useCourseView } from '../course/course-view.ts';
import { FigureOnMap } from './figure-on-map.tsx';
import type { ChipProps } from './use-chips.ts';

/** What the plan leaves out, and where figures are dragged to be left out. */
export function LeftOut({ chipOf }: { chipOf: (id: string) => ChipProps | undefined }) {
  const { draft } = useCourseView();
  const { setNodeRef, isOver } = useDroppable({ id: 'left' });
  const left = draft.judgement?.left ?? [];
  return (
    <chakra.section
      ref={setNodeRef}
      bg={isOver ? 'nowTint' : undefined}
      borderTop="1px solid"
      borderColor="line"
      pt="2"
    >
      <chakra.h2 fontSize="md">Left out: {left.length}</chakra.h2>
      <chakra.div display="grid" gap="1" mt="1">
        {left.length === 0 && <Label>Drag a figure here to leave it out.</Label>}
        {left.map(id => {
          const chip = chipOf(id);
          return chip && <FigureOnMap key={id} {...chip} />;
        })}
      </chakra.div>
    </chakra.section>
  );
}
