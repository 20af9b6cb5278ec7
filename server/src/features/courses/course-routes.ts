import { courseCommandBody } from '@map-step/contract';
import { route } from '../../http/route.ts';
import { listCourses, readCourse } from './course-queries.ts';
import { runCourseCommand } from './course-service.ts';

export const courseRoutes = [
  route('course.list', ({ deps, who }) => deps.database.inStudio(who.studio, listCourses)),
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
