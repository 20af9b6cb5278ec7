import type { Role } from '@map-step/core';
import { useCourse } from './course-context.ts';

/** What the studio calls the roles, and the one of who dances alone. */
export function useRoleNames(): Readonly<Record<Role, string>> {
  const { studio } = useCourse();
  return { lead: 'Leader', follow: 'Follower', solo: 'Steps', ...studio.studio.roles };
}
