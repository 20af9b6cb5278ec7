import { figureName } from '@map-step/core';
import { Link, useLocation } from 'react-router';
import { useCourse } from './course-context.ts';

/** The name of a figure, which leads to its step sheet. */
export function FigureLink({ id }: { id: string }) {
  const { answer, library } = useCourse();
  const { search } = useLocation();
  return (
    <Link to={{ pathname: `/courses/${answer.course.id}/material/${id}`, search }}>
      {figureName(library, id)}
    </Link>
  );
}
