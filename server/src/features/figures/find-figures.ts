import type { AnswerOf } from '@map-step/contract';
import type { StudioScope } from '../../db/studio-scope.ts';

const MOST_FOUND = 20;

/** Figures of all dances by a part of a name or of what others call them; the ones that begin with it first. */
export async function findFigures(scope: StudioScope, named: string): Promise<AnswerOf<'figure.find'>> {
  const figures = await scope.select<AnswerOf<'figure.find'>['figures'][number]>(
    `SELECT p.id, p.body ->> 'name' AS name, p.body ->> 'kind' AS kind, d.body ->> 'name' AS dance,
       (SELECT c.id FROM courses c WHERE c.studio_id = p.studio_id AND c.body -> 'dances' @> to_jsonb(p.dance_id)
        ORDER BY c.position LIMIT 1) AS course
     FROM patterns p JOIN dances d ON d.studio_id = p.studio_id AND d.id = p.dance_id
     WHERE p.studio_id = $1 AND (position(lower($2) IN lower(p.body ->> 'name')) > 0
       OR EXISTS (SELECT FROM jsonb_array_elements(COALESCE(p.body -> 'aliases', '[]')) a
                  WHERE position(lower($2) IN lower(a ->> 'name')) > 0))
     ORDER BY position(lower($2) IN lower(p.body ->> 'name')) = 0, position(lower($2) IN lower(p.body ->> 'name')),
       lower(p.body ->> 'name'), p.id LIMIT ${MOST_FOUND}`,
    [named],
  );
  return { figures };
}
