import type { Course, PlanVersion } from '../model/document.ts';
import type { Placed, Placing } from './problem.ts';

/** The course with its placings in the order of its items, as it is kept: the same plan is told by the same list. */
export function placedInOrder(course: Course): Course {
  if (!course.placed) return course;
  const order = new Map(course.items.map(({ pattern }, index) => [pattern, index]));
  const at = ({ pattern }: { pattern: string }) => order.get(pattern) ?? order.size;
  return { ...course, placed: [...course.placed].sort((a, b) => at(a) - at(b)) };
}

/** Where the figures of a plan lie, by id; nowhere without a plan. */
export function placedOf(plan: Pick<Course, 'placed'> | null): Placed {
  return Object.fromEntries((plan?.placed ?? []).map(({ pattern, lesson }) => [pattern, lesson]));
}

/** The plan of a course as it is drafted. */
export function draftPlacing(course: Pick<Course, 'placed' | 'placedAhead'>): Placing {
  return { placed: placedOf(course), ahead: course.placedAhead ?? [] };
}

/** A plan as it was kept or published. */
export function keptPlacing(version: Pick<PlanVersion, 'placed' | 'ahead'>): Placing {
  return { placed: placedOf(version), ahead: version.ahead ?? [] };
}

/** The plan that the classes of a course follow: what was published last, else the draft. */
export function followedPlacing(
  course: Pick<Course, 'placed' | 'placedAhead'>,
  published: Pick<PlanVersion, 'placed' | 'ahead'> | null | undefined,
): Placing {
  return published ? keptPlacing(published) : draftPlacing(course);
}
