import { chakra } from '@chakra-ui/react';
import type { CourseSummary } from '@map-step/contract';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { lazy, Suspense, useState } from 'react';
import { Link } from 'react-router';
import { Failure } from '../../ui/failure.tsx';
import { Button, Empty, Label, Skeleton } from '../../ui/parts.tsx';
import { courseListQuery } from '../course/course-queries.ts';
import { sessionQuery } from '../session/session-queries.ts';
import { TopStrip } from '../shell/top-strip.tsx';
import { personName, studioQuery } from '../studio/studio-queries.ts';

/** What only a director opens is loaded when it is opened. */
const ClassStaff = lazy(async () => ({ default: (await import('./class-staff.tsx')).ClassStaff }));
const ImportAndExport = lazy(async () => ({
  default: (await import('./import-and-export.tsx')).ImportAndExport,
}));

const NAMES = new Intl.ListFormat('en');

/** The courses of the studio with their classes, and how far each class is. */
export function ProgrammePage() {
  const courses = useInfiniteQuery(courseListQuery);
  const all = courses.data?.pages.flatMap(page => page.courses);
  const { data: session } = useQuery(sessionQuery);
  const isDirector = session?.person?.role === 'director';
  return (
    <>
      <TopStrip />
      <chakra.main maxW="64rem" mx="auto" px="5" py="6">
        <chakra.h1 fontSize="2xl" mb="4">
          Programme
        </chakra.h1>
        {all ? (
          all.length > 0 ? (
            <chakra.ul listStyleType="none" p="0">
              {all.map((course, index) => (
                <CourseEntry key={`${course.id} ${index}`} course={course} mayStaff={isDirector} />
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
        {courses.hasNextPage && (
          <Button onClick={() => void courses.fetchNextPage()} disabled={courses.isFetchingNextPage}>
            Show older classes
          </Button>
        )}
        {isDirector && (
          <Suspense>
            <ImportAndExport />
          </Suspense>
        )}
      </chakra.main>
    </>
  );
}

function CourseEntry({ course, mayStaff }: { course: CourseSummary; mayStaff: boolean }) {
  const [staffed, setStaffed] = useState<string>();
  const { data: studio } = useQuery(studioQuery);
  const nameOf = (id: string) => personName(studio, id);
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
              {[roomOf(room), NAMES.format(staff.map(nameOf)), `${students} students`]
                .filter(Boolean)
                .join(', ')}
            </Label>
            {mayStaff && (
              <Button
                look="quiet"
                size="small"
                aria-expanded={staffed === id}
                onClick={() => setStaffed(staffed === id ? undefined : id)}
              >
                Staff of this class
              </Button>
            )}
            {staffed === id && (
              <Suspense>
                <ClassStaff id={id} />
              </Suspense>
            )}
          </chakra.li>
        ))}
      </chakra.ul>
    </chakra.li>
  );
}
