import { chakra } from '@chakra-ui/react';
import { assemblyMinutes, type Figure, isOffered, needsOf } from '@map-step/core';
import { Button, Label } from '../../../ui/parts.tsx';
import { useCourseCommands } from '../../course/course-commands.ts';
import { useCourse } from '../../course/course-context.ts';
import { VALUES } from '../../course/course-words.ts';
import type { FigureEditing } from './use-figure-draft.ts';

const TENTHS = 10;

/** A figure of the course's level that the course does not teach yet is offered to it, with the minutes that it would take. */
export function IntoCourse({ editing }: { editing: FigureEditing }) {
  const { answer, library, me } = useCourse();
  const commands = useCourseCommands();
  const { course } = answer;
  const { pattern, reading, isNew } = editing;
  const isMissing =
    me.role === 'director' &&
    !isNew &&
    isOffered(pattern) &&
    library.patterns.has(pattern.id) &&
    pattern.level !== undefined &&
    pattern.level === course.level &&
    course.items.every(item => item.pattern !== pattern.id);
  if (!isMissing) return null;
  return (
    <chakra.div
      className="no-print"
      role="group"
      aria-label={`Into ${course.name}`}
      display="flex"
      gap="2"
      alignItems="center"
      flexWrap="wrap"
      mt="2"
    >
      <span>
        {course.name} does not teach it yet. <Label>{minutesInWords(reading.figure)}</Label>
      </span>
      {VALUES.map(({ value, words }) => (
        <Button
          key={value}
          size="small"
          onClick={() =>
            commands.edit(`${pattern.name} added`, now => ({
              ...now,
              items: [...now.items, { pattern: pattern.id, value }],
            }))
          }
        >
          Add it as a {words}
        </Button>
      ))}
    </chakra.div>
  );

  function minutesInWords(figure: Figure): string {
    const needed = needsOf(pattern).flatMap(id => library.readings.get(id)?.figure ?? []);
    const minutes = assemblyMinutes(figure, needed, course.roles === 'both') / TENTHS;
    return `About ${minutes} minutes to put it together, and its new elements`;
  }
}
