import { figureName } from '@map-step/core';
import { Label } from '../../ui/parts.tsx';
import { useCourse, usePlace } from '../course/course-context.ts';
import { promiseInWords } from '../course/promise-words.ts';
import { useBrokenPromises } from '../course/use-broken-promises.ts';

/** What the class was told it would do tonight, where the plan does not hold it. */
export function BrokenTonight() {
  const { library } = useCourse();
  const { lesson } = usePlace();
  const broken = (useBrokenPromises() ?? []).filter(promise => promise.lesson === lesson - 1);
  if (broken.length === 0) return null;
  return (
    <div>
      <Label>The class was promised for tonight:</Label>
      {broken.map(promise => (
        <p key={promise.pattern}>
          {figureName(library, promise.pattern)}: {promiseInWords(promise)}
        </p>
      ))}
    </div>
  );
}
