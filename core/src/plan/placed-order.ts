import type { Course } from '../model/document.ts';
import type { Placed } from './problem.ts';

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
