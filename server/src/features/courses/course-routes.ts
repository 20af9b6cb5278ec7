import { courseCommandBody } from '@map-step/contract';
import { pageIn, route } from '../../http/route.ts';
import { readCourse } from './course-aggregate.ts';
import { listCourses } from './course-queries.ts';
import { runCourseCommand } from './course-service.ts';

export const courseRoutes = [
  route('course.list', ({ deps, who, request }) =>
    deps.database.inStudio(who.studio, scope => listCourses(scope, pageIn(request.query.page))),
  ),
  route('course.read', ({ deps, who, params }) =>
    deps.database.inStudio(who.studio, scope => readCourse(scope, params.course ?? '')),
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
