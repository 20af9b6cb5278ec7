import {
  type CheckAnswer,
  documentCommandBody,
  type MarkEntry,
  markBody,
  type StoredAnswer,
} from '@map-step/contract';
import type { Section } from '@map-step/core';
import { type Aggregate, getStored } from '../../aggregates/aggregate.ts';
import { runDocumentCommand, tellVersioned } from '../../aggregates/document-aggregate.ts';
import { announce } from '../../db/change-feed.ts';
import { eventStore } from '../../db/event-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../http/http-fault.ts';
import { route, type SignedInContext } from '../../http/route.ts';
import { getSection, requireStaff } from '../sections/rights.ts';
import { requireStudents } from '../sections/section-service.ts';
import { checkAggregate } from './check-aggregate.ts';

export const checkRoutes = [
  route('check.read', ({ deps, who, params }) =>
    deps.database.inStudio(who.studio, scope =>
      readCheck(scope, checkAggregate(scope, params.check ?? '', params.section ?? '')),
    ),
  ),
  route(
    'check.command',
    context =>
      inOwnCheck(context, async (scope, aggregate) => {
        await runDocumentCommand(aggregate, context.who.id, context.body.command);
        return readCheck(scope, aggregate);
      }),
    documentCommandBody,
  ),
  route(
    'check.mark',
    context =>
      inOwnCheck(context, (scope, aggregate, section) =>
        appendMarks(scope, aggregate, section, context.who.id, context.body.marks),
      ),
    markBody,
  ),
];

type CheckOf = Aggregate<CheckAnswer['body']>;

async function readCheck(scope: StudioScope, aggregate: CheckOf) {
  const answer = await tellVersioned(aggregate);
  const marks = await eventStore(scope, 'marks').listJson(aggregate.id, "body - 'check'");
  return { ...answer, body: { ...answer.body, marks } };
}

/** Stores marks of what the check asks, of students of its class, once each. */
async function appendMarks(
  scope: StudioScope,
  aggregate: CheckOf,
  section: Section,
  by: string,
  entries: readonly MarkEntry[],
): Promise<StoredAnswer> {
  const { body: check } = await getStored(aggregate);
  requireStudents(
    section,
    entries.map(({ student }) => student),
  );
  const asked = new Set(check.items.flatMap(({ pattern, layers }) => layers.map(one => `${pattern} ${one}`)));
  const odd = entries.find(({ pattern, layer }) => !asked.has(`${pattern} ${layer}`));
  if (odd)
    throw new HttpFault('bad-request', `This check does not ask for ${odd.layer} of "${odd.pattern}".`);
  const marks = entries.map(entry => ({ ...entry, by, check: check.id }));
  await eventStore(scope, 'marks').append(marks);
  return { stored: marks.map(({ id }) => id) };
}

/** On the staff of the class on the day of the check. */
function inOwnCheck<Body, Answer>(
  { deps, who, params }: SignedInContext<Body>,
  work: (scope: StudioScope, aggregate: CheckOf, section: Section) => Promise<Answer>,
): Promise<Answer> {
  return deps.database.inStudio(who.studio, async scope => {
    const section = await getSection(scope, params.section ?? '');
    const aggregate = checkAggregate(scope, params.check ?? '', section.id);
    const { body } = await getStored(aggregate);
    requireStaff(section, who, [body.date]);
    const answer = await work(scope, aggregate, section);
    await announce(scope, { topic: 'section', id: section.id });
    return answer;
  });
}
