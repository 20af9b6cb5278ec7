import { chakra } from '@chakra-ui/react';
import { figureName, type Placed } from '@map-step/core';
import { Label } from '../../ui/parts.tsx';
import { GridTable, TableCell, TableRow } from '../../ui/table.tsx';
import { useCourse } from '../course/course-context.ts';

interface MovesProps {
  readonly before: Placed;
  readonly after: Placed;
  /** The first lesson that is still to come. */
  readonly from: number;
  readonly of: number;
}

/** What lies in another lesson than before, as a small map: where it was and where it is. */
export function Moves({ before, after, from, of }: MovesProps) {
  const { library } = useCourse();
  const moved = Object.keys(before).filter(
    id => (before[id] ?? 0) !== (after[id] ?? 0) && (after[id] ?? from) >= from,
  );
  if (moved.length === 0) return <p>Nothing moves.</p>;
  const lessons = Array.from({ length: Math.max(0, of - from + 1) }, (_, index) => from + index);
  return (
    <chakra.div overflowX="auto">
      <GridTable look="ruled" heads={['', ...lessons.map(String)]}>
        {moved.map(id => (
          <TableRow key={id}>
            <TableCell>
              {figureName(library, id)}
              {after[id] === undefined && <Label> no longer fits</Label>}
            </TableCell>
            {lessons.map(lesson => (
              <TableCell key={lesson}>
                {after[id] === lesson ? 'now' : before[id] === lesson ? 'was' : ''}
              </TableCell>
            ))}
          </TableRow>
        ))}
      </GridTable>
    </chakra.div>
  );
}
