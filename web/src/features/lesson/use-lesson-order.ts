import { dancedBefore, type PlannedLesson, type RunningOrder, recallOn, runningOrder } from '@map-step/core';
import { useMemo } from 'react';
import { useClass, useCourse, usePlace } from '../course/course-context.ts';

export interface LessonOrder {
  readonly planned: PlannedLesson;
  readonly order: RunningOrder;
  /** How well the class still has each figure it danced, 0 to 1, on the day of the lesson. */
  readonly recall: ReadonlyMap<string, number>;
}

/** The running order of the lesson that is looked at, by the class's own plan; undefined where there is none. */
export function useLessonOrder(): LessonOrder | undefined {
  const { answer, library, today, studio } = useCourse();
  const { section, classPlan } = useClass();
  const { lesson } = usePlace();
  return useMemo(() => {
    const lessons = classPlan?.answer.lessons ?? [];
    const [planned, next] = [lessons[lesson - 1], lessons[lesson]];
    if (!planned || !section || !classPlan) return undefined;
    const { dates, start } = section.section;
    const recall = recallOn(dancedBefore(section.section, section.logs, lesson), dates[lesson - 1] ?? today);
    const { taught, carried, begun } = classPlan.progress;
    // Of a lesson further on also what comes before it by the plan.
    const { placed } = classPlan.answer;
    const placedBefore = Object.keys(placed).filter(id => (placed[id] ?? lesson) < lesson);
    const order = runningOrder({
      ...{ course: answer.course, lesson, planned, library, start, recall },
      ...(next && { next }),
      taught: [...new Set([...Object.keys(taught), ...placedBefore])],
      left: [...carried, ...begun],
      dropped: answer.course.items.map(({ pattern }) => pattern).filter(id => placed[id] === undefined),
      ...(studio.recallAim !== null && { aim: studio.recallAim }),
    });
    return { planned, order, recall };
  }, [answer.course, library, today, studio.recallAim, section, classPlan, lesson]);
}
