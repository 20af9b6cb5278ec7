import { chakra } from '@chakra-ui/react';
import type { CourseSummary } from '@map-step/contract';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { Link } from 'react-router';
import { Failure } from '../../ui/failure.tsx';
import { Button, Label, Skeleton } from '../../ui/parts.tsx';
import { courseListQuery } from '../course/course-queries.ts';
import { personName, studioQuery } from '../studio/studio-queries.ts';

const NAMES = new Intl.ListFormat('en');

/** The courses by dance and level, each with the place of its classes. */
export function Courses({ isDirector }: { isDirector: boolean }) {
  const courses = useInfiniteQuery(courseListQuery);
  const all = courses.data?.pages.flatMap(page => page.courses);
  return (
    <chakra.section aria-label="Courses">
      <chakra.div display="flex" gap="4" alignItems="baseline">
        <chakra.h2 fontSize="lg">Courses</chakra.h2>
        {isDirector && <Link to="/courses/new">A new course</Link>}
        {isDirector && <Link to="/classes/new">A new class</Link>}
      </chakra.div>
      {!all &&
        (courses.error ? (
          <Failure error={courses.error} retry={() => void courses.refetch()} />
        ) : (
          <Skeleton />
        ))}
      {all?.length === 0 && (
        <Label>{isDirector ? 'No course yet.' : 'The director has not set up a course yet.'}</Label>
      )}
      <chakra.ul listStyleType="none" p="0">
        {all &&
          byLevel(all).map((course, index) => (
            <CourseRow key={`${course.id} ${index}`} course={course} isDirector={isDirector} />
          ))}
      </chakra.ul>
      {courses.hasNextPage && (
        <Button onClick={() => void courses.fetchNextPage()} disabled={courses.isFetchingNextPage}>
          Show older classes
        </Button>
      )}
    </chakra.section>
  );
}

/** Dances keep the order of their newest class; within a dance levels follow each other. */
function byLevel(courses: readonly CourseSummary[]): readonly CourseSummary[] {
  const dances = [...new Set(courses.map(({ dances: [dance] }) => dance))];
  const rank = ({ dances: [dance] }: CourseSummary) => dances.indexOf(dance);
  return courses.toSorted((a, b) => rank(a) - rank(b) || (a.level ?? '~').localeCompare(b.level ?? '~'));
}

function CourseRow({ course, isDirector }: { course: CourseSummary; isDirector: boolean }) {
  const { data: studio } = useQuery(studioQuery);
  const roomOf = (id: string | null) => studio?.rooms.find(room => room.id === id)?.name;
  return (
    <chakra.li borderTop="1px solid" borderColor="line" py="2">
      <chakra.div display="flex" alignItems="baseline" gap="3" flexWrap="wrap">
        <chakra.h3 fontSize="md">
          <Link to={`/courses/${course.id}/map`}>{course.name}</Link>
        </chakra.h3>
        <Label>
          {course.lessons} lessons, {course.items} figures{course.published ? '' : ', no plan published yet'}
        </Label>
        <chakra.span display="flex" gap="3" fontSize="sm">
          {course.sections.length > 1 && (
            <Link to={`/courses/${course.id}/classes`}>Classes side by side</Link>
          )}
          {course.published && <Link to={`/courses/${course.id}/sheet`}>Sheet</Link>}
        </chakra.span>
      </chakra.div>
      <chakra.ul listStyleType="none" p="0">
        {course.sections.map(({ id, dates, start, room, staff, students, behind }) => (
          <chakra.li key={id} display="flex" gap="3" flexWrap="wrap" alignItems="baseline">
            <Link to={`/courses/${course.id}/lesson?class=${id}`}>
              {dates[0] ? format(parseISO(dates[0]), 'EEEE') : ''} {start}
            </Link>
            <span>
              {behind} of {course.lessons} lessons taught
            </span>
            <Label>
              {[
                roomOf(room),
                NAMES.format(staff.map(person => personName(studio, person))),
                `${students} students`,
              ]
                .filter(Boolean)
                .join(', ')}
            </Label>
            {isDirector && (
              <Link to={`/classes/${id}`}>
                <chakra.span fontSize="sm">Evenings, staff, students</chakra.span>
              </Link>
            )}
          </chakra.li>
        ))}
      </chakra.ul>
    </chakra.li>
  );
}
