import type { Library } from '../library/library.ts';
import type { Check, Course, CourseItem, Layer, Role } from '../model/document.ts';
import type { Placed } from '../plan/problem.ts';

export type Criterion = Check['items'][number];

export const LAYERS = ['steps', 'timing', 'partner', 'technique', 'tempo'] as const satisfies Layer[];
/** What of a figure is looked at where nobody said it, gates apart: those are looked at in every way. */
const USUAL: readonly Layer[] = ['steps', 'timing', 'partner'];

/**
 * What a check of a class asks, by the class's own plan, in which what it was taught lies where it was taught: its figures
 * in their order, half way those of the first half of its lessons only. What is left out of the plan is not asked; without
 * a plan every figure is.
 */
export function generateCriteria(
  library: Library,
  course: Pick<Course, 'items' | 'lessons'>,
  plan: Placed,
  kind: Check['kind'],
): readonly Criterion[] {
  const last = kind === 'half-way' ? Math.ceil(course.lessons.length / 2) : course.lessons.length;
  const isPlanned = Object.keys(plan).length > 0;
  const asked = course.items
    .filter(({ pattern }) => (isPlanned ? (plan[pattern] ?? Number.POSITIVE_INFINITY) <= last : true))
    .filter(({ pattern }) => library.patterns.get(pattern)?.kind !== 'drill');
  const order = ({ pattern }: CourseItem) => plan[pattern] ?? 0;
  return asked.toSorted((a, b) => order(a) - order(b)).map(item => criterion(library, item));
}

function criterion(library: Library, { pattern, gate = false, layers }: CourseItem): Criterion {
  const dance = library.dances.get(library.patterns.get(pattern)?.dance ?? '');
  const isSolo = dance?.roles === 'solo';
  const wanted = layers ?? (gate ? LAYERS : USUAL);
  return { pattern, gate, layers: wanted.filter(layer => !isSolo || layer !== 'partner') };
}

/** The layers that a criterion asks of a role: nobody who dances alone is asked about a partner. */
export function layersFor({ layers }: Pick<Criterion, 'layers'>, role: Role): readonly Layer[] {
  return role === 'solo' ? layers.filter(layer => layer !== 'partner') : layers;
}
