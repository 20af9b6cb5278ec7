import { chakra } from '@chakra-ui/react';
import type { Course } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { Choice, type Option } from '../../ui/choice.tsx';
import { Pick } from '../../ui/pick.tsx';
import { SavedText } from '../../ui/saved-text.tsx';
import type { CourseCommands } from '../course/course-commands.ts';
import { useCourse } from '../course/course-context.ts';
import { APPROACHES, FORMATS, GOALS, LOOK_ALIKES, ROLES } from '../course/course-words.ts';
import { framesQuery } from '../setup/setup-queries.ts';

const NO_LEVEL = '-';

/** What the course is called, which level of which dances it teaches, and how. */
export function HowItGoes({ commands, isDisabled }: { commands: CourseCommands; isDisabled: boolean }) {
  const { course } = useCourse().answer;
  const { data: frames } = useQuery(framesQuery);
  const levels = (frames?.levels ?? []).filter(({ dance }) => course.dances.includes(dance));
  const dances = (frames?.dances ?? []).map(({ id, name }) => ({ value: id, words: name }));
  const way = <Value extends string>(
    label: string,
    value: Value,
    among: readonly Option<Value>[],
    change: (course: Course, value: Value) => Course,
  ) => (
    <Choice
      label={label}
      value={value}
      among={among}
      width="12rem"
      isDisabled={isDisabled}
      set={next => commands.edit(`${label}: ${next}`, now => change(now, next))}
    />
  );
  return (
    <chakra.section
      display="flex"
      gap="4"
      flexWrap="wrap"
      aria-label="How the course goes"
      alignItems="start"
    >
      <chakra.div width="16rem">
        <SavedText
          label="What the course is called"
          value={course.name}
          faultOf={text => (text.trim() ? undefined : 'A course needs a name.')}
          save={name => commands.edit('Name of the course', now => ({ ...now, name }))}
        />
      </chakra.div>
      {way(
        'Level',
        course.level ?? NO_LEVEL,
        [
          ...levels.map(({ id, name }) => ({ value: id, words: name })),
          { value: NO_LEVEL, words: 'of no level' },
        ],
        ({ level: _, ...now }, level) => (level === NO_LEVEL ? now : { ...now, level }),
      )}
      {dances.length > 1 && (
        <chakra.div width="16rem">
          <Pick
            label="Dances"
            among={dances}
            value={course.dances}
            set={next => next.length > 0 && commands.edit('Dances', now => ({ ...now, dances: [...next] }))}
            many
          />
        </chakra.div>
      )}
      {way('How it is taught', course.approach, APPROACHES, (now, approach) => ({ ...now, approach }))}
      {way('Lessons', course.format, FORMATS, (now, format) => ({ ...now, format }))}
      {way('Look-alikes', course.lookalikes, LOOK_ALIKES, (now, lookalikes) => ({ ...now, lookalikes }))}
      {way('Everybody learns', course.roles ?? 'one', ROLES, (now, roles) => ({ ...now, roles }))}
      {way('Danced for', course.goal ?? 'social', GOALS, (now, goal) => ({ ...now, goal }))}
    </chakra.section>
  );
}
