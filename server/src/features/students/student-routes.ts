import { route } from '../../http/route.ts';
import { eraseStudent, exportStudent } from './student-data.ts';
import { findStudents, matchStudents, readStudent } from './student-pages.ts';

export const studentRoutes = [
  route('student.find', (scope, { query }) => findStudents(scope, query.named)),
  route('student.match', (scope, { body }) => matchStudents(scope, body.names)),
  route('student.read', (scope, { params }) => readStudent(scope, params.student)),
  route('student.export', async (scope, { params, response }) => {
    const text = await exportStudent(scope, params.student);
    response.type('application/json').attachment('student.json');
    return text;
  }),
  route('student.erase', (scope, { params }) => eraseStudent(scope, params.student)),
];
