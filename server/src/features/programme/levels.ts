import type { FindingsAnswer, LevelsAnswer } from '@map-step/contract';
import { mendInWords, openLibrary, readLevels, readProgramme, takeMend } from '@map-step/core';
import { documentStore } from '../../db/document-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { listMaterial } from '../figures/material.ts';
import { listPlans } from '../studio/studio-store.ts';

/** The levels of every dance that has courses. Reads all figures of these dances. */
export async function readDanceLevels(scope: StudioScope): Promise<LevelsAnswer> {
  const { library, courses, plans } = await readMaterial(scope);
  const levels = readLevels(library, { courses, plans });
  const dances = [...new Set(courses.flatMap(course => course.dances))];
  return {
    dances: dances.flatMap(id => {
      const own = [...library.levels.values()]
        .filter(level => level.dance === id)
        .sort((a, b) => a.order - b.order);
      const told = own.flatMap(({ id: level, name }) => {
        const found = levels.find(one => one.level === level);
        if (!found) return [];
        const { minutes, items, requires } = found;
        return [{ id: level, name, minutes, figures: items, requires: requires.length }];
      });
      const name = library.dances.get(id)?.name ?? id;
      return told.length === 0 ? [] : [{ id, name, levels: told }];
    }),
  };
}

/** What hurts between these levels, and the change that would mend it: each is tried, which takes its time. */
export async function readFindings(scope: StudioScope): Promise<FindingsAnswer> {
  const { library, courses, plans } = await readMaterial(scope);
  const { findings } = readProgramme(library, {
    ...{ courses, plans },
    checks: await documentStore(scope, 'checks').list(),
    sections: await documentStore(scope, 'sections').list(),
  });
  return {
    findings: findings.map(({ dance, level, code, message, mend, costs = [] }) => ({
      ...{ dance, level, code, message },
      mend: mend
        ? {
            words: mendInWords(library, mend, level),
            change: mend,
            courses: courses
              .filter(course => takeMend(course, mend, level) !== course)
              .map(course => ({ id: course.id, name: course.name })),
            costs: costs.map(({ level: of, before, after }) => ({
              level: library.levels.get(of)?.name ?? of,
              before: Math.round(before),
              after: Math.round(after),
            })),
          }
        : null,
    })),
  };
}

async function readMaterial(scope: StudioScope) {
  const courses = await documentStore(scope, 'courses').list();
  const dances = [...new Set(courses.flatMap(course => course.dances))];
  const library = openLibrary(await listMaterial(scope, dances, []));
  return { library, courses, plans: await listPlans(scope) };
}
