import type { LevelsAnswer } from '@map-step/contract';
import { mendInWords, openLibrary, readProgramme, takeMend } from '@map-step/core';
import { documentStore } from '../../db/document-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { listMaterial } from '../figures/material.ts';
import { listPlans } from '../studio/studio-store.ts';

/** The levels of every dance that has courses, and what hurts between them. Reads all figures of these dances. */
export async function readLevels(scope: StudioScope): Promise<LevelsAnswer> {
  const courses = await documentStore(scope, 'courses').list();
  const dances = [...new Set(courses.flatMap(course => course.dances))];
  const library = openLibrary(await listMaterial(scope, dances, []));
  const { findings, levels } = readProgramme(library, {
    courses,
    plans: await listPlans(scope),
    checks: await documentStore(scope, 'checks').list(),
    sections: await documentStore(scope, 'sections').list(),
  });
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
      const hurts = findings
        .filter(({ dance }) => dance === id)
        .map(({ level, code, message, mend, costs = [] }) => ({
          ...{ level, code, message },
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
        }));
      const name = library.dances.get(id)?.name ?? id;
      return told.length === 0 ? [] : [{ id, name, levels: told, findings: hurts }];
    }),
  };
}
