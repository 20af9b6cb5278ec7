import { chakra } from '@chakra-ui/react';
import type { CourseSummary } from '@map-step/contract';
import { useQuery } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { Link } from 'react-router';
import { TopStrip } from '../../app/top-strip.tsx';
import { Failure } from '../../ui/failure.tsx';
import { Empty, Label, Skeleton } from '../../ui/parts.tsx';
import { courseListQuery, studioQuery } from '../course/course-queries.ts';
import { sessionQuery } from '../session/session-queries.ts';
import { ImportAndExport } from './import-and-export.tsx';

/** The courses of the studio with their classes, and how far each class is. */
export function ProgrammePage() {
  const courses = useQuery(courseListQuery);
  const { data: session } = useQuery(sessionQuery);
  const isDirector = session?.person?.role === 'director';
  return (
    <>
      <TopStrip />
      <chakra.main maxW="64rem" mx="auto" px="5" py="6">
        <chakra.h1 fontSize="2xl" mb="4">
          Programme
        </chakra.h1>
        {courses.data ? (
          courses.data.length > 0 ? (
            <chakra.ul listStyleType="none" p="0">
              {courses.data.map(course => (
                <CourseEntry key={course.id} course={course} />
              ))}
            </chakra.ul>
          ) : (
            <Empty title="No course yet">
              {isDirector
                ? 'Import a file with your dances, figures and courses to begin.'
                : 'The director has not set up a course yet.'}
            </Empty>
          )
        ) : courses.error ? (
          <Failure error={courses.error} retry={() => void courses.refetch()} />
        ) : (
          <Skeleton />
        )}
        {isDirector && <ImportAndExport />}
      </chakra.main>
    </>
  );
}

function CourseEntry({ course }: { course: CourseSummary }) {
  const { data: studio } = useQuery(studioQuery);
  const nameOf = (id: string) => studio?.people.find(person => person.id === id)?.name ?? id;
  const roomOf = (id: string | null) => studio?.rooms.find(room => room.id === id)?.name;
  return (
    <chakra.li borderTop="2px solid" borderColor="ink" py="4">
      <chakra.div display="flex" alignItems="baseline" gap="3" flexWrap="wrap">
        <chakra.h2 fontSize="xl">
          <Link to={`/courses/${course.id}/map`}>{course.name}</Link>
        </chakra.h2>
        <Label>
          {course.lessons} lessons, {course.items} figures{course.published ? '' : ', no plan published yet'}
        </Label>
      </chakra.div>
      <chakra.ul listStyleType="none" p="0" mt="2">
        {course.sections.map(({ id, dates, start, room, staff, students, behind }) => (
          <chakra.li key={id} display="flex" gap="4" flexWrap="wrap" alignItems="baseline" py="1">
            <Link to={`/courses/${course.id}/lesson?class=${id}`}>
              {dates[0] ? format(parseISO(dates[0]), 'EEEE') : ''} {start}
            </Link>
            <span>
              {behind} of {course.lessons} lessons taught
            </span>
            <Label>
              {[roomOf(room), staff.map(nameOf).join(' and '), `${students} students`]
                .filter(Boolean)
                .join(', ')}
            </Label>
          </chakra.li>
        ))}
      </chakra.ul>
    </chakra.li>
  );
}
