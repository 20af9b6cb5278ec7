import { chakra } from '@chakra-ui/react';
import { figureName } from '@map-step/core';
import { format, parseISO } from 'date-fns';
import { Part } from '../../../ui/group.tsx';
import { Label } from '../../../ui/parts.tsx';
import { useClass, useCourse } from '../../course/course-context.ts';
import { moveInWords } from './use-moves.ts';
import { useReversals } from './use-reversals.ts';

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
      <Reversals />
    </Part>
  );
}

/** What the last evening took back of what the one before it had moved, and why. */
function Reversals() {
  const { library } = useCourse();
  const found = useReversals();
  if (found.length === 0) return null;
  const nameOf = (id: string) => figureName(library, id);
  return found.map(({ pattern, lesson, danced }) => (
    <chakra.p key={pattern} fontSize="sm">
      {nameOf(pattern)} is {lesson === null ? 'left out again' : `back in lesson ${lesson}`}, as it was before
      the last evening but one
      {danced.length > 0 &&
        `: ${danced.map(nameOf).join(', ')}, which wanted its place, has been danced since`}
      .
    </chakra.p>
  ));
}
