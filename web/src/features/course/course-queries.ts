import type {
  Change,
  CourseAnswer,
  CourseCommand,
  CourseListAnswer,
  CourseVersionsAnswer,
  Material,
  MaterialAnswer,
  RecapDetail,
  SectionAnswer,
  StudioAnswer,
} from '@map-step/contract';
import type { Audience, Course, Placed } from '@map-step/core';
import {
  hashKey,
  infiniteQueryOptions,
  mutationOptions,
  type QueryClient,
  queryOptions,
  skipToken,
  useIsMutating,
  useMutation,
  useQueryClient,
} from '@tanstack/react-query';
import { ApiError, call } from '../../api/client.ts';
import { painted } from '../../ui/painted.ts';
import { planClassInWorker } from '../../workers/planner.ts';

interface KnownMaterial {
  readonly stamp: string;
  readonly material: Material;
}

const keys = {
  courses: ['courses'] as const,
  everyCourse: ['course'] as const,
  course: (id: string) => ['course', id] as const,
  section: (id: string) => ['section', id] as const,
  material: ['material'] as const,
  classPlan: (id: string) => ['class-plan', id] as const,
};

/** What has to be read again after a change. */
export function changedKeys({ topic, id }: Change): readonly (readonly string[])[] {
  switch (topic) {
    case 'course':
      return [keys.course(id), keys.courses];
    case 'section':
      return [keys.section(id), keys.courses];
    case 'material':
      return [keys.material];
    case 'job':
      return [['job', id]];
    case 'everything':
      return [[]];
    default:
      return topic satisfies never;
  }
}

/** Courses of which others told while a change of one's own was on its way. */
const waiting = new Set<string>();

/**
 * True while a change of one's own is on its way: reading again now would show what stood before it. The course is
 * then read again as soon as that change has been answered.
 */
export function readAfterSaving(client: QueryClient, id: string): boolean {
  const isSaving = isSavingCourse(client, id);
  if (isSaving) waiting.add(id);
  return isSaving;
}

export function isSavingCourse(client: QueryClient, id: string): boolean {
  return client.isMutating({ mutationKey: keys.course(id) }) > 0;
}

export const studioQuery = queryOptions({
  queryKey: ['studio'],
  queryFn: () => call<StudioAnswer>('studio.read'),
  staleTime: 300_000,
});

/** The material of a course; read again it costs little as long as nothing has changed. */
export function materialQuery(course: string) {
  return queryOptions({
    queryKey: [...keys.material, course],
    queryFn: async ({ client, queryKey }): Promise<KnownMaterial> => {
      const known = client.getQueryData<KnownMaterial>(queryKey);
      const query = { course, ...(known && { stamp: known.stamp }) };
      const { stamp, material } = await call<MaterialAnswer>('material.read', { query });
      if (material) return { stamp, material };
      if (!known) throw new Error('the server told of nothing new to somebody who had nothing');
      return known;
    },
    staleTime: 300_000,
  });
}

/** The newest classes first, a page at a time. */
export const courseListQuery = infiniteQueryOptions({
  queryKey: keys.courses,
  queryFn: ({ pageParam }) => call<CourseListAnswer>('course.list', { query: { page: pageParam } }),
  initialPageParam: 0,
  getNextPageParam: (last, pages) => (last.more ? pages.length : undefined),
});

export function courseQuery(id: string) {
  return queryOptions({
    queryKey: keys.course(id),
    queryFn: () => call<CourseAnswer>('course.read', { params: { course: id } }),
  });
}

/** The plans that were published or kept, the newest first; asked anew when the course has changed. */
export function versionsQuery(id: string, version: number) {
  return queryOptions({
    queryKey: [...keys.course(id), 'versions', version],
    queryFn: () => call<CourseVersionsAnswer>('course.versions', { params: { course: id } }),
    placeholderData: previous => previous,
  });
}

export function sectionQuery(id: string) {
  return queryOptions({
    queryKey: keys.section(id),
    queryFn: () => call<SectionAnswer>('section.read', { params: { section: id } }),
  });
}

/** A recap with its history. */
export function recapQuery(params: { section: string; lesson: number; audience: Audience }) {
  return queryOptions({
    queryKey: [...keys.section(params.section), 'recap', params.lesson, params.audience],
    queryFn: () => call<RecapDetail>('recap.read', { params }),
  });
}

/** The plan of one class, mended from its logs in the worker; the same data give the same plan. */
export function classPlanQuery(
  material: Material,
  course: Course,
  published: Placed,
  section: SectionAnswer | undefined,
) {
  const recaps = (section?.recaps ?? []).map(({ lesson }) => ({ lesson }));
  const events = { logs: section?.logs ?? [], recaps };
  const told = section ? [course.lessons, course.items, published, events] : [];
  const queryKey = [...keys.classPlan(section?.section.id ?? ''), ...told];
  return queryOptions({
    queryKey,
    queryHash: hashKey(queryKey),
    queryFn: section ? () => planClassInWorker(material, course, published, events) : skipToken,
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: previous => previous,
  });
}

interface Order {
  readonly command: CourseCommand;
  readonly seen: number;
}

function send(id: string, order: Order): Promise<CourseAnswer> {
  return call('course.command', { params: { course: id }, body: order, outlives: true });
}

/** Commands go one after another; when the page goes, those that still wait for their turn are sent all the same. */
export function sendWhatWaits(client: QueryClient): void {
  const waits = client.getMutationCache().findAll({
    mutationKey: keys.everyCourse,
    status: 'pending',
    predicate: ({ state }) => state.isPaused,
  });
  for (const { options, state } of waits)
    void send(String(options.mutationKey?.[1]), state.variables as Order).catch(() => undefined);
}

/** Sends a command on a course and takes over the state it leaves; a clash brings what stands now. */
export function courseCommand(client: QueryClient, id: string) {
  const mutationKey = keys.course(id);
  return mutationOptions({
    mutationKey,
    scope: { id: `course ${id}` },
    mutationFn: async (order: Order) => {
      // A hand on the map sees the figure move before anything is sent.
      if (order.command.kind === 'place') await painted();
      return send(id, order);
    },
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
    onSettled: async () => {
      const isLast = client.isMutating({ mutationKey }) === 1;
      if (isLast && waiting.delete(id)) await client.invalidateQueries({ queryKey: mutationKey });
    },
  });
}

export function useCourseCommand(id: string) {
  return useMutation(courseCommand(useQueryClient(), id));
}

/** True while a change of the course is on its way. */
export function useIsSavingCourse(id: string): boolean {
  return useIsMutating({ mutationKey: keys.course(id) }) > 0;
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
