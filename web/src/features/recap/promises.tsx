import { figureName } from '@map-step/core';
import { Group } from '../../ui/group.tsx';
import { Label } from '../../ui/parts.tsx';
import { useCourse } from '../course/course-context.ts';
import { promiseInWords } from '../course/promise-words.ts';
import { useBrokenPromises } from '../course/use-broken-promises.ts';

/** What each recap said would come next, against what came or what the plan says now. */
export function Promises() {
  const { library } = useCourse();
  const broken = useBrokenPromises();
  if (!broken) return null;
  return (
    <Group title="What was promised">
      {broken.length === 0 && <p>Every recap’s “next time” came, or is planned so.</p>}
      {broken.map(promise => (
        <p key={`${promise.lesson} ${promise.pattern}`}>
          {figureName(library, promise.pattern)} <Label>promised after lesson {promise.lesson}:</Label>{' '}
          {promiseInWords(promise)}
        </p>
      ))}
    </Group>
  );
}
