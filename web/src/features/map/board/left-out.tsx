import { chakra } from '@chakra-ui/react';
import { useDroppable } from '@dnd-kit/core';
import { memo } from 'react';
import { Label } from '../../../ui/parts.tsx';
import { FigureOnMap } from './figure-on-map.tsx';
import type { ChipsOf } from './use-chips.ts';

interface LeftOutProps {
  readonly left: readonly string[];
  readonly chipOf: ChipsOf;
}

/** What the plan leaves out, and where figures are dragged to be left out. */
export const LeftOut = memo(function LeftOut({ left, chipOf }: LeftOutProps) {
  const { setNodeRef, isOver } = useDroppable({ id: 'left' });
  return (
    <chakra.section ref={setNodeRef} className="part" bg={isOver ? 'nowTint' : undefined}>
      <h2>Left out: {left.length}</h2>
      <chakra.div display="grid" gap="1" mt="1">
        {left.length === 0 && <Label>Drag a figure here to leave it out.</Label>}
        {left.map(id => {
          const chip = chipOf(id);
          return chip && <FigureOnMap key={id} {...chip} />;
        })}
      </chakra.div>
    </chakra.section>
  );
});
