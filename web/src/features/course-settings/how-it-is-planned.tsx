import { chakra } from '@chakra-ui/react';
import type { Course } from '@map-step/core';
import { Tick } from '../../ui/tick.tsx';
import type { CourseCommands } from '../course/course-commands.ts';
import { useCourse } from '../course/course-context.ts';
import { withWeight } from './course-weights.tsx';

/** What the planner minds in this course, each turned on or off. */
export function HowItIsPlanned({ commands }: { commands: CourseCommands }) {
  const { course } = useCourse().answer;
  const flag = (field: 'ahead' | 'along', isOn: boolean) => (now: Course) => {
    const { [field]: _, ...rest } = now;
    return isOn ? { ...rest, [field]: true } : rest;
  };
  const weight = (field: 'order' | 'stuck', isOn: boolean) => (now: Course) =>
    withWeight(now, field, isOn ? undefined : 0);
  const ways = [
    {
      words: 'A hold, a rhythm or a turn may be shown a lesson ahead of its figure',
      isOn: course.ahead === true,
      put: (isOn: boolean) => flag('ahead', isOn),
    },
    {
      words: 'What another figure of the evening contains is reviewed in passing, in half the minutes',
      isOn: course.along === true,
      put: (isOn: boolean) => flag('along', isOn),
    },
    {
      words: 'Figures come from easy to hard',
      isOn: course.weights?.order !== 0,
      put: (isOn: boolean) => weight('order', isOn),
    },
    {
      words: 'What is taught can be danced into and out of by the same evening',
      isOn: course.weights?.stuck !== 0,
      put: (isOn: boolean) => weight('stuck', isOn),
    },
  ];
  if (course.format === 'open') return null;
  return (
    <chakra.section aria-label="How it is planned" display="grid" gap="1.5">
      <chakra.h3 fontSize="lg">How it is planned</chakra.h3>
      {ways.map(({ words, isOn, put }) => (
        <Tick key={words} isOn={isOn} set={on => commands.edit(`${words}: ${on ? 'yes' : 'no'}`, put(on))}>
          {words}
        </Tick>
      ))}
    </chakra.section>
  );
}
