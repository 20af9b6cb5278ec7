import { chakra } from '@chakra-ui/react';
import { type Cell, figureName } from '@map-step/core';
import { Choice } from '../../ui/choice.tsx';
import { Button } from '../../ui/parts.tsx';
import { useCourse } from '../course/course-context.ts';
import { CellNotes } from './cell-note.tsx';
import type { Marks } from './use-marks.ts';

interface CellHereProps {
  readonly marks: Marks;
  readonly mayMark: boolean;
  readonly cell: Cell;
  note(): void;
}

/** The cell that the next key marks: whose, with whom they dance, and what was said there. */
export function CellHere({ cell, marks, mayMark, note }: CellHereProps) {
  const { library } = useCourse();
  const partners = marks.partnersFor(cell);
  return (
    <chakra.section aria-label="Here" display="grid" gap="1">
      <chakra.div display="flex" gap="3" alignItems="center" flexWrap="wrap">
        <chakra.strong>
          {marks.nameOf(cell.student)}, {figureName(library, cell.pattern)}
        </chakra.strong>
        {mayMark && partners.length > 0 && (
          <Choice
            label="dances with"
            layout="beside"
            width="16rem"
            size="small"
            value={marks.partnerOf(cell.student)}
            among={[{ value: '', words: 'nobody said' }, ...partners]}
            set={partner => marks.setPartner(cell.student, partner)}
          />
        )}
        {mayMark && (
          <Button look="quiet" onClick={note}>
            Note
          </Button>
        )}
      </chakra.div>
      <CellNotes cell={cell} marks={marks} />
    </chakra.section>
  );
}
