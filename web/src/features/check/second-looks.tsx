import { chakra } from '@chakra-ui/react';
import { figureName, openSecondLooks } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useCourse } from '../course/course-context.ts';
import { personName, studioQuery } from '../studio/studio-queries.ts';
import { LAYER_WORDS } from './check-words.ts';
import type { Marks } from './use-marks.ts';

/** What a marker asked another to look at too, until somebody has. */
export function SecondLooks({ marks }: { marks: Marks }) {
  const { library, me } = useCourse();
  const { data: studio } = useQuery(studioQuery);
  const looks = useMemo(() => openSecondLooks(marks.check.marks), [marks.check.marks]);
  if (looks.length === 0) return null;
  return (
    <chakra.section aria-label="Second looks">
      <chakra.h2 fontSize="lg">A second look is asked for</chakra.h2>
      <chakra.ul pl="5">
        {looks.map(({ mark }) => (
          <li key={mark.id}>
            {marks.nameOf(mark.student)}, {figureName(library, mark.pattern)}, {LAYER_WORDS[mark.layer]}:{' '}
            {mark.by === me.id
              ? 'another marker marks it too'
              : `${personName(studio, mark.by)} asks you to mark it too`}
            {mark.remark && `: “${mark.remark}”`}
          </li>
        ))}
      </chakra.ul>
    </chakra.section>
  );
}
