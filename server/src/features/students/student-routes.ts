import { route } from '../../http/route.ts';
import { eraseStudent, exportStudent } from './student-data.ts';

export const studentRoutes = [
  route('student.export', async (scope, { params, response }) => {
    const text = await exportStudent(scope, params.student);
    response.type('application/json').attachment('student.json');
    return text;
  }),
  route('student.erase', (scope, { params }) => eraseStudent(scope, params.student)),
];
