import { chakra } from '@chakra-ui/react';
import { type CourseLesson, type FixedBlocks, type Json, lessonCapacity } from '@map-step/core';
import { format, parseISO } from 'date-fns';
import { Button, Label } from '../../ui/parts.tsx';
import { useCourseView } from '../course/course-view.ts';
import type { CourseEdit } from '../course/use-course-edit.ts';
import { NumberField } from './number-field.tsx';
import { SettingsTable } from './settings-table.ts';

const BLOCKS = [
  ['arrive', 'Arrive'],
  ['warmUp', 'Warm up'],
  ['recall', 'Recall'],
  ['combine', 'Put together'],
  ['dance', 'Dance'],
  ['check', 'Check'],
  ['recap', 'Recap'],
] as const satisfies readonly (readonly [keyof FixedBlocks, string])[];

/** Blocks that every lesson has. */
const ALWAYS: ReadonlySet<keyof FixedBlocks> = new Set(['arrive', 'combine', 'dance', 'recap']);

/** The length of each lesson and its fixed blocks, and what that leaves for new things and reviews. */
export function CourseLessons({ editing }: { editing: CourseEdit }) {
  const { answer, section, saved } = useCourseView();
  const { lessons } = answer.course;
  const put = (what: string, next: readonly CourseLesson[]) =>
    editing.edit(what, { lessons: next as unknown as Json });
  const change = (index: number, lesson: CourseLesson) =>
    put(`Minutes of lesson ${index + 1}`, lessons.with(index, lesson));
  const before = lessons.at(-2);
  const lastUsed = Math.max(0, ...Object.values(saved));
  const mayShorten = lessons.length > 2 && lastUsed < lessons.length - 1;
  return (
    <chakra.section aria-label="Lessons" overflowX="auto">
      <chakra.h3 fontSize="lg" mb="1">
        Lessons, in minutes
      </chakra.h3>
      <SettingsTable>
        <thead>
          <tr>
            <th>Lesson</th>
            <th>Length</th>
            {BLOCKS.map(([block, word]) => (
              <th key={block}>{word}</th>
            ))}
            <th>Left for new and review</th>
          </tr>
        </thead>
        <tbody>
          {lessons.map((lesson, index) => {
            const date = section?.section.dates[index];
            const room = lessonCapacity(lesson) / 10;
            return (
              <tr key={`lesson-${index + 1}`}>
                <td>
                  {index + 1} <Label>{date ? format(parseISO(date), 'd MMM') : ''}</Label>
                </td>
                <td>
                  <NumberField
                    label={`Length of lesson ${index + 1}, minutes`}
                    value={lesson.minutes}
                    min={1}
                    save={minutes => minutes !== undefined && change(index, { ...lesson, minutes })}
                  />
                </td>
                {BLOCKS.map(([block, word]) => (
                  <td key={block}>
                    <NumberField
                      label={`${word} in lesson ${index + 1}, minutes`}
                      value={lesson.fixed[block]}
                      save={minutes =>
                        change(index, { ...lesson, fixed: withBlock(lesson.fixed, block, minutes) })
                      }
                    />
                  </td>
                ))}
                <chakra.td
                  color={room < 0 ? 'stop' : undefined}
                  fontWeight="650"
                  fontVariantNumeric="tabular-nums"
                >
                  {room < 0 ? `${-room} too few` : room}
                </chakra.td>
              </tr>
            );
          })}
        </tbody>
      </SettingsTable>
      <chakra.div display="flex" gap="2" mt="2" alignItems="center">
        <Button
          size="small"
          disabled={!before || lessons.length >= 100}
          onClick={() => before && put('One more lesson', lessons.toSpliced(lessons.length - 1, 0, before))}
        >
          One more lesson before the last
        </Button>
        <Button
          size="small"
          disabled={!mayShorten}
          onClick={() => put('One lesson fewer', lessons.toSpliced(lessons.length - 2, 1))}
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

function withBlock(fixed: FixedBlocks, block: keyof FixedBlocks, minutes: number | undefined): FixedBlocks {
  const { [block]: _, ...rest } = fixed;
  const value = minutes ?? (ALWAYS.has(block) ? 0 : undefined);
  return { ...rest, ...(value !== undefined && { [block]: value }) } as FixedBlocks;
}
