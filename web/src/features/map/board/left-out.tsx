import { chakra } from '@chakra-ui/react';
import { useDroppable } from '@dnd-kit/core';
import { PartFrame } from '../../../ui/group.tsx';
import { Label } from '../../../ui/parts.tsx';
import { FigureOnMap } from './figure-on-map.tsx';
import type { ChipsOf } from './use-chips.ts';

interface LeftOutProps {
  readonly left: readonly string[];
  readonly chipOf: ChipsOf;
}

/** What the plan leaves out, and where figures are dragged to be left out. */
export function LeftOut({ left, chipOf }: LeftOutProps) {
  const { setNodeRef, isOver } = useDroppable({ id: 'left' });
  return (
    <PartFrame ref={setNodeRef} bg={isOver ? 'nowTint' : undefined}>
      <chakra.h2 fontSize="md">Left out: {left.length}</chakra.h2>
      <chakra.div display="grid" gap="1" mt="1">
        {left.length === 0 && <Label>Drag a figure here to leave it out.</Label>}
        {left.map(id => {
          const chip = chipOf(id);
          return chip && <FigureOnMap key={id} {...chip} />;
        })}
      </chakra.div>
    </PartFrame>
  );
}
