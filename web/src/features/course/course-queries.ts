import type {
  Change,
  CourseAnswer,
  CourseCommand,
  CourseSummary,
  MaterialAnswer,
  SectionAnswer,
  StudioAnswer,
} from '@map-step/contract';
import type { Course, Placed } from '@map-step/core';
import {
  type QueryClient,
  queryOptions,
  skipToken,
  useMutation,
  useQueryClient,
} from '@tanstack/react-query';
import { ApiError, call } from '../../api/client.ts';
import { planClassInWorker } from '../../workers/planner.ts';

const keys = {
  courses: ['courses'] as const,
  course: (id: string) => ['course', id] as const,
  section: (id: string) => ['section', id] as const,
  classPlan: (id: string) => ['class-plan', id] as const,
};

/** What has to be read again when a course or a section has changed. */
export function changedKeys({ topic, id }: Change): readonly (readonly string[])[] {
  return topic === 'course' ? [keys.course(id), keys.courses] : [keys.section(id), keys.courses];
}

export function courseIsBeingSaved(client: QueryClient, id: string): boolean {
  return client.isMutating({ mutationKey: keys.course(id) }) > 0;
}

export const studioQuery = queryOptions({
  queryKey: ['studio'],
  queryFn: () => call<StudioAnswer>('studio.read'),
  staleTime: 300_000,
});

export const materialQuery = queryOptions({
  queryKey: ['material'],
  queryFn: () => call<MaterialAnswer>('material.read'),
  staleTime: 300_000,
});

export const courseListQuery = queryOptions({
  queryKey: keys.courses,
  queryFn: () => call<readonly CourseSummary[]>('course.list'),
});

export function courseQuery(id: string) {
  return queryOptions({
    queryKey: keys.course(id),
    queryFn: () => call<CourseAnswer>('course.read', { params: { course: id } }),
  });
}

export function sectionQuery(id: string) {
  return queryOptions({
    queryKey: keys.section(id),
    queryFn: () => call<SectionAnswer>('section.read', { params: { section: id } }),
  });
}

/** The plan of one class, mended from its logs in the worker; the same data give the same plan. */
export function classPlanQuery(
  material: MaterialAnswer,
  course: Course,
  published: Placed,
  section: SectionAnswer | undefined,
) {
  const recaps = (section?.recaps ?? []).map(({ lesson }) => ({ lesson }));
  const events = { logs: section?.logs ?? [], recaps };
  return queryOptions({
    queryKey: [...keys.classPlan(section?.section.id ?? ''), course.lessons, course.items, published, events],
    queryFn: section ? () => planClassInWorker(material, course, published, events) : skipToken,
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: previous => previous,
  });
}

/** Sends a command on a course and takes over the state it leaves; a clash brings what stands now. */
export function useCourseCommand(id: string) {
  const client = useQueryClient();
  const mutationKey = keys.course(id);
  return useMutation({
    mutationKey,
    scope: { id: `course ${id}` },
    mutationFn: (order: { command: CourseCommand; seen: number }) =>
      call<CourseAnswer>('course.command', { params: { course: id }, body: order }),
    onSuccess: answer => {
      const isLast = client.isMutating({ mutationKey }) === 1;
      if (isLast) client.setQueryData(courseQuery(id).queryKey, answer);
      return client.invalidateQueries({ queryKey: keys.courses });
    },
    onError: error => {
      const current =
        error instanceof ApiError && error.body.code === 'stale' ? error.body.current : undefined;
      if (current) client.setQueryData(courseQuery(id).queryKey, current as CourseAnswer);
    },
  });
}

/** Loads a section again after something in it was written. */
export function useSectionRefresh(id: string) {
  const client = useQueryClient();
  return {
    replace: (answer: SectionAnswer) => client.setQueryData(sectionQuery(id).queryKey, answer),
    change: (edit: (answer: SectionAnswer) => SectionAnswer) =>
      client.setQueryData(sectionQuery(id).queryKey, answer => answer && edit(answer)),
    reload: () => client.invalidateQueries({ queryKey: keys.section(id) }),
  };
}
