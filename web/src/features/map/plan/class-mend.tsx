import { chakra } from '@chakra-ui/react';
import { figureName } from '@map-step/core';
import { format, parseISO } from 'date-fns';
import { Part } from '../../../ui/group.tsx';
import { Label } from '../../../ui/parts.tsx';
import { useClass, useCourse } from '../../course/course-context.ts';
import { moveInWords } from './use-moves.ts';

/** Where the class that is looked at leaves the published plan: what it did not reach, with the fewest moves. */
export function ClassMend() {
  const { classPlan, section } = useClass();
  const { library } = useCourse();
  if (!classPlan || !section || classPlan.progress.lessons === 0) return null;
  const { moved, progress, answer } = classPlan;
  const [day] = section.section.dates;
  const name = `${day ? format(parseISO(day), 'EEEE') : 'The class'} ${section.section.start}`;
  return (
    <Part
      label="The class"
      title={`${name}, after ${progress.lessons} ${progress.lessons === 1 ? 'lesson' : 'lessons'}`}
    >
      {progress.unwritten.length > 0 && (
        <p>Nothing was written of lesson {progress.unwritten.join(', ')}: taken as planned.</p>
      )}
      {moved.length === 0 ? (
        <Label>It follows the published plan.</Label>
      ) : (
        <>
          <Label>Mended with the fewest moves from the published plan:</Label>
          <chakra.ul listStyleType="none" p="0" fontSize="sm">
            {moved.map(id => (
              <li key={id}>{moveInWords(figureName(library, id), answer.placed[id] ?? null)}</li>
            ))}
          </chakra.ul>
        </>
      )}
    </Part>
  );
}
