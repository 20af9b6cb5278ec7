import { createDocument, runDocumentCommand, tellVersioned } from '../../aggregates/document-aggregate.ts';
import { announce } from '../../db/change-feed.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { route } from '../../http/route.ts';
import { appendEvents } from './append-events.ts';
import { enrolStudents } from './enrol.ts';
import { listMissedLinks, tellMissed, withdrawMissed } from './missed-links.ts';
import { publishRecap, readRecapDetail, revokeLinks, runRecapCommand } from './recap-service.ts';
import { getSection, maySeeStudents } from './rights.ts';
import { sectionAggregate } from './section-aggregate.ts';
import { finishLesson, readSection } from './section-service.ts';
import { readSince } from './since.ts';
import { readTerm } from './term.ts';
import { enterWalkIn, offerWalkIns } from './walk-ins.ts';

export const sectionRoutes = [
  route('section.create', async (scope, { who, body: { section } }) => {
    const made = await createDocument(sectionAggregate(scope, section.id), 'sections', who.id, section);
    // A course tells its classes.
    await announce(scope, { topic: 'course', id: section.course });
    return made;
  }),
  route('section.enrol', (scope, { who, params, body }) =>
    enrolStudents(scope, params.section, who.id, body),
  ),
  route('term.read', (scope, { query }) => readTerm(scope, query)),
  route('section.read', async (scope, { deps, params, query, who }) => {
    // What somebody may see no longer must not stay with them: then they are told all anew.
    const isKnown =
      query.after !== undefined &&
      (await maySeeStudents(scope, await getSection(scope, params.section), { deps, who }));
    return readSection(scope, params.section, deps, isKnown ? query.after : undefined);
  }),
  route('section.document', (scope, { params }) => tellVersioned(sectionAggregate(scope, params.section))),
  route('section.command', (scope, { who, params, body }) =>
    runDocumentCommand(sectionAggregate(scope, params.section), who.id, body.command),
  ),
  route('class.since', (scope, { params, query }) => readSince(scope, params.section, query.after)),
  route('class.append', (scope, call) => appendEvents(scope, call, call.params.section, call.body.events)),
  route('section.missed', (scope, { deps, params, body }) =>
    tellMissed(scope, params.section, body, deps.now()),
  ),
  route('section.missedLinks', (scope, { params }) => listMissedLinks(scope, params.section)),
  route('section.unmiss', async (scope, { params }) => ({
    ended: await withdrawMissed(scope, params.section, params.student),
  })),
  route(
    'lesson.finish',
    changing(async (scope, call) => {
      const answer = await finishLesson(scope, call, call.params, call.body);
      // What is over is planned no more.
      await announce(scope, { topic: 'course', id: answer.section.course });
      return answer;
    }),
  ),
  route('walkIn.offered', (scope, { params, query }) => offerWalkIns(scope, params, query.named)),
  route(
    'walkIn.enter',
    changing((scope, { who, params, body }) => enterWalkIn(scope, params, who.id, body)),
  ),
  route('recap.read', (scope, { deps, params }) => readRecapDetail(scope, params, deps.now())),
  route(
    'recap.command',
    changing((scope, { deps, who, params, body }) =>
      runRecapCommand(scope, params, who.id, body.command, deps.now()),
    ),
  ),
  route(
    'recap.publish',
    changing((scope, { deps, who, params, body }) =>
      publishRecap(scope, params, who.id, body.seen, deps.now()),
    ),
  ),
  route(
    'recap.revoke',
    changing((scope, { deps, params }) => revokeLinks(scope, params, deps.now())),
  ),
];

/** Work that changes something in a class, and says so. */
function changing<Answer, Called extends { readonly params: { readonly section: string } }>(
  work: (scope: StudioScope, call: Called) => Promise<Answer>,
) {
  return async (scope: StudioScope, call: Called) => {
    const answer = await work(scope, call);
    await announce(scope, { topic: 'section', id: call.params.section });
    return answer;
  };
}
