import type { TermAnswer } from '@map-step/contract';
import { daysBetween, type Section } from '@map-step/core';
import { readableRows, type WrittenRow } from '../../db/readable.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import { BEHIND } from '../courses/course-aggregate.ts';

const LONGEST_DAYS = 400;

/** All classes that have an evening in these weeks, without who is in them. */
export async function readTerm(
  scope: StudioScope,
  { from, to }: { readonly from: string; readonly to: string },
): Promise<TermAnswer> {
  const days = daysBetween(from, to);
  if (days < 0 || days > LONGEST_DAYS)
    throw new HttpFault('bad-request', `Ask for up to ${LONGEST_DAYS} days, from the first to the last.`);
  const rows = await scope.select<WrittenRow<Section> & { behind: number }>(
    `SELECT 'listed/' || id AS id, xmin::text, jsonb_set(body, '{students}', '[]') AS body, ${BEHIND} AS behind
     FROM sections s WHERE studio_id = $1 AND last_date >= $2
       AND EXISTS (SELECT FROM jsonb_array_elements_text(body -> 'dates') d WHERE d BETWEEN $2 AND $3)
     ORDER BY body ->> 'start', position`,
    [from, to],
  );
  const classes = (await readableRows(scope, 'sections', rows)).map(
    ({ body: { students: _, ...section }, behind }) => ({
      ...section,
      behind,
    }),
  );
  const courses = await scope.select<TermAnswer['courses'][number]>(
    `SELECT id, body ->> 'name' AS name, body -> 'dances' AS dances, body ->> 'level' AS level,
       jsonb_path_query_array(body, '$.lessons[*].minutes') AS minutes
     FROM courses WHERE studio_id = $1 AND id = ANY($2) ORDER BY position`,
    [[...new Set(classes.map(({ course }) => course))]],
  );
  return { classes, courses };
}
