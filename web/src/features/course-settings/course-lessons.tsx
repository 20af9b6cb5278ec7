import { chakra } from '@chakra-ui/react';
import {
  addLesson,
  type CourseLesson,
  canDropLesson,
  changeLesson,
  dropLesson,
  type FixedBlocks,
  lessonCapacity,
  withBlock,
} from '@map-step/core';
import { format, parseISO } from 'date-fns';
import { NumberField } from '../../ui/number-field.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { GridTable, TableCell, TableRow } from '../../ui/table.tsx';
import type { CourseCommands } from '../course/course-commands.ts';
import { useClass, useCourse, usePlan } from '../course/course-context.ts';

const BLOCKS = [
  ['arrive', 'Arrive'],
  ['warmUp', 'Warm up'],
  ['recall', 'Recall'],
  ['combine', 'Put together'],
  ['dance', 'Dance'],
  ['check', 'Check'],
  ['recap', 'Recap'],
] as const satisfies readonly (readonly [keyof FixedBlocks, string])[];

const HEADS = ['Lesson', 'Length', ...BLOCKS.map(([, word]) => word), 'Left for new and review'];

/** The length of each lesson and its fixed blocks, and what that leaves for new things and reviews. */
export function CourseLessons({ commands }: { commands: CourseCommands }) {
  const { course } = useCourse().answer;
  const { section } = useClass();
  const { lessons } = course;
  const { saved } = usePlan();
  const mayShorten = canDropLesson(lessons.length, saved.placed);
  return (
    <chakra.section aria-label="Lessons" overflowX="auto">
      <chakra.h3 fontSize="lg" mb="1">
        Lessons, in minutes
      </chakra.h3>
      <GridTable look="fields" heads={HEADS}>
        {lessons.map((lesson, index) => (
          <LessonRow
            key={`lesson-${index + 1}`}
            lesson={lesson}
            index={index}
            date={section?.section.dates[index]}
            commands={commands}
          />
        ))}
      </GridTable>
      <chakra.div display="flex" gap="2" mt="2" alignItems="center">
        <Button
          size="small"
          disabled={lessons.length < 2 || lessons.length >= 100}
          onClick={() => commands.edit('One more lesson', addLesson)}
        >
          One more lesson before the last
        </Button>
        <Button
          size="small"
          disabled={!mayShorten}
          onClick={() => commands.edit('One lesson fewer', dropLesson)}
        >
          One lesson fewer
        </Button>
        {!mayShorten && lessons.length > 2 && (
          <Label>Clear lesson {lessons.length - 1} on the map first.</Label>
        )}
      </chakra.div>
    </chakra.section>
  );
}

interface LessonRowProps {
  readonly lesson: CourseLesson;
  /** From 0. */
  readonly index: number;
  readonly date: string | undefined;
  readonly commands: CourseCommands;
}

function LessonRow({ lesson, index, date, commands }: LessonRowProps) {
  const room = lessonCapacity(lesson) / 10;
  const what = `Minutes of lesson ${index + 1}`;
  const put = (change: (now: CourseLesson) => Partial<CourseLesson>) =>
    commands.edit(what, course => {
      const now = course.lessons[index];
      return now ? changeLesson(course, index, change(now)) : course;
    });
  return (
    <TableRow>
      <TableCell>
        {index + 1} <Label>{date ? format(parseISO(date), 'd MMM') : ''}</Label>
      </TableCell>
      <TableCell>
        <NumberField
          label={`Length of lesson ${index + 1}, minutes`}
          value={lesson.minutes}
          min={1}
          save={minutes => minutes !== undefined && put(() => ({ minutes }))}
        />
      </TableCell>
      {BLOCKS.map(([block, word]) => (
        <TableCell key={block}>
          <NumberField
            label={`${word} in lesson ${index + 1}, minutes`}
            value={lesson.fixed[block]}
            save={minutes => put(({ fixed }) => ({ fixed: withBlock(fixed, block, minutes) }))}
          />
        </TableCell>
      ))}
      <TableCell color={room < 0 ? 'stop' : undefined} fontWeight="650" fontVariantNumeric="tabular-nums">
        {room < 0 ? `${-room} too few` : room}
      </TableCell>
    </TableRow>
  );
}
