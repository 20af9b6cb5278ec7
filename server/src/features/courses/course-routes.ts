import { courseCommandBody, courseCreateBody } from '@map-step/contract';
import { createDocument } from '../../aggregates/document-aggregate.ts';
import { pageIn, route } from '../../http/route.ts';
import { courseAggregate, readCourse } from './course-aggregate.ts';
import { listCourses, listVersions } from './course-queries.ts';
import { runCourseCommand } from './course-service.ts';

export const courseRoutes = [
  route('course.list', ({ deps, who, request }) =>
    deps.database.inStudio(who.studio, scope => listCourses(scope, pageIn(request.query.page))),
  ),
  route('course.read', ({ deps, who, params }) =>
    deps.database.inStudio(who.studio, scope => readCourse(scope, params.course ?? '')),
  ),
  route('course.versions', ({ deps, who, params }) =>
    deps.database.inStudio(who.studio, scope => listVersions(scope, params.course ?? '')),
  ),
  route(
    'course.create',
    ({ deps, who, body: { course } }) =>
      deps.database.inStudio(who.studio, async scope => {
        await createDocument(courseAggregate(scope, course.id), 'courses', who.id, course);
        return readCourse(scope, course.id);
      }),
    courseCreateBody,
  ),
  route(
    'course.command',
    ({ deps, who, params, body }) =>
      deps.database.inStudio(who.studio, scope =>
        runCourseCommand(scope, { course: params.course ?? '', person: who.id, now: deps.now(), ...body }),
      ),
    courseCommandBody,
  ),
];
