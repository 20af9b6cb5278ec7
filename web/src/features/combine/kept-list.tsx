import { chakra } from '@chakra-ui/react';
import type { Combination } from '@map-step/core';
import { Link } from 'react-router';
import { Label } from '../../ui/parts.tsx';
import { useCourse } from '../course/course-context.ts';

/** The combinations of this course, by their lessons. */
export function KeptList({
  combinations,
  open,
}: {
  combinations: readonly Combination[];
  open: string | undefined;
}) {
  const { answer } = useCourse();
  if (combinations.length === 0) return null;
  const sorted = [...combinations].sort((a, b) => (a.lesson ?? 0) - (b.lesson ?? 0));
  return (
    <chakra.nav aria-label="Combinations of this course" className="no-print">
      <Label>Kept for this course</Label>
      <chakra.ul listStyleType="none" p="0" display="grid" gap="1">
        {sorted.map(({ id, name, lesson }) => (
          <li key={id}>
            <Link
              to={{
                pathname: `/courses/${answer.course.id}/combine/${id}`,
                search: lesson === undefined ? '' : `?lesson=${lesson}`,
              }}
              aria-current={id === open ? 'page' : undefined}
            >
              {name}
            </Link>{' '}
            <Label>{lesson === undefined ? 'in no lesson' : `lesson ${lesson}`}</Label>
          </li>
        ))}
      </chakra.ul>
    </chakra.nav>
  );
}
