// The levels of a dance in their order with what each teaches, as findings and the picture of a programme take them.
import type { Library } from '../library/library.ts';
import type { Course, Level, StudioDocument } from '../model/document.ts';
import { groupBy } from '../model/group-by.ts';
import { needsOf } from '../model/needs.ts';
import { buildPlanProblem } from '../plan/build-problem.ts';

export interface TaughtLevel {
  readonly level: Level;
  readonly courses: readonly Course[];
  /** What any of its courses introduces, in the order of their items. */
  readonly teaches: readonly string[];
  /** Figures that its checks must pass. */
  readonly gates: ReadonlySet<string>;
  /** Tenths that its figures and their elements take, where no lower level has taught them. */
  readonly minutes: number;
  /** Tenths that a course of it has in all its lessons; 0 without a course. */
  readonly lessons: number;
}

/** What a programme is read from. */
export type ProgrammeSource = Pick<StudioDocument, 'courses' | 'plans' | 'checks' | 'sections'>;

/**
 * The levels of every dance, lowest first. A level teaches what the newest published plans of its courses place, else their
 * items. Linear in the levels and their figures but for the elements of each.
 */
export function levelChains(
  library: Library,
  { courses = [], plans = [] }: ProgrammeSource,
): ReadonlyMap<string, readonly TaughtLevel[]> {
  const ofLevel = groupBy(courses, course => course.level ?? '');
  const byDance = groupBy([...library.levels.values()], level => level.dance);
  return new Map(
    [...byDance].map(([dance, levels]) => {
      const chain = levels.toSorted((a, b) => a.order - b.order);
      return [
        dance,
        chain.map(level => taughtIn(library, level, ofLevel.get(level.id) ?? [], plans)),
      ] as const;
    }),
  );
}

function taughtIn(
  library: Library,
  level: Level,
  courses: readonly Course[],
  plans: NonNullable<ProgrammeSource['plans']>,
): TaughtLevel {
  const taught = courses.flatMap(course => {
    const published = plans.findLast(plan => plan.course === course.id && plan.published);
    return (published?.placed ?? course.items).map(({ pattern }) => pattern);
  });
  const teaches = [...new Set(taught)].filter(id => library.patterns.get(id)?.dance === level.dance);
  const gates = courses.flatMap(({ items }) =>
    items.filter(({ gate }) => gate).map(({ pattern }) => pattern),
  );
  return withTaught(
    library,
    { level, courses, teaches, gates: new Set(gates), minutes: 0, lessons: 0 },
    teaches,
  );
}

/** A level that teaches other figures than it does, with the minutes that these take. */
export function withTaught(library: Library, level: TaughtLevel, teaches: readonly string[]): TaughtLevel {
  const [course] = level.courses;
  const minutesOf = ({ lessons }: Course) => lessons.reduce((sum, { minutes }) => sum + minutes, 0);
  const lessons =
    level.courses.length === 0
      ? 0
      : (10 * level.courses.reduce((sum, one) => sum + minutesOf(one), 0)) / level.courses.length;
  const items = teaches.map(pattern => ({ pattern, value: 'should' as const }));
  const built = course && buildPlanProblem(library, { ...course, items });
  if (!built?.ok) return { ...level, teaches, minutes: 0, lessons };
  const { items: planned, elements, known = [] } = built.value;
  const paid = new Set(planned.flatMap(item => item.elements).filter(id => !known.includes(id)));
  const ofElements = [...paid].reduce((sum, id) => sum + (elements[id] ?? 0), 0);
  return {
    ...level,
    teaches,
    lessons,
    minutes: planned.reduce((sum, item) => sum + item.assembly, ofElements),
  };
}

/** What the figures of a level need that it does not teach itself, each once. */
export function requiredBy(library: Library, { teaches, level }: TaughtLevel): readonly string[] {
  const own = new Set(teaches);
  const needs = teaches.flatMap(id => needsOf(library.patterns.get(id) ?? {}));
  return [...new Set(needs)].filter(id => !own.has(id) && library.patterns.get(id)?.dance === level.dance);
}
