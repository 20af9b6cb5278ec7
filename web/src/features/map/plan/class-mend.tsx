import { chakra } from '@chakra-ui/react';
import { format, parseISO } from 'date-fns';
import { Label } from '../../../ui/parts.tsx';
import { useCourseView } from '../../course/course-view.ts';
import { moveInWords } from './use-moves.ts';

/** Where the class that is looked at leaves the published plan: what it did not reach, with the fewest moves. */
export function ClassMend() {
  const { classPlan, section, library } = useCourseView();
  if (!classPlan || !section || classPlan.progress.lessons === 0) return null;
  const { moved, progress, answer } = classPlan;
  const [day] = section.section.dates;
  const name = `${day ? format(parseISO(day), 'EEEE') : 'The class'} ${section.section.start}`;
  return (
    <section className="part" aria-label="The class">
      <h2>
        {name}, after {progress.lessons} {progress.lessons === 1 ? 'lesson' : 'lessons'}
      </h2>
      {moved.length === 0 ? (
        <Label>It follows the published plan.</Label>
      ) : (
        <>
          <Label>Mended with the fewest moves from the published plan:</Label>
          <chakra.ul listStyleType="none" p="0" fontSize="sm">
            {moved.map(id => (
              <li key={id}>{moveInWords(library.patterns.get(id)?.name ?? id, answer.placed[id] ?? null)}</li>
            ))}
          </chakra.ul>
        </>
      )}
    </section>
  );
}
