import { Empty, Skeleton } from '../../ui/parts.tsx';
import { useClass, useCourse, usePlace } from '../course/course-context.ts';
import { RunningLesson } from './running-lesson.tsx';
import { TaughtLesson } from './taught-lesson.tsx';

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
  if (lesson <= classPlan.progress.lessons) return <TaughtLesson key={lesson} />;
  return <RunningLesson key={`${answer.course.id} ${section.section.id} ${lesson}`} />;
}
