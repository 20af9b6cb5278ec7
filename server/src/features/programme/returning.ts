import type { ReturningAnswer } from '@map-step/contract';
import { levelBelow, missingInWords, returningTo } from '@map-step/core';
import { documentStore } from '../../db/document-store.ts';
import { readNames } from '../../db/names.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { type Deps, todayIn } from '../../deps.ts';
import { getSection } from '../sections/rights.ts';
import { FORMER } from '../students/erasing.ts';
import { getStudio } from '../studio/studio-store.ts';
import { listNewestChecks, resultsOf } from './newest-checks.ts';

/** Who may come to a class by the checks of the level below and of its own; nobody for a course of no level. */
export async function readReturning(scope: StudioScope, id: string, deps: Deps): Promise<ReturningAnswer> {
  const section = await getSection(scope, id);
  const { level } = (await documentStore(scope, 'courses').find(section.course))?.body ?? {};
  if (level === undefined) return { students: [] };
  const levels = await documentStore(scope, 'levels').list();
  const today = todayIn(deps, (await getStudio(scope)).timezone);
  const speaking = [level, levelBelow(level, levels)?.id].filter(one => one !== undefined);
  const checks = await listNewestChecks(scope, today, speaking);
  const inIt = new Set(section.students.map(({ student }) => student));
  const coming = returningTo(
    level,
    levels,
    checks
      .filter(one => one.section.id !== id)
      .map(one => ({
        ...{ section: one.section.id, level: one.course.level, date: one.check.date },
        results: resultsOf(one),
      })),
  ).filter(({ student }) => !inIt.has(student));
  const names = await readNames(
    scope,
    'students',
    coming.map(({ student }) => student),
  );
  const figures = await readNames(
    scope,
    'patterns',
    coming.flatMap(({ told }) => told.missing.map(({ pattern }) => pattern)),
  );
  const elsewhere = await classesOf(scope, { level, but: id, from: section.dates[0] ?? today });
  return {
    students: coming.flatMap(({ student, role, why, section: from, told }) => {
      const check = checks.find(one => one.section.id === from);
      const name = names.get(student);
      // Whoever was erased comes back as nobody.
      if (!check || name === undefined || name === FORMER) return [];
      const { kind, date } = check.check;
      return [
        {
          ...{ student, name, role, why },
          from: { section: from, name: check.course.name, kind, date },
          missing: [...missingInWords(told, figure => figures.get(figure) ?? figure)],
          elsewhere: elsewhere.get(student) ?? null,
        },
      ];
    }),
  };
}

/** Students of other classes of a level that still run on a day, with the course of theirs. */
async function classesOf(
  scope: StudioScope,
  { level, but, from }: { readonly level: string; readonly but: string; readonly from: string },
): Promise<ReadonlyMap<string, string>> {
  const rows = await scope.select<{ student: string; name: string }>(
    `SELECT e ->> 'student' AS student, c.body ->> 'name' AS name
     FROM sections s JOIN courses c ON c.studio_id = $1 AND c.id = s.course_id,
       jsonb_array_elements(s.body -> 'students') e
     WHERE s.studio_id = $1 AND s.last_date >= $3 AND s.id <> $4 AND c.body ->> 'level' = $2`,
    [level, from, but],
  );
  return new Map(rows.map(({ student, name }) => [student, name]));
}
