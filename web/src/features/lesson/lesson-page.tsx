import { useQuery } from '@tanstack/react-query';
import { Empty, Skeleton } from '../../ui/parts.tsx';
import { ClassContext, useClass, useCourse, usePlace } from '../course/course-context.ts';
import { classPlanQuery } from '../course/course-queries.ts';
import { RunningLesson } from './running-lesson.tsx';
import { TaughtLesson } from './taught-lesson.tsx';
import { usePublished } from './use-published.ts';

/** The evening that runs, with its clock; once finished, what happened and what it means. */
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
  const key = `${answer.course.id} ${section.section.id} ${lesson}`;
  if (lesson > classPlan.progress.lessons) return <RunningLesson key={key} />;
  if (section.recaps.some(recap => recap.lesson === lesson)) return <TaughtLesson key={lesson} />;
  return <LateLesson key={key} />;
}

/** An evening that is over and was not written down to its end: as the class's plan was then. */
function LateLesson() {
  const content = useClass();
  const { material, answer } = useCourse();
  const { lesson } = usePlace();
  const { section } = content;
  const published = usePublished();
  const upTo = <Entry extends { readonly lesson: number }>(entries: readonly Entry[] = []) =>
    entries.filter(entry => entry.lesson <= lesson);
  const then = section && { ...section, logs: upTo(section.logs), recaps: upTo(section.recaps) };
  const { data } = useQuery(classPlanQuery(material, answer.course, published, then, lesson - 1));
  if (!data?.ok) return <Skeleton lines={8} />;
  return (
    <ClassContext value={{ ...content, classPlan: data.value }}>
      <RunningLesson />
    </ClassContext>
  );
}
