import {
  buildPlanProblem,
  type Course,
  cautionsWithCodes,
  dancedBefore,
  describePlan,
  draftPlacing,
  findProblemFaults,
  followedPlacing,
  keptPlacing,
  type LessonSource,
  type Library,
  lessonsBehind,
  type MipSolver,
  openLibrary,
  type Placing,
  type PlanAnswer,
  type PlannedLesson,
  type PlanProblem,
  planClass,
  recallOn,
  runningOrder,
  type Section,
  type StudioDocument,
  solvePlan,
  taughtAsPlanned,
} from '@map-step/core';
import { readSoundStudio, readStudio, readValue } from './files.ts';
import { planFile, problemFile } from './plan-schema.ts';
import { type Arguments, readWhole, takeWords, UsageError, wholeOption } from './usage.ts';

export const SOLVE_OPTIONS = ['seconds', 'seed', 'work'] as const;
export const PLAN_OPTIONS = [...SOLVE_OPTIONS, 'published', 'from-nothing'] as const;

/** An answer and its exit code: 1 when a rule is broken. */
export interface PlanOutcome {
  readonly value: unknown;
  readonly code: 0 | 1;
}

/** The plan of a course: of what its classes have not had, or from nothing. */
export function plan(args: Arguments, solver?: MipSolver): PlanOutcome {
  const [file = '', courseId = ''] = takeWords(args, 'FILE', 'COURSE');
  const path = args.options.get('published');
  const given = path === undefined ? undefined : readValue(path, planFile);
  const { document, course } = readCourse(file, courseId);
  const over = args.options.has('from-nothing') ? 0 : lessonsHad(document, courseId);
  const followed = given ?? followedPlan(document, course);
  const taught = followed && taughtAsPlanned(course, followed.placed, over);
  const published = given ?? (taught && followed);
  const { problem } = courseProblem(file, courseId, {
    ...(published && { published: published.placed }),
    ...(followed && { followed }),
    ...(taught && { taught }),
  });
  return outcome(solve(problem, args, solver));
}

/** What the classes of a course follow: what was published last, or else where its figures lie. */
function followedPlan(document: StudioDocument, course: Course): Placing | undefined {
  const published = document.plans?.findLast(entry => entry.course === course.id && entry.published);
  return published || course.placed ? followedPlacing(course, published) : undefined;
}

/** The lessons that the most advanced of its classes has behind it, by what was written: a file knows no day. */
function lessonsHad({ sections = [], logs = [], recaps = [] }: StudioDocument, courseId: string): number {
  const own = sections.filter(({ course }) => course === courseId);
  return Math.max(
    0,
    ...own.map(({ id }) =>
      lessonsBehind(
        logs.filter(({ section }) => section === id),
        recaps.filter(({ section }) => section === id),
      ),
    ),
  );
}

export function solveProblem(args: Arguments, solver?: MipSolver): PlanOutcome {
  const [file = ''] = takeWords(args, 'FILE');
  return outcome(solve(readProblem(file), args, solver));
}

export function judge(args: Arguments): PlanOutcome {
  const [file = '', planPath = ''] = takeWords(args, 'FILE', 'PLANFILE');
  const problem = readProblem(file);
  const { placed, split, ahead } = readValue(planPath, planFile);
  for (const id of [...Object.keys(placed), ...(split ?? [])])
    if (!problem.items.some(item => item.id === id))
      throw new UsageError(`${planPath}: "${id}" is not among the items`);
  for (const id of ahead)
    if (!Object.hasOwn(problem.elements, id))
      throw new UsageError(`${planPath}: "${id}" is not among the elements`);
  const items = split
    ? problem.items.map(item => ({ ...item, split: split.includes(item.id) }))
    : problem.items;
  return outcome({
    ...describePlan({ ...problem, items }, { placed, ahead }, { ended: 'work' }),
    seconds: 0,
  });
}

/**
 * The running order of a lesson: by its first class's own plan, where something was written of that; else by the course's
 * placing, its published plan, or a plan made now.
 */
export function lesson(args: Arguments, solver?: MipSolver): PlanOutcome {
  const [file = '', courseId = '', number = ''] = takeWords(args, 'FILE', 'COURSE', 'N');
  const { document, problem, course } = courseProblem(file, courseId, {});
  const n = readWhole(number, 'N', [1, course.lessons.length]);
  const section = document.sections?.find(entry => entry.course === courseId);
  const library = openLibrary(document);
  const started = section ? { start: section.start } : {};
  const ofClass = section && lessonOfClass(document, library, course, section, n);
  const order = runningOrder({
    ...{ course, lesson: n, library, ...started },
    ...(ofClass ?? lessonOfCourse(n)),
  });
  const tonight = [
    ...new Set(order.blocks.flatMap(({ patterns, element }) => [...patterns, ...(element?.figures ?? [])])),
  ];
  const cautions = tonight.flatMap(id => {
    const pattern = library.patterns.get(id);
    return pattern ? cautionsWithCodes(pattern, document.studio).map(one => ({ pattern: id, ...one })) : [];
  });
  return { value: { course: courseId, ...order, cautions }, code: 0 };

  function lessonOfCourse(n: number) {
    const kept = document.plans?.findLast(entry => entry.course === courseId);
    const known = course.placed ? draftPlacing(course) : kept && keptPlacing(kept);
    const chosen: Placing = known ?? solve(problem, args, solver);
    const { placed } = chosen;
    const lessons = describePlan(problem, chosen, { ended: 'work' }).lessons;
    const planned = lessons[n - 1];
    if (!planned) throw new UsageError(`${courseId} has no lesson ${n}`);
    return {
      planned,
      ...withNext(lessons[n]),
      taught: Object.keys(placed).filter(id => (placed[id] ?? n) < n),
    };
  }
}

/** A lesson as a class comes to it, by the logs of the lessons before; undefined where nothing was written of them. */
function lessonOfClass(
  document: StudioDocument,
  library: Library,
  course: Course,
  section: Section,
  n: number,
): Omit<LessonSource, 'course' | 'lesson' | 'library'> | undefined {
  const before = <Entry extends { readonly section: string; readonly lesson: number }>(
    entries: readonly Entry[] = [],
  ) => entries.filter(entry => entry.section === section.id && entry.lesson < n);
  const [logs, recaps] = [before(document.logs), before(document.recaps)];
  const published = followedPlan(document, course);
  if (!published || (logs.length === 0 && recaps.length === 0)) return undefined;
  const plan = planClass(library, course, published, { logs, recaps, over: n - 1 });
  const lessons = plan.ok ? plan.value.answer.lessons : [];
  const planned = lessons[n - 1];
  if (!plan.ok || !planned) return undefined;
  const { taught, carried, begun } = plan.value.progress;
  const date = section.dates[n - 1];
  return {
    planned,
    ...withNext(lessons[n]),
    taught: Object.keys(taught),
    left: [...carried, ...begun],
    ...(date !== undefined && { recall: recallOn(dancedBefore(section, logs, n), date) }),
  };
}

function withNext(next: PlannedLesson | undefined): Pick<LessonSource, 'next'> {
  return next ? { next } : {};
}

function readCourse(file: string, courseId: string) {
  const course = findCourse(readStudio(file), file, courseId);
  const document = readSoundStudio(file, new Set(course.items.map(({ pattern }) => pattern)));
  return { document, course };
}

function courseProblem(file: string, courseId: string, history: Parameters<typeof buildPlanProblem>[2]) {
  const { document, course } = readCourse(file, courseId);
  const built = buildPlanProblem(openLibrary(document), course, history);
  if (!built.ok) throw new UsageError(`${file}: course "${courseId}": ${built.fault.join('; ')}`);
  return { document, course, problem: built.value };
}

function findCourse(document: StudioDocument, file: string, id: string) {
  const course = document.courses?.find(entry => entry.id === id);
  if (course) return course;
  const there = (document.courses ?? []).map(entry => entry.id).join(', ') || 'none';
  throw new UsageError(`${file}: /courses: there is no course "${id}"; there are: ${there}`);
}

function readProblem(file: string): PlanProblem {
  const problem = readValue(file, problemFile);
  const faults = findProblemFaults(problem);
  if (faults.length > 0) throw new UsageError(`${file}: ${faults.join('; ')}`);
  return problem;
}

function solve(problem: PlanProblem, args: Arguments, solver?: MipSolver): PlanAnswer {
  const seconds = Number(args.options.get('seconds') ?? 5);
  if (!(seconds > 0 && seconds <= 3600)) throw new UsageError('--seconds must be above 0 and at most 3600');
  const work = wholeOption(args, 'work', [1, 1_000_000_000]);
  const start = performance.now();
  const clock = () => (performance.now() - start) / 1000;
  const answer = solvePlan(problem, {
    seed: wholeOption(args, 'seed', [0, 2 ** 31]) ?? 1,
    budget: work === undefined ? { kind: 'time', seconds, clock } : { kind: 'work', work },
    ...(solver && { solver }),
  });
  return { ...answer, seconds: Math.round(clock() * 1000) / 1000 };
}

function outcome(answer: PlanAnswer): PlanOutcome {
  return { value: answer, code: answer.broken.length > 0 ? 1 : 0 };
}
