import { figuresBelow } from '../library/figures-below.ts';
import { type FigureWays, findWays } from '../library/level-ways.ts';
import type { Library } from '../library/library.ts';
import { assemblyMinutes } from '../likeness/assembly.ts';
import { figureDifficulty } from '../likeness/difficulty.ts';
import { figureElements } from '../likeness/elements.ts';
import type { Course, CourseItem, CourseLesson, Pattern } from '../model/document.ts';
import { needsOf } from '../model/needs.ts';
import { failure, type Result, success } from '../model/result.ts';
import { type Tenths, tenths, tenthsOfMinutes } from '../model/units.ts';
import type { Figure } from '../steps/figure.ts';
import { aheadLessons } from './ahead.ts';
import type { Placed, Placing, PlanItem, PlanProblem } from './problem.ts';
import { findProblemFaults } from './validate.ts';

/** What is not the course's own: the plan that was published, and what a class was really taught. */
export interface PlanHistory {
  readonly published?: Placed;
  /** The plan that the classes follow: what it taught ahead in lessons that are over is known. */
  readonly followed?: Placing;
  readonly taught?: NonNullable<PlanProblem['taught']>;
}

/** Tenths of a lesson for new material and reviews: its minutes less its fixed blocks; recall stays in. */
export function lessonCapacity({ minutes, fixed }: CourseLesson): Tenths {
  const kept = [fixed.arrive, fixed.warmUp, fixed.combine, fixed.dance, fixed.check, fixed.recap];
  return tenths(
    kept.reduce<number>((rest, block) => rest - tenthsOfMinutes(block ?? 0), tenthsOfMinutes(minutes)),
  );
}

/** Tenths that a second look at a figure takes: half of putting it together; undefined for what cannot be danced. */
export function secondLook(library: Library, course: Pick<Course, 'roles'>, id: string): Tenths | undefined {
  const figure = library.readings.get(id)?.figure;
  return figure && tenths(Math.ceil(assemblyOf(figure, library, course) / 2));
}

/** What is left of a lesson beside its blocks and the second looks that it gives. */
function roomInLesson(library: Library, course: Course, lesson: CourseLesson): Tenths {
  const looks = (lesson.again ?? []).map(id => secondLook(library, course, id) ?? 0);
  return tenths(looks.reduce<number>((rest, look) => rest - look, lessonCapacity(lesson)));
}

/** Tenths to put a figure together in a course. */
export function assemblyOf(figure: Figure, library: Library, { roles }: Pick<Course, 'roles'>): Tenths {
  const needed = needsOf(figure.pattern).flatMap(id => library.readings.get(id)?.figure ?? []);
  return assemblyMinutes(figure, needed, roles === 'both');
}

/**
 * The first `lessons` of a course as taught, each figure where the plan that its classes follow had it; undefined when
 * none of them is over.
 */
export function taughtAsPlanned(
  { items, lessons }: Pick<Course, 'items' | 'lessons'>,
  planned: Placed,
  over: number,
): PlanProblem['taught'] {
  if (over <= 0) return undefined;
  const taught = items.flatMap(({ pattern }) => {
    const lesson = planned[pattern];
    return lesson !== undefined && lesson <= over ? [[pattern, lesson] as const] : [];
  });
  return { lessons: Math.min(over, lessons.length), items: Object.fromEntries(taught) };
}

/**
 * The planning problem of a course: each item with its assembly minutes and elements, the lessons with their
 * capacity. Figures of lower levels of the same dance and their elements are known. Refused, with the ids
 * named, when a need is neither in the course nor known or the rules cannot hold.
 */
export function buildPlanProblem(
  library: Library,
  course: Course,
  history: PlanHistory = {},
): Result<PlanProblem, readonly string[]> {
  const knownFigures = findKnownFigures(library, course);
  const known = new Set([...knownFigures.values()].flatMap(figure => elementIds(figure, library)));
  const minutes: Record<string, Tenths> = {};
  const items: PlanItem[] = [];
  const faults: string[] = [];
  const ways = findWays(
    course.items.flatMap(({ pattern }) => soundFigure(library, pattern)),
    [...knownFigures.keys()].flatMap(id => soundFigure(library, id)),
  );
  const capacity = Math.max(0, ...course.lessons.map(lesson => roomInLesson(library, course, lesson)));
  for (const courseItem of course.items) {
    const figure = library.readings.get(courseItem.pattern)?.figure;
    if (!figure) {
      faults.push(`"${courseItem.pattern}" is not in the library`);
      continue;
    }
    const elements = figureElements(figure, library.elements);
    for (const element of elements) minutes[element.id] = element.minutes;
    const missing = needsOf(figure.pattern).filter(
      need => !knownFigures.has(need) && !course.items.some(({ pattern }) => pattern === need),
    );
    for (const need of missing)
      faults.push(
        `"${courseItem.pattern}" needs "${need}", which is neither in the course nor of a lower level`,
      );
    items.push(planItem(courseItem, figure, { library, course, knownFigures, known, capacity, ways }));
  }
  if (faults.length > 0) return failure(faults);
  const problem: PlanProblem = {
    lessons: course.lessons.map(lesson => ({ capacity: roomInLesson(library, course, lesson) })),
    items,
    elements: minutes,
    known: [...known],
    lookalikes: lookalikePairs(course, library),
    apart: course.lookalikes === 'apart',
    open: course.format === 'open',
    ...(course.ahead && { ahead: true }),
    ...(course.along && { along: true }),
    ...(course.weights && { weights: course.weights }),
    ...(history.published && { published: history.published }),
  };
  const { taught } = history;
  const whole = taught
    ? { ...problem, taught: { prepared: asPlanned(problem, history), ...taught } }
    : problem;
  const unusable = findProblemFaults(whole);
  return unusable.length > 0 ? failure(unusable) : success(whole);
}

/** What was taught ahead in the lessons that are over, where they went as published. */
function asPlanned(problem: PlanProblem, { followed, taught }: PlanHistory) {
  const lessons = followed ? [...aheadLessons(problem, followed.placed, followed.ahead)] : [];
  return Object.fromEntries(lessons.filter(([, lesson]) => lesson <= (taught?.lessons ?? 0)));
}

interface ItemContext {
  readonly library: Library;
  readonly course: Course;
  readonly knownFigures: ReadonlyMap<string, Figure>;
  readonly known: ReadonlySet<string>;
  readonly capacity: number;
  readonly ways: ReadonlyMap<string, FigureWays>;
}

/** A figure that can be danced as it is written. */
function soundFigure(library: Library, id: string): readonly Figure[] {
  const reading = library.readings.get(id);
  return reading && reading.faults.length === 0 ? [reading.figure] : [];
}

function planItem(item: CourseItem, figure: Figure, context: ItemContext): PlanItem {
  const { library, course, knownFigures, known, capacity } = context;
  const { pattern } = figure;
  const assembly = assemblyOf(figure, library, course);
  const elements = figureElements(figure, library.elements);
  const before = new Set(needsBelow(pattern, library).flatMap(need => elementIds(need, library)));
  const alone = elements.reduce<number>(
    (sum, { id, minutes }) => sum + (known.has(id) || before.has(id) ? 0 : minutes),
    assembly,
  );
  const isSplit = pattern.overTwoLessons ?? (alone > capacity && course.format === 'series');
  const allowed = allowedByDance(pattern, course);
  const { value, from, to, pin, gate } = item;
  return {
    id: pattern.id,
    kind: pattern.kind,
    value,
    assembly,
    elements: elements.map(({ id }) => id),
    needs: needsOf(pattern).filter(id => !knownFigures.has(id)),
    ...(from !== undefined && { from }),
    ...(to !== undefined && { to }),
    ...(pin !== undefined && { pin }),
    ...(isSplit && { split: true }),
    ...(gate && { gate }),
    ...(allowed && { allowed }),
    ...(figure.parts.length > 0 && { difficulty: figureDifficulty(figure, library).total }),
    ...(course.format === 'series' && context.ways.get(pattern.id)),
  };
}

/** What a figure needs, through any number of needs: it has been taught by then. */
function needsBelow(pattern: Pattern, library: Library): readonly Figure[] {
  const found = new Map<string, Figure>();
  const waiting = [...needsOf(pattern)];
  for (const id of waiting) {
    const figure = library.readings.get(id)?.figure;
    if (!figure || found.has(id)) continue;
    found.set(id, figure);
    waiting.push(...needsOf(figure.pattern));
  }
  return [...found.values()];
}

function allowedByDance(pattern: Pattern, course: Course): number[] | undefined {
  if (course.lessons.every(({ dance }) => dance === undefined)) return undefined;
  return course.lessons.flatMap(({ dance }, index) =>
    dance === undefined || dance === pattern.dance ? [index + 1] : [],
  );
}

function findKnownFigures(library: Library, course: Course): ReadonlyMap<string, Figure> {
  const own = new Set(course.items.map(({ pattern }) => pattern));
  const below = figuresBelow(library, course.level).filter(({ id }) => !own.has(id));
  return new Map(
    below.flatMap(({ id }) => {
      const figure = library.readings.get(id)?.figure;
      return figure ? [[id, figure] as const] : [];
    }),
  );
}

function elementIds(figure: Figure, library: Library): string[] {
  return figureElements(figure, library.elements).map(({ id }) => id);
}

function lookalikePairs(course: Course, library: Library): [string, string][] {
  const inCourse = new Set(course.items.map(({ pattern }) => pattern));
  const pairs = new Map<string, [string, string]>();
  for (const { pattern: id } of course.items)
    for (const other of library.patterns.get(id)?.lookalikes ?? [])
      if (other !== id && inCourse.has(other)) {
        const pair: [string, string] = id < other ? [id, other] : [other, id];
        pairs.set(pair.join(' '), pair);
      }
  return [...pairs.values()];
}
