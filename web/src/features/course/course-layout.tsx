import { Outlet } from 'react-router';
import { Failure } from '../../ui/failure.tsx';
import { Skeleton } from '../../ui/parts.tsx';
import { useClass } from './course-context.ts';
import { CourseFrame } from './course-frame.tsx';
import { CourseProviders, useChosenClass } from './course-providers.tsx';

/** A course with the room that is open. */
export function CourseLayout() {
  return (
    <CourseProviders>
      <CourseFrame>
        <Room />
      </CourseFrame>
    </CourseProviders>
  );
}

/** The room that is open, once the class that it is about is here. */
function Room() {
  const { section } = useClass();
  const { id, stored } = useChosenClass();
  if (id === undefined || section) return <Outlet />;
  if (stored.error) return <Failure error={stored.error} retry={() => void stored.refetch()} />;
  return <Skeleton />;
}
