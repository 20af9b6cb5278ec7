import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useLocation, useMatch } from 'react-router';
import type { ActiveShortcut } from '../../ui/shortcuts.ts';
import { courseListQuery, courseQuery, materialQuery } from '../course/course-queries.ts';
import { ROOMS } from '../course/rooms.ts';
import { studioQuery } from '../studio/studio-queries.ts';
import { type PaletteEntry, paletteEntries } from './entries.ts';

/** Everything that can be gone to from here; the figures are those of the course that is open, or of the first. */
export function usePaletteEntries(actions: readonly ActiveShortcut[]): readonly PaletteEntry[] {
  const { search } = useLocation();
  const open = useMatch('/courses/:course/*')?.params.course;
  const listed = useInfiniteQuery(courseListQuery);
  const { data: studio } = useQuery(studioQuery);
  const courses = useMemo(() => listed.data?.pages.flatMap(page => page.courses) ?? [], [listed.data]);
  const id = open ?? courses[0]?.id;
  const { data: material } = useQuery({ ...materialQuery(id ?? ''), enabled: id !== undefined });
  const { data: course } = useQuery({ ...courseQuery(id ?? ''), enabled: id !== undefined });
  return useMemo(() => {
    const asked = new URLSearchParams(search).get('class');
    const sections = course?.sections ?? [];
    const section = sections.find(one => one.id === asked) ?? sections[0];
    return paletteEntries({
      courses,
      studio,
      course: course && {
        id: course.course.id,
        lessons: course.course.lessons.length,
        isOpen: open !== undefined,
      },
      figures: material?.material.patterns ?? [],
      search,
      rooms: ROOMS,
      actions,
      dates: section?.dates ?? [],
    });
  }, [courses, studio, course, material, search, open, actions]);
}
