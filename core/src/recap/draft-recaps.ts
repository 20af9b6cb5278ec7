import { planClass } from '../class/class-plan.ts';
import { standIns } from '../class/staff.ts';
import { orderByHold } from '../evening/hold-order.ts';
import type { Audience, Combination, Log, Mark, Person, Recap, Section } from '../model/document.ts';
import type { Placed, Placing } from '../plan/problem.ts';
import { patternsOf } from '../sequences/patterns-of.ts';
import { draftRecap } from './draft.ts';
import type { MovedFigure, RecapSource } from './recap-source.ts';

/** What the class's plan says of a lesson, and whom the text is for. */
type ByPlan =
  | ('audience' | 'introduced' | 'minutes' | 'supposed' | 'planned' | 'next' | 'moved')
  | ('wrapUp' | 'stoodIn');

export interface FinishedLesson extends Omit<RecapSource, ByPlan> {
  /** The plan that the classes follow. */
  readonly published: Placing;
  /** The recaps there were before this lesson was finished. */
  readonly recaps: readonly Pick<Recap, 'lesson'>[];
  /** Those of the course: the one of the last lesson is the walk through the series. */
  readonly combinations?: readonly Combination[];
  /** Of the class. */
  readonly staff?: Section['staff'];
  readonly people?: readonly Pick<Person, 'id' | 'name' | 'role'>[];
  /** Given in checks of this evening. */
  readonly marks?: readonly Pick<Mark, 'by'>[];
}

export interface RecapDrafts extends Readonly<Record<Audience, string>> {
  /** The figures that the texts say will come next, in the order of their evening. */
  readonly promises: readonly string[];
}

/**
 * The recaps of a lesson that is over: what it was to introduce by the class's own plan, what came of it, and what the
 * plan as it is mended then brings next. Costs two mends of a plan, some 300 ms; the same input gives the same texts.
 */
export function draftRecaps(finished: FinishedLesson): RecapDrafts {
  const { published, recaps, combinations = [], staff = [], people = [], marks = [], ...source } = finished;
  const { course, library, lesson, logs } = source;
  const last = combinations.findLast(one => one.course === course.id && one.lesson === course.lessons.length);
  const plannedIn = (number: number, entries: readonly Log[], behind: FinishedLesson['recaps']) => {
    const history = { logs: entries, recaps: behind, over: number - 1 };
    const plan = planClass(library, course, published, history);
    const planned = plan.ok ? plan.value.answer.lessons[number - 1] : undefined;
    return (
      planned && {
        ids: orderByHold(Object.keys(planned.minutes), library.patterns),
        minutes: planned.minutes,
        placed: plan.ok ? plan.value.answer.placed : {},
        supposed: plan.ok ? plan.value.supposed : {},
      }
    );
  };
  const earlier = recaps.filter(recap => recap.lesson < lesson);
  const before = logs.filter(log => log.lesson < lesson);
  const own = plannedIn(lesson, before, earlier);
  const then = plannedIn(lesson + 1, logs, [...recaps, { lesson }]);
  const next = then?.ids ?? [];
  const placed = then?.placed ?? own?.placed;
  const tonight = logs.filter(log => log.lesson === lesson);
  const stoodIn = standIns({ staff }, people, source.dates?.[lesson - 1]).map(({ id, name }) => ({
    name,
    logs: tonight.filter(({ by }) => by === id).length,
    marks: marks.filter(({ by }) => by === id).length,
  }));
  const textFor = (audience: Audience) =>
    draftRecap({
      ...source,
      audience,
      next,
      ...(own && then && { moved: movedSince(own.placed, then.placed, lesson) }),
      stoodIn,
      wrapUp: last && { name: last.name, patterns: patternsOf(last) },
      ...(placed && { planned: Object.keys(placed) }),
      introduced: own?.ids ?? [],
      minutes: own?.minutes ?? {},
      supposed: own?.supposed ?? {},
    });
  return { students: textFor('students'), staff: textFor('staff'), promises: next };
}

/** The figures that lay in this lesson or a later one, and lie elsewhere now. */
function movedSince(before: Placed, now: Placed, lesson: number): readonly MovedFigure[] {
  return Object.entries(before).flatMap(([pattern, from]) => {
    const to = now[pattern];
    return from >= lesson && to !== from && to !== lesson ? [{ pattern, from, to }] : [];
  });
}
