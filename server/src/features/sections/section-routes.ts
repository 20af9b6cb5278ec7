import {
  attendanceBody,
  documentCommandBody,
  finishBody,
  logBody,
  recapPublishBody,
} from '@map-step/contract';
import type { Audience, Section } from '@map-step/core';
import { runDocumentCommand, tellVersioned } from '../../aggregates/document-aggregate.ts';
import { announce } from '../../db/change-feed.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../http/http-fault.ts';
import { route, type SignedInContext } from '../../http/route.ts';
import type { RecapKey } from './recap-aggregate.ts';
import { publishRecap, readRecapDetail, revokeLinks, runRecapCommand } from './recap-service.ts';
import { getSection, requireLessons } from './rights.ts';
import { sectionAggregate } from './section-aggregate.ts';
import { appendAttendance, appendLogs, finishLesson, readSection } from './section-service.ts';

export const sectionRoutes = [
  route('section.read', ({ deps, who, params }) =>
    deps.database.inStudio(who.studio, scope => readSection(scope, params.section ?? '', deps.now())),
  ),
  route('section.document', ({ deps, who, params }) =>
    deps.database.inStudio(who.studio, scope => tellVersioned(sectionAggregate(scope, params.section ?? ''))),
  ),
  route(
    'section.command',
    ({ deps, who, params, body }) =>
      deps.database.inStudio(who.studio, scope =>
        runDocumentCommand(sectionAggregate(scope, params.section ?? ''), who.id, body.command),
      ),
    documentCommandBody,
  ),
  route(
    'section.log',
    context =>
      inOwnLessons(context, lessonsOf(context.body.logs), (scope, section) =>
        appendLogs(scope, section, context.who, context.body.logs),
      ),
    logBody,
  ),
  route(
    'section.attend',
    context =>
      inOwnLessons(context, lessonsOf(context.body.attendance), (scope, section) =>
        appendAttendance(scope, section, context.who, context.body.attendance),
      ),
    attendanceBody,
  ),
  route(
    'lesson.finish',
    context =>
      inOwnLesson(context, (scope, key, section) =>
        finishLesson(scope, key, section, context.who, context.body, context.deps.now()),
      ),
    finishBody,
  ),
  route('recap.read', context => {
    const { deps, who } = context;
    return deps.database.inStudio(who.studio, scope => readRecapDetail(scope, keyOf(context), deps.now()));
  }),
  route(
    'recap.command',
    context =>
      inOwnLesson(context, (scope, key) =>
        runRecapCommand(scope, key, context.who.id, context.body.command, context.deps.now()),
      ),
    documentCommandBody,
  ),
  route(
    'recap.publish',
    context =>
      inOwnLesson(context, (scope, key) =>
        publishRecap(scope, key, context.who.id, context.body.seen, context.deps.now()),
      ),
    recapPublishBody,
  ),
  route('recap.revoke', context =>
    inOwnLesson(context, (scope, key) => revokeLinks(scope, key, context.deps.now())),
  ),
];

/** Every call here changes something in these lessons of the class, and says so. */
function inOwnLessons<Body, Answer>(
  { deps, who, params }: SignedInContext<Body>,
  lessons: readonly number[],
  work: (scope: StudioScope, section: Section) => Promise<Answer>,
): Promise<Answer> {
  return deps.database.inStudio(who.studio, async scope => {
    const section = await getSection(scope, params.section ?? '');
    requireLessons(section, who, lessons);
    const answer = await work(scope, section);
    await announce(scope, { topic: 'section', id: section.id });
    return answer;
  });
}

function inOwnLesson<Body, Answer>(
  context: SignedInContext<Body>,
  work: (scope: StudioScope, key: RecapKey, section: Section) => Promise<Answer>,
): Promise<Answer> {
  const key = keyOf(context);
  return inOwnLessons(context, [key.lesson], (scope, section) => work(scope, key, section));
}

function lessonsOf(entries: readonly { lesson: number }[]): readonly number[] {
  return [...new Set(entries.map(({ lesson }) => lesson))];
}

function keyOf({ params }: SignedInContext<unknown>): RecapKey {
  const lesson = Number(params.lesson ?? 0);
  const audience = params.audience ?? 'students';
  if (!Number.isInteger(lesson) || (audience !== 'students' && audience !== 'staff'))
    throw new HttpFault('not-found', 'There is no such lesson or recap.');
  return { section: params.section ?? '', lesson, audience: audience satisfies Audience };
}
