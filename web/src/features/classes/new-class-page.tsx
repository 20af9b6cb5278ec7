import { chakra } from '@chakra-ui/react';
import type { CourseSummary } from '@map-step/contract';
import type { Section } from '@map-step/core';
import { useInfiniteQuery, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { call } from '../../api/client.ts';
import { newId } from '../../api/new-id.ts';
import { Choice } from '../../ui/choice.tsx';
import { Failure } from '../../ui/failure.tsx';
import { Button, Empty, Label, Skeleton } from '../../ui/parts.tsx';
import { courseListQuery, courseQuery, keys } from '../course/course-queries.ts';
import { sessionQuery } from '../session/session-queries.ts';
import { NextStep } from '../setup/next-step.tsx';
import { StudioPage } from '../shell/studio-page.tsx';
import { type ClassLayout, layOut, useClassLook } from './class-draft.ts';
import { ClassEvenings } from './class-evenings.tsx';
import { ClassLookNotice } from './class-look.tsx';
import { ClassStaff } from './class-staff.tsx';

/** A class of a course: when it begins, where, and who teaches it; what is at the same time is told before. */
export function NewClassPage() {
  const [search] = useSearchParams();
  const courses = useInfiniteQuery(courseListQuery);
  const [chosen, choose] = useState(search.get('course') ?? undefined);
  const all = courses.data?.pages.flatMap(page => page.courses);
  const course = all?.find(({ id }) => id === chosen) ?? all?.[0];
  return (
    <StudioPage title="A new class">
      {courses.error && <Failure error={courses.error} />}
      {!all && !courses.error && <Skeleton />}
      {all && !course && (
        <>
          <Empty title="First a course">A class takes a course.</Empty>
          <NextStep takesFocus />
        </>
      )}
      {all && course && (
        <chakra.div display="grid" gap="5">
          {all.length > 1 && (
            <Choice
              label="Of the course"
              width="18rem"
              value={course.id}
              among={all.map(({ id, name }) => ({ value: id, words: name }))}
              set={choose}
            />
          )}
          <NewClass key={course.id} summary={course} />
        </chakra.div>
      )}
    </StudioPage>
  );
}

function NewClass({ summary }: { summary: CourseSummary }) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const { data: session } = useQuery(sessionQuery);
  const { data: answer, error } = useQuery(courseQuery(summary.id));
  const [id] = useState(() => newId(summary.name, 'class'));
  const me = session?.person?.id;
  const [drafted, draft] = useState<ClassLayout>();
  const layout = drafted ?? {
    id,
    course: summary.id,
    start: '19:00',
    dates: [],
    staff: me === undefined ? [] : [{ person: me }],
  };
  const minutes = answer?.course.lessons.map(lesson => lesson.minutes) ?? [];
  const look = useClassLook(layout, minutes);
  const create = useMutation({
    mutationFn: (section: Section) => call('section.create', { body: { section } }),
    onSuccess: async ({ body }) => {
      await client.invalidateQueries({ queryKey: keys.courses });
      await client.invalidateQueries({ queryKey: keys.course(summary.id) });
      await navigate(`/classes/${body.id}?part=students`);
    },
  });
  if (!answer) return error ? <Failure error={error} /> : <Skeleton />;
  const put = (more: Partial<ClassLayout>) => draft({ ...layout, ...more });
  const hasEvenings = layout.dates.length > 0;
  const make = () =>
    create.mutate(
      layOut({ id, course: summary.id, start: layout.start, dates: [], staff: [], students: [] }, layout),
    );
  return (
    <chakra.form display="grid" gap="5" action={make}>
      {create.isError && <Failure error={create.error} />}
      <ClassEvenings layout={layout} lessons={minutes.length} put={put} takesFocus />
      {hasEvenings && <ClassLookNotice {...look} />}
      <chakra.div display="flex" gap="3" alignItems="center">
        <Button type="submit" look="next" disabled={!hasEvenings || !look.isKnown || create.isPending}>
          {look.clashes.length > 0 ? 'Make this class all the same' : 'Make this class'}
        </Button>
        {!hasEvenings && <Label>Say first on which day it begins.</Label>}
      </chakra.div>
      <ClassStaff staff={layout.staff} put={staff => put({ staff })} />
    </chakra.form>
  );
}
