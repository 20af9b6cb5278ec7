import type { CourseAnswer, CourseCommand, CourseMove } from '@map-step/contract';
import type { Course, PlanVersion } from '@map-step/core';
import { announce } from '../../db/change-feed.ts';
import { documentStore, type Stored } from '../../db/document-store.ts';
import { historyStore, type NewHistory } from '../../db/history-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../http/http-fault.ts';
import { addPlans } from '../studio/studio-store.ts';
import { readCourse } from './course-queries.ts';

export interface CourseOrder {
  readonly course: string;
  readonly person: string;
  readonly now: Date;
  /** The version the person looked at. */
  readonly seen: number;
  readonly command: CourseCommand;
}

/** What a command does to a course: its new state and its line in the history. */
interface Change {
  readonly course: Course;
  readonly history: NewHistory;
  readonly plan?: PlanVersion;
}

const TRIES = 5;

/**
 * Runs a command on a course: the version is raised by the update itself. A command that saw an older version
 * still runs when it touches nothing that changed since; a real clash is refused with what stands now.
 */
export async function runCourseCommand(scope: StudioScope, order: CourseOrder): Promise<CourseAnswer> {
  const courses = documentStore(scope, 'courses');
  for (let attempt = 0; attempt < TRIES; attempt += 1) {
    const stored = await courses.find(order.course);
    if (!stored) throw new HttpFault('not-found', `There is no course "${order.course}" in this studio.`);
    const change = await planChange(scope, stored, order);
    if (!(await courses.save(change.course, stored.version))) continue;
    await historyStore(scope, 'course', order.course).add(change.history);
    if (change.plan) await addPlans(scope, [change.plan]);
    await announce(scope, { topic: 'course', id: order.course });
    return readCourse(scope, order.course);
  }
  throw new HttpFault('stale', 'Others are changing this course at the same moment. Try again.');
}

async function planChange(scope: StudioScope, stored: Stored<Course>, order: CourseOrder): Promise<Change> {
  const { command, person } = order;
  switch (command.kind) {
    case 'place':
      return placeItems(scope, stored, order, command.moves, {
        what: command.why,
        undoes: null,
        kind: 'place',
      });
    case 'undo':
      return undo(scope, stored, order, command.of);
    case 'publish':
      if (order.seen !== stored.version)
        throw await stale(scope, order, 'The course has changed since you looked.');
      return publish(stored.body, person, order.now, command);
    default:
      return command satisfies never;
  }
}

async function placeItems(
  scope: StudioScope,
  { body: course }: Stored<Course>,
  order: CourseOrder,
  moves: readonly CourseMove[],
  entry: Pick<NewHistory, 'what' | 'undoes' | 'kind'>,
): Promise<Change> {
  const at = new Map((course.placed ?? []).map(({ pattern, lesson }) => [pattern, lesson]));
  for (const { pattern, from, to } of moves) {
    if (!course.items.some(item => item.pattern === pattern))
      throw new HttpFault('bad-request', `"${pattern}" is not among the items of ${course.name}.`);
    if (to !== null && to > course.lessons.length)
      throw new HttpFault('bad-request', `${course.name} has no lesson ${to}.`);
    if ((at.get(pattern) ?? null) !== from)
      throw await stale(scope, order, `"${pattern}" has been moved since you looked.`);
    if (to === null) at.delete(pattern);
    else at.set(pattern, to);
  }
  const placed = course.items.flatMap(({ pattern }) => {
    const lesson = at.get(pattern);
    return lesson === undefined ? [] : [{ pattern, lesson }];
  });
  const before = Object.fromEntries(moves.map(({ pattern, from }) => [pattern, from]));
  const after = Object.fromEntries(moves.map(({ pattern, to }) => [pattern, to]));
  return { course: { ...course, placed }, history: { ...entry, person: order.person, before, after } };
}

/** Puts back what an earlier command changed, while all of it still is as that command left it. */
async function undo(
  scope: StudioScope,
  stored: Stored<Course>,
  order: CourseOrder,
  of: string,
): Promise<Change> {
  const history = historyStore(scope, 'course', order.course);
  const entry = await history.find(of);
  if (!entry) throw new HttpFault('not-found', 'There is no such change to undo.');
  if (await history.isUndone(of)) throw await stale(scope, order, 'This has been undone already.');
  if (entry.kind === 'publish')
    throw new HttpFault('bad-request', 'A published plan stays; publish another one.');
  const before = entry.before as Record<string, number | null>;
  const after = entry.after as Record<string, number | null>;
  const moves = Object.keys(after).map(pattern => ({
    pattern,
    from: after[pattern] ?? null,
    to: before[pattern] ?? null,
  }));
  return placeItems(scope, stored, order, moves, { what: entry.what, undoes: of, kind: 'undo' });
}

function publish(
  course: Course,
  person: string,
  now: Date,
  { name, note }: { name: string; note: string },
): Change {
  const placed = course.placed ?? [];
  const plan: PlanVersion = {
    course: course.id,
    name,
    by: person,
    at: now.toISOString(),
    ...(note && { note }),
    published: true,
    placed,
    left: course.items
      .map(({ pattern }) => pattern)
      .filter(id => !placed.some(({ pattern }) => pattern === id)),
  };
  const history = { kind: 'publish', what: name, person, before: null, after: null, undoes: null };
  return { course, plan, history };
}

async function stale(scope: StudioScope, order: CourseOrder, message: string): Promise<HttpFault> {
  return new HttpFault('stale', message, { current: await readCourse(scope, order.course) });
}
