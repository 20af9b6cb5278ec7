import { finishBody, logBody, recapPublishBody, recapSaveBody } from '@map-step/contract';
import type { Audience } from '@map-step/core';
import { announce } from '../../db/change-feed.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../http/http-fault.ts';
import { route, type SignedInContext } from '../../http/route.ts';
import { publishRecap, type RecapKey, revokeLinks, saveRecap } from './recap-service.ts';
import { appendLogs, finishLesson, readSection, requireOwnSection } from './section-service.ts';

export const sectionRoutes = [
  route('section.read', ({ deps, who, params }) =>
    deps.database.inStudio(who.studio, scope => readSection(scope, params.section ?? '', deps.now())),
  ),
  route(
    'section.log',
    context =>
      inOwnSection(context, scope =>
        appendLogs(scope, keyOf(context).section, context.who, context.body.logs),
      ),
    logBody,
  ),
  route(
    'lesson.finish',
    context =>
      inOwnSection(context, scope =>
        finishLesson(scope, keyOf(context), context.who, context.body, context.deps.now()),
      ),
    finishBody,
  ),
  route(
    'recap.save',
    context => inOwnSection(context, scope => saveRecap(scope, keyOf(context), context.who, context.body)),
    recapSaveBody,
  ),
  route(
    'recap.publish',
    context =>
      inOwnSection(context, scope =>
        publishRecap(scope, keyOf(context), context.who, context.body.seen, context.deps.now()),
      ),
    recapPublishBody,
  ),
  route('recap.revoke', context =>
    inOwnSection(context, scope => revokeLinks(scope, keyOf(context), context.deps.now())),
  ),
];

/** Every call here changes something in the section, and says so. */
async function inOwnSection<Body, Answer>(
  { deps, who, params }: SignedInContext<Body>,
  work: (scope: StudioScope) => Promise<Answer>,
): Promise<Answer> {
  return deps.database.inStudio(who.studio, async scope => {
    const section = params.section ?? '';
    await requireOwnSection(scope, section, who);
    const answer = await work(scope);
    await announce(scope, { topic: 'section', id: section });
    return answer;
  });
}

function keyOf({ params }: SignedInContext<unknown>): RecapKey {
  const lesson = Number(params.lesson ?? 0);
  const audience = params.audience ?? 'students';
  if (!Number.isInteger(lesson) || (audience !== 'students' && audience !== 'staff'))
    throw new HttpFault('not-found', 'There is no such lesson or recap.');
  return { section: params.section ?? '', lesson, audience: audience satisfies Audience };
}
