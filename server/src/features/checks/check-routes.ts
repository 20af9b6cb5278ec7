import type { CheckListAnswer } from '@map-step/contract';
import type { Check } from '@map-step/core';
import { type Aggregate, getStored } from '../../aggregates/aggregate.ts';
import { createDocument, runDocumentCommand, tellVersioned } from '../../aggregates/document-aggregate.ts';
import { announce } from '../../db/change-feed.ts';
import { eventStore } from '../../db/event-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { route } from '../../http/route.ts';
import { checkAggregate } from './check-aggregate.ts';
import { listTold, tellStudent, withdrawLink } from './check-links.ts';

export const checkRoutes = [
  route('check.list', async (scope, { params }) => ({ checks: await listChecks(scope, params.section) })),
  route('check.create', async (scope, { who, params, body }) => {
    const check = { ...body.check, section: params.section, marks: [] };
    const aggregate = checkAggregate(scope, check.id, params.section);
    await createDocument(aggregate, 'checks', who.id, check);
    return readCheck(scope, aggregate);
  }),
  route('check.read', (scope, { params }) =>
    readCheck(scope, checkAggregate(scope, params.check, params.section)),
  ),
  route('check.told', async (scope, { params }) => {
    await getStored(checkAggregate(scope, params.check, params.section));
    return listTold(scope, params.check);
  }),
  route('check.tell', async (scope, { deps, params, body }) => {
    await getStored(checkAggregate(scope, params.check, params.section));
    return tellStudent(scope, params, body, deps.now());
  }),
  route('check.untell', async (scope, { params }) => ({
    ended: await withdrawLink(scope, params.check, params.student),
  })),
  route(
    'check.command',
    changing(async (scope, aggregate, { who, body }) => {
      await runDocumentCommand(aggregate, who.id, body.command);
      return readCheck(scope, aggregate);
    }),
  ),
];

function listChecks(scope: StudioScope, section: string): Promise<CheckListAnswer['checks'][number][]> {
  return scope.select(
    `SELECT id, body ->> 'kind' AS kind, body ->> 'date' AS date, jsonb_array_length(body -> 'items') AS items,
       (SELECT count(*)::integer FROM marks m WHERE m.studio_id = $1 AND m.check_id = c.id) AS marks
     FROM checks c WHERE studio_id = $1 AND body ->> 'section' = $2 ORDER BY body ->> 'date', position`,
    [section],
  );
}

async function readCheck(scope: StudioScope, aggregate: Aggregate<Check>) {
  const answer = await tellVersioned(aggregate);
  const marks = await eventStore(scope, 'marks').listJson(aggregate.id, { column: "body - 'check'" });
  return { ...answer, body: { ...answer.body, marks } };
}

/** Work that changes something in a check, and says so. */
function changing<
  Answer,
  Called extends { readonly params: { readonly section: string; readonly check: string } },
>(work: (scope: StudioScope, aggregate: Aggregate<Check>, call: Called) => Promise<Answer>) {
  return async (scope: StudioScope, call: Called) => {
    const { section, check } = call.params;
    const answer = await work(scope, checkAggregate(scope, check, section), call);
    await announce(scope, { topic: 'check', id: section });
    return answer;
  };
}
