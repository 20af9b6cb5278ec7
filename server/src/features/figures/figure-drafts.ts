// What somebody is writing and that cannot stand yet: kept for its writer, told to colleagues as unfinished.
import type { AnswerOf, FigureDraft } from '@map-step/contract';
import { announce } from '../../db/change-feed.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../faults/http-fault.ts';

/** Of one writer, the newest: who begins more has left the first ones. */
const MOST_KEPT = 50;
const MOST_LISTED = 200;

export async function keepDraft(
  scope: StudioScope,
  person: string,
  figure: string,
  draft: FigureDraft,
): Promise<void> {
  await scope.select(
    `INSERT INTO figure_drafts (studio_id, person_id, figure_id, base, now) VALUES ($1, $2, $3, $4, $5)
     ON CONFLICT (studio_id, person_id, figure_id)
     DO UPDATE SET base = excluded.base, now = excluded.now, at = now()`,
    [person, figure, draft.base && JSON.stringify(draft.base), JSON.stringify(draft.now)],
  );
  await scope.select(
    `DELETE FROM figure_drafts WHERE studio_id = $1 AND person_id = $2 AND figure_id IN (
       SELECT figure_id FROM figure_drafts WHERE studio_id = $1 AND person_id = $2
       ORDER BY at DESC OFFSET ${MOST_KEPT})`,
    [person],
  );
  await announce(scope, { topic: 'draft', id: figure });
}

/** What is saved, or given up, is unfinished no more: else another page would take it up again over what was saved. */
export async function forgetDraft(scope: StudioScope, person: string, figure: string): Promise<void> {
  const gone = await scope.select(
    `DELETE FROM figure_drafts WHERE studio_id = $1 AND person_id = $2 AND figure_id = $3 RETURNING figure_id`,
    [person, figure],
  );
  if (gone.length > 0) await announce(scope, { topic: 'draft', id: figure });
}

/** The newest first. */
export async function listDrafts(scope: StudioScope): Promise<AnswerOf<'draft.list'>> {
  const drafts = await scope.select<AnswerOf<'draft.list'>['drafts'][number]>(
    `SELECT d.figure_id AS figure, d.now ->> 'name' AS name, d.now ->> 'dance' AS dance, d.person_id AS by,
       p.body ->> 'name' AS writer, d.base IS NULL AS "isNew"
     FROM figure_drafts d JOIN people p ON p.studio_id = d.studio_id AND p.id = d.person_id
     WHERE d.studio_id = $1 ORDER BY d.at DESC LIMIT ${MOST_LISTED}`,
  );
  return { drafts };
}

export async function readDraft(
  scope: StudioScope,
  person: string,
  figure: string,
): Promise<AnswerOf<'draft.read'>> {
  const [draft] = await scope.select<FigureDraft>(
    'SELECT base, now FROM figure_drafts WHERE studio_id = $1 AND person_id = $2 AND figure_id = $3',
    [person, figure],
  );
  if (!draft) throw new HttpFault('not-found', 'Nothing unfinished is kept under this name.');
  return draft;
}
