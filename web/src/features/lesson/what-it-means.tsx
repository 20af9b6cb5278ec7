import { figureName, RECALL_AIM, standingLogs } from '@map-step/core';
import { Group, GroupColumns } from '../../ui/group.tsx';
import { Label } from '../../ui/parts.tsx';
import { useClass, useCourse, usePlace } from '../course/course-context.ts';
import { LearnedMinutes } from './learned.tsx';
import { Moves } from './moves.tsx';
import { useLessonOrder } from './use-lesson-order.ts';
import { usePublished } from './use-published.ts';

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
          before={before.placed}
          after={classPlan.answer.placed}
          from={classPlan.progress.lessons + 1}
          of={answer.course.lessons.length}
        />
      </Group>
      <LearnedMinutes />
    </GroupColumns>
  );
}

function overInWords(minutes: number): string {
  const whole = Math.abs(Math.round(minutes));
  if (whole === 0) return 'The new figures took what was planned.';
  return `The new figures took ${whole} ${whole === 1 ? 'minute' : 'minutes'} ${minutes > 0 ? 'more' : 'less'} than planned.`;
}
