import { randomUUID } from 'node:crypto';

/** Not made of the name: it stands in places where a name must not stay. */
export function newStudentId(): string {
  return `student-${randomUUID().slice(0, 12).replace('-', '')}`;
}
