import { chakra } from '@chakra-ui/react';
import type { CourseAnswer, Material, SectionAnswer, SignedInPerson, StudioAnswer } from '@map-step/contract';
import {
  type Course,
  isOnStaff,
  type Library,
  lessonsBehind,
  openLibrary,
  type Placed,
  type PlanVersion,
  type Section,
} from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { Outlet, useParams, useSearchParams } from 'react-router';
import { Failure } from '../../ui/failure.tsx';
import { Skeleton } from '../../ui/parts.tsx';
import { useSame, useSameActions } from '../../ui/same.ts';
import { sessionQuery } from '../session/session-queries.ts';
import { studioQuery } from '../studio/studio-queries.ts';
import { CourseFrame } from './course-frame.tsx';
import { classPlanQuery, courseQuery, materialQuery, sectionQuery } from './course-queries.ts';
import {
  type CourseNow,
  CoursePastContext,
  CourseViewContext,
  draftPlan,
  placedOf,
  problemOf,
} from './course-view.ts';
import { useAddress } from './use-address.ts';
import { useWaitingEvents } from './use-waiting-events.ts';

/** Loads a course and what its rooms share, then shows the room. */
export function CourseLayout() {
  const { course: id = '' } = useParams();
  const session = useQuery(sessionQuery);
  const studio = useQuery(studioQuery);
  const material = useQuery(materialQuery(id));
  const course = useQuery(courseQuery(id));
  const failed = [course, material, studio, session].find(({ error, data }) => error && !data);
  if (failed)
    return (
      <chakra.main p="6">
        <Failure error={failed.error} retry={() => void failed.refetch()} />
      </chakra.main>
    );
  const me = session.data?.person;
  if (!course.data || !material.data || !studio.data || !session.data || !me) return <Skeleton lines={10} />;
  return (
    <LoadedCourse
      answer={course.data}
      material={material.data.material}
      stamp={material.data.stamp}
      studio={studio.data}
      me={me}
      today={session.data.today}
    />
  );
}

interface Loaded {
  readonly answer: CourseAnswer;
  readonly material: Material;
  readonly stamp: string;
  readonly studio: StudioAnswer;
  readonly me: SignedInPerson;
  readonly today: string;
}

function LoadedCourse({ answer: whole, material, stamp, studio, me, today }: Loaded) {
  const { version, history, ...now } = whole;
  const answer = useSame(now);
  const past = useSame({ version, history });
  const [search] = useSearchParams();
  const address = useAddress();
  const [previewed, preview] = useState<Placed>();
  const chosen = chooseSection(answer, search.get('class'), me.id);
  const sectionState = useQuery({ ...sectionQuery(chosen ?? ''), enabled: chosen !== undefined });
  const { waiting, keep, section } = useWaitingEvents(
    me,
    chosen === undefined ? undefined : sectionState.data,
  );
  const library = useMemo(() => openLibrary(material), [material]);
  const saved = useSaved(answer.course);
  const problem = useProblem(library, answer);
  const draft = useMemo(() => draftPlan(problem, previewed ?? saved), [problem, previewed, saved]);
  const classPlan = useClassPlan(material, answer, section);
  const behind = section ? lessonsBehind(section.logs, section.recaps) : 0;
  const lesson = chooseLesson(answer, search.get('lesson'), behind);
  const { goTo, goBy } = useSameActions({
    goTo: (to: number) => {
      if (to >= 1 && to <= answer.course.lessons.length) address.ask('lesson', String(to));
    },
    goBy: (lessons: number) => goTo(chooseLesson(answer, address.search().get('lesson'), behind) + lessons),
  });
  const view = useSame({
    me,
    today,
    studio,
    material,
    materialStamp: stamp,
    library,
    answer,
    section,
    waiting,
    keep,
    mayTeach: section !== undefined && mayTeach(me, section.section, lesson),
    classPlan,
    draft,
    saved,
    lesson,
    goTo,
    goBy,
    preview,
  });
  return (
    <CourseViewContext value={view}>
      <CoursePastContext value={past}>
        <CourseFrame>
          {chosen !== undefined && !section ? (
            sectionState.error ? (
              <Failure error={sectionState.error} retry={() => void sectionState.refetch()} />
            ) : (
              <Skeleton />
            )
          ) : (
            <Outlet />
          )}
        </CourseFrame>
      </CoursePastContext>
    </CourseViewContext>
  );
}

/** Another object only when a figure lies elsewhere, not when the server tells the same in another order. */
function useSaved({ placed = [] }: Course): Placed {
  const ordered = [...placed].sort((one, other) => (one.pattern < other.pattern ? -1 : 1));
  const key = JSON.stringify(ordered);
  return useMemo(() => placedOf({ placed: JSON.parse(key) }), [key]);
}

/** The problem is built anew only when something else than the placing has changed. */
function useProblem(library: Library, { course, published }: CourseNow) {
  const { placed: _, ...rest } = course;
  const key = JSON.stringify([rest, published]);
  return useMemo(() => {
    const [own, plan] = JSON.parse(key) as [Course, PlanVersion | null];
    return problemOf(library, own, plan);
  }, [library, key]);
}

function useClassPlan(material: Material, answer: CourseNow, section: SectionAnswer | undefined) {
  const { course, published } = answer;
  // Its key is long: it is looked up anew only when something of it has changed.
  const query = useMemo(
    () => classPlanQuery(material, course, placedOf(published ?? course), section),
    [material, course, published, section],
  );
  const { data } = useQuery(query);
  return section && data?.ok ? data.value : undefined;
}

function mayTeach(me: SignedInPerson, section: Section, lesson: number): boolean {
  return me.role === 'director' || isOnStaff(section, me.id, section.dates[lesson - 1]);
}

/** The class that was asked for, else the first that this person teaches, else the first. */
function chooseSection(
  answer: CourseNow,
  asked: string | null,
  person: string | undefined,
): string | undefined {
  const { sections } = answer;
  const found =
    sections.find(({ id }) => id === asked) ??
    sections.find(({ staff }) => staff.some(entry => entry.person === person)) ??
    sections[0];
  return found?.id;
}

/** The lesson that was asked for, else the next one to teach. */
function chooseLesson(answer: CourseNow, asked: string | null, behind: number): number {
  const count = answer.course.lessons.length;
  const number = Number(asked ?? behind + 1);
  return Number.isInteger(number) ? Math.min(count, Math.max(1, number)) : 1;
}
