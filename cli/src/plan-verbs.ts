import {
  buildPlanProblem,
  cautionsWithCodes,
  describePlan,
  findProblemFaults,
  type MipSolver,
  openLibrary,
  type PlanAnswer,
  type PlanProblem,
  runningOrder,
  type StudioDocument,
  solvePlan,
} from '@map-step/core';
import { readSoundStudio, readStudio, readValue } from './files.ts';
import { planFile, problemFile } from './plan-schema.ts';
import { type Arguments, readWhole, takeWords, UsageError, wholeOption } from './usage.ts';

export const SOLVE_OPTIONS = ['seconds', 'seed', 'work'] as const;
export const PLAN_OPTIONS = [...SOLVE_OPTIONS, 'published'] as const;

/** An answer and its exit code: 1 when a rule is broken. */
export interface PlanOutcome {
  readonly value: unknown;
  readonly code: 0 | 1;
}

export function plan(args: Arguments, solver?: MipSolver): PlanOutcome {
  const [file = '', courseId = ''] = takeWords(args, 'FILE', 'COURSE');
  const published = args.options.get('published');
  const before = published === undefined ? {} : { published: readValue(published, planFile).placed };
  const { problem } = courseProblem(file, courseId, before);
  return outcome(solve(problem, args, solver));
}

export function solveProblem(args: Arguments, solver?: MipSolver): PlanOutcome {
  const [file = ''] = takeWords(args, 'FILE');
  return outcome(solve(readProblem(file), args, solver));
}

export function judge(args: Arguments): PlanOutcome {
  const [file = '', planPath = ''] = takeWords(args, 'FILE', 'PLANFILE');
  const problem = readProblem(file);
  const { placed, split } = readValue(planPath, planFile);
  for (const id of [...Object.keys(placed), ...(split ?? [])])
    if (!problem.items.some(item => item.id === id))
      throw new UsageError(`${planPath}: "${id}" is not among the items`);
  const items = split
    ? problem.items.map(item => ({ ...item, split: split.includes(item.id) }))
    : problem.items;
  return outcome({ ...describePlan({ ...problem, items }, placed, { ended: 'work' }), seconds: 0 });
}

/** The running order of a lesson: by the course's own placing, its published plan, or a plan made now. */
export function lesson(args: Arguments, solver?: MipSolver): PlanOutcome {
  const [file = '', courseId = '', number = ''] = takeWords(args, 'FILE', 'COURSE', 'N');
  const { document, problem, course } = courseProblem(file, courseId, {});
  const n = readWhole(number, 'N', [1, course.lessons.length]);
  const chosen = course.placed ?? document.plans?.findLast(entry => entry.course === courseId)?.placed;
  const placed = chosen
    ? Object.fromEntries(chosen.map(entry => [entry.pattern, entry.lesson]))
    : solve(problem, args, solver).placed;
  const planned = describePlan(problem, placed, { ended: 'work' }).lessons[n - 1];
  if (!planned) throw new UsageError(`${courseId} has no lesson ${n}`);
  const section = document.sections?.find(entry => entry.course === courseId);
  const library = openLibrary(document);
  const order = runningOrder({
    course,
    lesson: n,
    planned,
    library,
    taught: Object.keys(placed).filter(id => (placed[id] ?? n) < n),
    ...(section && { start: section.start }),
  });
  const tonight = [...new Set(order.blocks.flatMap(({ patterns }) => patterns))];
  const cautions = tonight.flatMap(id => {
    const pattern = library.patterns.get(id);
    return pattern ? cautionsWithCodes(pattern, document.studio).map(one => ({ pattern: id, ...one })) : [];
  });
  return { value: { course: courseId, ...order, cautions }, code: 0 };
}

function courseProblem(file: string, courseId: string, history: Parameters<typeof buildPlanProblem>[2]) {
  const course = findCourse(readStudio(file), file, courseId);
  const document = readSoundStudio(file, new Set(course.items.map(({ pattern }) => pattern)));
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
