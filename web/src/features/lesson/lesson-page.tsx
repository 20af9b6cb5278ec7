import { chakra } from '@chakra-ui/react';
import { type LessonBlock, runningOrder } from '@map-step/core';
import { format, parseISO } from 'date-fns';
import { useState } from 'react';
import { Failure } from '../../ui/failure.tsx';
import { Empty, Label, Skeleton, TwoColumns } from '../../ui/parts.tsx';
import { useShortcuts } from '../../ui/shortcuts.ts';
import { useClass, useCourse, useMayTeach, usePlace } from '../course/course-context.ts';
import { BlockRow } from './block-row.tsx';
import { Contradictions } from './contradictions.tsx';
import { LessonPanel } from './lesson-panel.tsx';
import { TaughtLesson } from './taught-lesson.tsx';
import { useLessonLog } from './use-log.ts';

/** The running order of a lesson with clock times, the present block large; once finished, what happened. */
export function LessonPage() {
  const { section, classPlan } = useClass();
  const { lesson } = usePlace();
  const { answer } = useCourse();
  if (!section)
    return (
      <Empty title="No class follows this course yet">
        A class has a day, a room, teachers and students.
      </Empty>
    );
  if (!classPlan) return <Skeleton lines={8} />;
  if (lesson <= classPlan.progress.lessons) return <TaughtLesson key={lesson} />;
  return <RunningLesson key={`${answer.course.id} ${lesson}`} />;
}

function RunningLesson() {
  const { answer, library, today, studio } = useCourse();
  const { section, classPlan } = useClass();
  const { lesson } = usePlace();
  const mayTeach = useMayTeach();
  const log = useLessonLog();
  const planned = classPlan?.answer.lessons[lesson - 1];
  const isNext = lesson === (classPlan?.progress.lessons ?? 0) + 1;
  const order =
    planned &&
    runningOrder({
      course: answer.course,
      lesson,
      planned,
      library,
      taught: Object.keys(classPlan?.progress.taught ?? {}),
      left: [...(classPlan?.progress.carried ?? []), ...(classPlan?.progress.begun ?? [])],
      ...(section && { start: section.section.start }),
    });
  const date = section?.section.dates[lesson - 1];
  const [present, setPresent] = useState(() =>
    order && date === today ? blockAt(order.blocks, studio.studio.timezone) : 0,
  );
  useShortcuts({
    'next-block': () => setPresent(now => Math.min(now + 1, (order?.blocks.length ?? 1) - 1)),
  });
  if (!planned || !order || !section) return null;
  return (
    <TwoColumns>
      <LessonPanel
        log={log}
        planned={planned}
        isNext={isNext}
        mayLog={mayTeach}
        title={date ? format(parseISO(date), 'EEEE d MMMM') : `Lesson ${lesson}`}
      />
      <chakra.section aria-label="Running order">
        {log.error && <Failure error={log.error} />}
        <Contradictions log={log} />
        <chakra.ol listStyleType="none" p="0" borderTop="2px solid" borderColor="ink">
          {order.blocks.map((block, index) => (
            <BlockRow
              key={`${block.kind} ${block.patterns[0] ?? ''}`}
              block={block}
              isPresent={index === present}
              isPast={index < present}
              enter={() => setPresent(index)}
              next={index + 1 < order.blocks.length ? () => setPresent(index + 1) : undefined}
              log={isNext && mayTeach ? log : undefined}
            />
          ))}
        </chakra.ol>
        <Label>
          {order.blocks.reduce((sum, { minutes }) => sum + minutes, 0)} of {order.minutes} minutes
          {order.over > 0 ? `; the plan is ${order.over} minutes too long, so new material is shortened` : ''}
        </Label>
      </chakra.section>
    </TwoColumns>
  );
}

/** The block that the clock on the wall is in; the first one outside the lesson. */
function blockAt(blocks: readonly LessonBlock[], timeZone: string): number {
  const clock = new Intl.DateTimeFormat('en-GB', { timeZone, timeStyle: 'short' }).format(new Date());
  return Math.max(
    0,
    blocks.findIndex(({ from, to }) => from <= clock && clock < to),
  );
}
