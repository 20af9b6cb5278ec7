// What a course that was held teaches its next one: each change is told with its reason, and taken or left.
import { checkCandidates, newestCheck } from '../check/candidates.ts';
import { readiness } from '../check/readiness.ts';
import { minutesUntilDanced } from '../class/minutes-until-danced.ts';
import { standingLogs } from '../class/standing.ts';
import { learnRatios } from '../evening/learned-minutes.ts';
import type { Library } from '../library/library.ts';
import type { Check, Course, CourseItem, Log, Section } from '../model/document.ts';
import { needsOf } from '../model/needs.ts';
import { describePlan } from '../plan/answer.ts';
import { buildPlanProblem } from '../plan/build-problem.ts';
import { placedInOrder } from '../plan/placed-order.ts';
import type { Placing, PlanProblem } from '../plan/problem.ts';

export interface HeldClass {
  readonly section: Pick<Section, 'id' | 'students'>;
  readonly logs: readonly Log[];
  readonly checks: readonly Check[];
}

export interface RollOverSource {
  readonly course: Course;
  /** The plan that its classes followed. */
  readonly followed: Placing;
  /** Its classes that are over. */
  readonly held: readonly HeldClass[];
  /** What classes of the level above wrote, with the name of their course. */
  readonly above: readonly { readonly name: string; readonly logs: readonly Log[] }[];
}

/** A change of the next course: of the minutes of a figure, or of its rules; null takes it out. */
export interface RollOverChange {
  readonly pattern: string;
  readonly minutes?: number;
  readonly item?: Pick<Partial<CourseItem>, 'value' | 'to' | 'gate'> | null;
}

export interface RollOverProposal {
  readonly code: 'minutes' | 'left' | 'failed' | 'above';
  readonly change: RollOverChange;
  /** What was seen of the figure, a sentence, and what would be done about it, as it goes on after its name. */
  readonly seen: string;
  readonly would: string;
}

/** A figure whose minutes differ by less is left as it is; none takes less than this. */
const WORTH = 1;
const LEAST = 1;
/** A figure that fewer of the class passed was not taught by the level. */
const PASSED_SHARE = 0.5;
/** What is added to the minutes of a figure that did not sit. */
const MORE = 1.25;

/** Every change that the held classes of a course speak for: minutes first, then what was left over, what did not sit, and what was missing above. */
export function rollOver(library: Library, source: RollOverSource): readonly RollOverProposal[] {
  const built = buildPlanProblem(library, source.course);
  if (!built.ok || source.held.length === 0) return [];
  const learned = learnedMinutes(source, built.value);
  return [
    ...learned,
    ...leftOver(source),
    ...notPassed(library, source, built.value, new Set(learned.map(({ change }) => change.pattern))),
    ...missingAbove(source, built.value),
  ];
}

/** The next course: this one with the changes that are taken. The minutes of figures are changed in the library. */
export function rolledOver(
  course: Course,
  { placed, ahead }: Placing,
  {
    id,
    name,
    changes,
  }: { readonly id: string; readonly name: string; readonly changes: readonly RollOverChange[] },
): Course {
  const items = changes.reduce<readonly CourseItem[]>(
    (now, { pattern, item }) =>
      item === undefined
        ? now
        : now.flatMap(one => (one.pattern === pattern ? (item ? changed(one, item) : []) : one)),
    course.items,
  );
  const kept = new Set(items.map(({ pattern }) => pattern));
  const lies = Object.entries(placed).filter(([pattern]) => kept.has(pattern));
  const { placedAhead: _, ...rest } = course;
  return placedInOrder({
    ...rest,
    ...{ id, name, items },
    placed: lies.map(([pattern, lesson]) => ({ pattern, lesson })),
    ...(ahead.length > 0 && { placedAhead: [...ahead] }),
  });
}

/** What has to come by a lesson is pinned to none, and held back by none. */
function changed(one: CourseItem, change: Partial<CourseItem>): CourseItem {
  const { pin: _, from: __, ...free } = one;
  return { ...(change.to === undefined ? one : free), ...change };
}

function learnedMinutes(
  { followed, held }: RollOverSource,
  problem: PlanProblem,
): readonly RollOverProposal[] {
  const { lessons } = describePlan(problem, followed, { ended: 'work' });
  const plannedFor = (id: string) => lessons[(followed.placed[id] ?? 0) - 1]?.minutes[id];
  const taught = held.flatMap(({ logs }) =>
    [...minutesUntilDanced(logs)].flatMap(([pattern, taken]) => {
      const planned = plannedFor(pattern);
      return planned === undefined ? [] : [{ kind: pattern, planned: planned / 10, taken }];
    }),
  );
  return learnRatios(taught).flatMap(({ kind: pattern, ratio, count }): RollOverProposal[] => {
    const own = taught.filter(({ kind }) => kind === pattern);
    const planned = own[0]?.planned ?? 0;
    const before = minutesOf(problem, pattern);
    // What its elements take stays; all that it took longer, or less, is in putting it together.
    const after = Math.max(LEAST, round(before + (ratio - 1) * planned));
    if (Math.abs(after - before) < WORTH) return [];
    const took = own.map(({ taken }) => `${taken}`).join(', ');
    return [
      {
        ...{ code: 'minutes', change: { pattern, minutes: after } },
        seen: `It took ${took} min ${count === 1 ? 'in one class' : `in ${count} classes`}, planned ${round(planned)}`,
        would: `${after} min for putting it together instead of ${before}`,
      },
    ];
  });
}

/** What no class was taught: it is worth less, is taken out, or has to come sooner. */
function leftOver({ course, held, followed }: RollOverSource): readonly RollOverProposal[] {
  const danced = new Set(
    held.flatMap(({ logs }) =>
      standingLogs(logs).flatMap(({ pattern, result }) => (result === 'not-reached' ? [] : [pattern])),
    ),
  );
  return course.items
    .filter(({ pattern }) => !danced.has(pattern))
    .map(item => {
      const seen =
        held.length === 1 ? 'The class never came to it' : `None of ${held.length} classes came to it`;
      return { code: 'left' as const, seen, ...leftChange(item, followed.placed[item.pattern]) };
    });
}

function leftChange(
  item: CourseItem,
  lesson: number | undefined,
): Pick<RollOverProposal, 'change' | 'would'> {
  const { pattern, value } = item;
  if (value === 'could') return { change: { pattern, item: null }, would: 'leave it out' };
  if (value === 'must' && lesson !== undefined && lesson > 1)
    return { change: { pattern, item: { to: lesson - 1 } }, would: `teach it by lesson ${lesson - 1}` };
  const less = value === 'must' ? 'should' : 'could';
  return { change: { pattern, item: { value: less } }, would: `say “${less}” of it` };
}

/** What less than half of those who were marked passed, in all classes together. */
function notPassed(
  library: Library,
  { course, held, followed }: RollOverSource,
  problem: PlanProblem,
  hasMinutes: ReadonlySet<string>,
): readonly RollOverProposal[] {
  const marked = held.flatMap(({ section, checks }) => {
    const check = newestCheck(checks, section.id);
    return check
      ? readiness(check.items, check.marks, checkCandidates(section, check)).filter(
          ({ result }) => result !== 'unseen',
        )
      : [];
  });
  const evenings = held.flatMap(({ logs }) => standingLogs(logs));
  return course.items.flatMap((item): RollOverProposal[] => {
    const { pattern } = item;
    const passed = marked.filter(one => one.passed.includes(pattern)).length;
    const of = passed + marked.filter(one => one.open.includes(pattern)).length;
    if (of === 0 || passed >= of * PASSED_SHARE) return [];
    const lesson = followed.placed[pattern];
    const minutes = evenings.reduce(
      (sum, log) => sum + (log.pattern === pattern ? (log.minutes ?? 0) : 0),
      0,
    );
    const seen = `It was passed by ${passed} of ${of}${lesson === undefined ? '' : `; it came in lesson ${lesson}`}${minutes > 0 ? ` and had ${round(minutes / held.length)} min` : ''}`;
    const floor = Math.max(
      0,
      ...needsOf(library.patterns.get(pattern) ?? {}).map(id => followed.placed[id] ?? 0),
    );
    if (lesson !== undefined && lesson - 1 > floor)
      return [
        {
          code: 'failed',
          seen,
          change: { pattern, item: { to: lesson - 1 } },
          would: `teach it by lesson ${lesson - 1}, so that it is reviewed more`,
        },
      ];
    if (hasMinutes.has(pattern)) return [];
    const before = minutesOf(problem, pattern);
    const after = round(before * MORE);
    return [
      {
        code: 'failed',
        seen,
        change: { pattern, minutes: after },
        would: `${after} min for putting it together instead of ${before}`,
      },
    ];
  });
}

/** What the level above taught once more, longer than it takes to put together: the check of this one asks for it as a gate. */
function missingAbove({ course, above }: RollOverSource, problem: PlanProblem): readonly RollOverProposal[] {
  return course.items.flatMap((item): RollOverProposal[] => {
    if (item.gate) return [];
    const again = above.flatMap(({ name, logs }) => {
      const own = standingLogs(logs).filter(
        ({ pattern, result, minutes = 0 }) =>
          pattern === item.pattern && result === 'shaky' && minutes > minutesOf(problem, pattern),
      );
      const minutes = own.reduce((sum, log) => sum + (log.minutes ?? 0), 0);
      return minutes > 0 ? [`${name} spent ${minutes} min on it, and it was shaky`] : [];
    });
    if (again.length === 0) return [];
    return [
      {
        code: 'above',
        seen: again.join('; '),
        change: { pattern: item.pattern, item: { gate: true } },
        would: 'make it a gate of this level’s check',
      },
    ];
  });
}

/** For putting a figure together, as it is planned. */
function minutesOf({ items }: PlanProblem, pattern: string): number {
  return round((items.find(({ id }) => id === pattern)?.assembly ?? 0) / 10);
}

function round(minutes: number): number {
  return Math.round(minutes * 10) / 10;
}
