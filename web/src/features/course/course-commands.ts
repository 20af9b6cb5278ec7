import type { CourseAnswer, CourseCommand } from '@map-step/contract';
import {
  mutationOptions,
  type QueryClient,
  useIsMutating,
  useMutation,
  useQueryClient,
} from '@tanstack/react-query';
import { ApiError, call } from '../../api/client.ts';
import { courseQuery, keys } from './course-queries.ts';
import { readWhatWasTold } from './read-again.ts';

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
  const isLast = () => client.isMutating({ mutationKey }) === 1;
  return mutationOptions({
    mutationKey,
    scope: { id: `course ${id}` },
    mutationFn: (order: Order) => send(id, order),
    onSuccess: answer => {
      if (isLast()) client.setQueryData(courseQuery(id).queryKey, answer);
      return client.invalidateQueries({ queryKey: keys.courses });
    },
    onError: error => {
      const current =
        error instanceof ApiError && error.body.code === 'stale' ? error.body.current : undefined;
      if (current) client.setQueryData(courseQuery(id).queryKey, current as CourseAnswer);
    },
    onSettled: () => {
      if (isLast()) readWhatWasTold(client, id);
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
