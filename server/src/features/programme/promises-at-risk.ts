import type { ComingFaultsAnswer } from '@map-step/contract';
import { brokenPromises, type Library, lessonsPassed, planClass } from '@map-step/core';
import { eventStore } from '../../db/event-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { listRecaps } from '../sections/recap-aggregate.ts';
import { publishedPlans, type RunningClass } from './running-classes.ts';

/**
 * What the students of some classes were told would come next, and that their class's plan does not hold any more. A plan is
 * mended only for a class whose published plan has something promised elsewhere.
 */
export async function readPromisesAtRisk(
  scope: StudioScope,
  running: readonly RunningClass[],
  library: Library,
  { today, now }: { readonly today: string; readonly now: Date },
): Promise<ComingFaultsAnswer['promises']> {
  const plans = await publishedPlans(scope, [...new Set(running.map(({ course }) => course.id))]);
  const found: ComingFaultsAnswer['promises'][number][] = [];
  for (const { section, course } of running) {
    const published = plans.get(course.id);
    if (!published) continue;
    const recaps = await listRecaps(scope, section.id, now);
    const logs = await eventStore(scope, 'logs').list(section.id);
    const over = lessonsPassed(section.dates, today);
    const newest = recaps.filter(({ lesson }) => lesson >= over);
    const atRisk = brokenPromises({ recaps: newest, logs, placed: published.placed, behind: over });
    if (atRisk.length === 0) continue;
    const plan = planClass(library, course, published, { logs, recaps, over });
    if (!plan.ok) continue;
    const { answer, progress } = plan.value;
    const broken = brokenPromises({ recaps: newest, logs, placed: answer.placed, behind: progress.lessons });
    for (const { pattern, lesson, now: comes, isOver } of broken)
      if (!isOver)
        found.push({
          ...{ course: course.id, section: section.id, className: course.name, lesson: lesson + 1 },
          ...{ figure: pattern, name: library.patterns.get(pattern)?.name ?? pattern, comes: comes ?? null },
        });
  }
  return found;
}
