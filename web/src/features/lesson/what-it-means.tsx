import { chakra } from '@chakra-ui/react';
import { figureName, type Placed, placedOf, RECALL_AIM, standingLogs } from '@map-step/core';
import { Group, GroupColumns } from '../../ui/group.tsx';
import { Label } from '../../ui/parts.tsx';
import { GridTable, TableCell, TableRow } from '../../ui/table.tsx';
import { useClass, useCourse, usePlace, usePlan } from '../course/course-context.ts';
import { LearnedMinutes } from './learned.tsx';
import { useLessonOrder } from './use-lesson-order.ts';

/** What the log of a lesson means: minutes over or under, what fades, and what it does to the coming lessons. */
export function WhatItMeans() {
  const { section, classPlan } = useClass();
  const { lesson } = usePlace();
  const { library, answer, studio } = useCourse();
  const lessonOrder = useLessonOrder();
  const before = usePublished();
  if (!section || !classPlan) return null;
  const name = (id: string) => figureName(library, id);
  const logs = standingLogs(section.logs).filter(entry => entry.lesson === lesson);
  const timed = logs.flatMap(({ pattern, minutes }) => {
    const planned = lessonOrder?.planned.minutes[pattern];
    return minutes === undefined || planned === undefined
      ? []
      : [{ pattern, minutes, planned: planned / 10 }];
  });
  const over = timed.reduce((sum, { minutes, planned }) => sum + minutes - planned, 0);
  const fading = [...(lessonOrder?.recall ?? [])].filter(
    ([, value]) => value < (studio.recallAim ?? RECALL_AIM),
  );
  return (
    <GroupColumns>
      {timed.length > 0 && (
        <Group title="Minutes">
          <p>{overInWords(over)}</p>
          {timed.map(({ pattern, minutes, planned }) => (
            <p key={pattern}>
              {name(pattern)}: {minutes} min <Label>planned {Math.round(planned * 10) / 10}</Label>
            </p>
          ))}
        </Group>
      )}
      {fading.length > 0 && (
        <Group title="Fading by this day">
          <p>{fading.map(([id]) => name(id)).join(', ')}</p>
          <Label>
            Ranked by a memory model that was fitted on other material; it only orders the reviews.
          </Label>
        </Group>
      )}
      <Group title="The coming lessons">
        <Moves
          before={before}
          after={classPlan.answer.placed}
          from={classPlan.progress.lessons + 1}
          of={answer.course.lessons.length}
        />
      </Group>
      <LearnedMinutes />
    </GroupColumns>
  );
}

/** Where the figures lay in the plan that the classes follow. */
export function usePublished(): Placed {
  const { answer } = useCourse();
  const { saved } = usePlan();
  return answer.published ? placedOf(answer.published) : saved;
}

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

function overInWords(minutes: number): string {
  const whole = Math.abs(Math.round(minutes));
  if (whole === 0) return 'The new figures took what was planned.';
  return `The new figures took ${whole} ${whole === 1 ? 'minute' : 'minutes'} ${minutes > 0 ? 'more' : 'less'} than planned.`;
}
