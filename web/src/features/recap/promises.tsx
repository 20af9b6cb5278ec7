import { figureName, standingLogs } from '@map-step/core';
import { Group } from '../../ui/group.tsx';
import { Label } from '../../ui/parts.tsx';
import { useClass, useCourse } from '../course/course-context.ts';

/** What each recap said would come next, against what came or what the plan says now. */
export function Promises() {
  const { library } = useCourse();
  const { section, classPlan } = useClass();
  if (!section || !classPlan) return null;
  const behind = classPlan.progress.lessons;
  const logs = standingLogs(section.logs);
  const broken = section.recaps
    .filter(({ audience, published }) => audience === 'students' && published !== null)
    .flatMap(({ lesson, promises }) =>
      promises.flatMap(id => {
        const next = lesson + 1;
        const came = logs.find(
          log => log.pattern === id && log.lesson >= next && log.result !== 'not-reached',
        )?.lesson;
        const planned = classPlan.answer.placed[id];
        const isKept = next <= behind ? came === next : planned === next;
        if (isKept) return [];
        const now = came ?? planned;
        return [{ lesson, id, now, wasOver: came !== undefined }];
      }),
    );
  return (
    <Group title="What was promised">
      {broken.length === 0 && <p>Every recap’s “next week” came, or is planned so.</p>}
      {broken.map(({ lesson, id, now, wasOver }) => (
        <p key={`${lesson} ${id}`}>
          {figureName(library, id)} <Label>promised after lesson {lesson}:</Label>{' '}
          {now === undefined
            ? 'it is in no lesson now'
            : wasOver
              ? `it came in lesson ${now}`
              : `it comes in lesson ${now}`}
        </p>
      ))}
    </Group>
  );
}
