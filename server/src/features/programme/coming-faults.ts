import type { ComingFaultsAnswer } from '@map-step/contract';
import { addDays, createFigureChecker, type Library, openLibrary } from '@map-step/core';
import type { StudioScope } from '../../db/studio-scope.ts';
import { type Deps, todayIn } from '../../deps.ts';
import { listMaterial } from '../figures/material.ts';
import { getStudio } from '../studio/studio-store.ts';
import { readPromisesAtRisk } from './promises-at-risk.ts';
import { listRunning } from './running-classes.ts';

const WEEK_DAYS = 7;

/**
 * What is wrong or worth a look in the figures that lessons of the next week bring. Reads the whole dances of these, as
 * a figure is judged among its own. And what was promised for them and does not come.
 */
export async function readComingFaults(
  scope: StudioScope,
  clock: Pick<Deps, 'now' | 'today'>,
): Promise<ComingFaultsAnswer> {
  const today = todayIn(clock, (await getStudio(scope)).timezone);
  const end = addDays(today, WEEK_DAYS);
  const running = await listRunning(scope, today);
  const coming = running.flatMap(({ section, course, plan }) =>
    section.dates.flatMap((date, index) => {
      const lesson = index + 1;
      const figures = Object.keys(plan).filter(id => plan[id] === lesson);
      return date >= today && date < end ? [{ section: section.id, course, date, lesson, figures }] : [];
    }),
  );
  const dances = [...new Set(coming.flatMap(({ course }) => course.dances))];
  const library = openLibrary(await listMaterial(scope, dances, []));
  const check = openChecker(library);
  const faults = coming.flatMap(({ section, course, date, lesson, figures }) =>
    figures.flatMap(figure =>
      check(figure).map(({ name, severity, message }) => ({
        course: course.id,
        section,
        lesson,
        date,
        figure,
        name,
        severity,
        message,
      })),
    ),
  );
  const soon = new Set(coming.map(({ section }) => section));
  const promises = await readPromisesAtRisk(
    scope,
    running.filter(({ section }) => soon.has(section.id)),
    library,
    { today, now: clock.now() },
  );
  return { faults: faults.sort((a, b) => a.date.localeCompare(b.date)), promises };
}

function openChecker(library: Library) {
  const check = createFigureChecker(library);
  return (figure: string) => {
    const reading = library.readings.get(figure);
    const name = library.patterns.get(figure)?.name ?? figure;
    return reading ? check(reading).map(issue => ({ ...issue, name })) : [];
  };
}
