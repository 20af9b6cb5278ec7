import type { AnswerOf, FoundStudent } from '@map-step/contract';
import {
  type Attendance,
  type Check,
  groupBy,
  type Log,
  missingInWords,
  type Section,
  type Student,
  type StudentStory,
  storyInWords,
  studentStory,
} from '@map-step/core';
import { readNames } from '../../db/names.ts';
import type { StudioScope } from '../../db/studio-scope.ts';

/** What became of a student in each of their classes, and all of it in words for them. */
export async function readStories(
  scope: StudioScope,
  student: Student,
  classes: FoundStudent['classes'],
): Promise<Pick<AnswerOf<'student.read'>, 'stories' | 'words'>> {
  const ids = classes.map(({ section }) => section);
  const sections = await bodies<Section>(
    scope,
    'SELECT body FROM sections WHERE studio_id = $1 AND id = ANY($2)',
    [ids],
  );
  const logs = groupBy(
    await bodies<Log>(
      scope,
      'SELECT body FROM logs WHERE studio_id = $1 AND section_id = ANY($2) ORDER BY seq',
      [ids],
    ),
    ({ section }) => section,
  );
  const attendance = groupBy(
    await bodies<Attendance>(
      scope,
      'SELECT body FROM attendance WHERE studio_id = $1 AND section_id = ANY($2) AND student_id = $3 ORDER BY seq',
      [ids, student.id],
    ),
    ({ section }) => section,
  );
  const checks = groupBy(await checksOf(scope, ids, student.id), ({ section }) => section);
  const stories = ids.flatMap(id => {
    const section = sections.find(one => one.id === id);
    const [ownLogs, noted] = [logs.get(id) ?? [], attendance.get(id) ?? []];
    return section
      ? [
          studentStory(student.id, {
            section,
            logs: ownLogs,
            attendance: noted,
            checks: checks.get(id) ?? [],
          }),
        ]
      : [];
  });
  const nameOf = await namer(scope, stories);
  const titleOf = (id: string) => classes.find(({ section }) => section === id)?.name ?? id;
  return {
    stories: stories.map(story => told(story, nameOf)),
    words: storyInWords(
      student.name,
      stories.map(story => ({ ...story, name: titleOf(story.section) })),
      nameOf,
    ),
  };
}

async function bodies<Entry>(
  scope: StudioScope,
  sql: string,
  values: readonly unknown[],
): Promise<readonly Entry[]> {
  return (await scope.select<{ body: Entry }>(sql, values)).map(({ body }) => body);
}

/** The checks of some classes with what was marked of one student. */
function checksOf(
  scope: StudioScope,
  sections: readonly string[],
  student: string,
): Promise<readonly Check[]> {
  return bodies<Check>(
    scope,
    `SELECT c.body || jsonb_build_object('marks', COALESCE((SELECT jsonb_agg(m.body - 'check' ORDER BY m.seq) FROM marks m
       WHERE m.studio_id = $1 AND m.check_id = c.id AND m.student_id = $3), '[]')) AS body
     FROM checks c WHERE c.studio_id = $1 AND c.section_id = ANY($2) ORDER BY c.position`,
    [sections, student],
  );
}

async function namer(
  scope: StudioScope,
  stories: readonly StudentStory[],
): Promise<(figure: string) => string> {
  const figures = stories.flatMap(({ had, lacks, check }) => [
    ...had,
    ...lacks,
    ...(check ? [...check.told.passed, ...check.told.missing.map(({ pattern }) => pattern)] : []),
  ]);
  const names = await readNames(scope, 'patterns', figures);
  return figure => names.get(figure) ?? figure;
}

function told(
  { had, lacks, check, ...story }: StudentStory,
  nameOf: (figure: string) => string,
): AnswerOf<'student.read'>['stories'][number] {
  const names = (ids: readonly string[]) => ids.map(nameOf);
  if (!check || check.told.result === 'unseen') return { ...story, had: names(had), lacks: names(lacks) };
  const { told: of, ...where } = check;
  return {
    ...{ ...story, had: names(had), lacks: names(lacks) },
    check: {
      ...where,
      result: check.told.result,
      passed: names(of.passed),
      missing: [...missingInWords(of, nameOf)],
    },
  };
}
