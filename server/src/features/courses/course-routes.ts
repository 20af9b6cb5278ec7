import { createDocument } from '../../aggregates/document-aggregate.ts';
import { route } from '../../http/route.ts';
import { courseAggregate, readCourse } from './course-aggregate.ts';
import { listCourses, listVersions } from './course-queries.ts';
import { runCourseCommand } from './course-service.ts';

export const courseRoutes = [
  route('course.list', (scope, { query }) => listCourses(scope, query.page ?? 0)),
  route('course.read', (scope, { params }) => readCourse(scope, params.course)),
  route('course.versions', (scope, { params }) => listVersions(scope, params.course)),
  route('course.create', async (scope, { who, body: { course } }) => {
    await createDocument(courseAggregate(scope, course.id), 'courses', who.id, course);
    return readCourse(scope, course.id);
  }),
  route('course.command', (scope, { deps, who, params, body }) =>
    runCourseCommand(scope, { course: params.course, person: who.id, now: deps.now(), ...body }),
  ),
];
