import { chakra } from '@chakra-ui/react';
import type { CourseAnswer, Material, SignedInPerson, StudioAnswer } from '@map-step/contract';
import {
  draftPlacing,
  keptPlacing,
  lessonsBehind,
  lessonsOver,
  lessonsPassed,
  openLibrary,
  type Placing,
} from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { type ReactNode, useMemo, useState } from 'react';
import { useParams, useSearchParams } from 'react-router';
import { Failure } from '../../ui/failure.tsx';
import { Skeleton } from '../../ui/parts.tsx';
import { sessionQuery } from '../session/session-queries.ts';
import { studioQuery } from '../studio/studio-queries.ts';
import {
  ClassContext,
  CourseContext,
  type CourseNow,
  PlaceContext,
  PlanContext,
  useClass,
  useCourse,
  usePlan,
} from './course-context.ts';
import { classPlanQuery, courseQuery, materialQuery, sectionQuery } from './course-queries.ts';
import { chooseLesson, draftPlan, problemOf } from './course-view.ts';
import { useAddress } from './use-address.ts';
import { useWaitingEvents } from './use-waiting-events.ts';

/** Loads a course and what its rooms share, then shows what is within. */
export function CourseProviders({ children }: Around) {
  const { course: id = '' } = useParams();
  const session = useQuery(sessionQuery);
  const studio = useQuery(studioQuery);
  const material = useQuery(materialQuery(id));
  const course = useQuery({ ...courseQuery(id), select: rulesOf });
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
    <WithCourse
      answer={course.data}
      material={material.data.material}
      stamp={material.data.stamp}
      studio={studio.data}
      me={me}
      today={session.data.today}
    >
      <WithPlan>
        <WithClass>
          <WithPlace>{children}</WithPlace>
        </WithClass>
      </WithPlan>
    </WithCourse>
  );
}

/** A move, or a change that was saved, leaves all else as it was drawn already. */
function rulesOf({
  course: { placed: _, placedAhead: __, ...course },
  published,
  sections,
}: CourseAnswer): CourseNow {
  return { course, published, sections };
}

function placingIn({ course }: CourseAnswer): Placing {
  return draftPlacing(course);
}

interface Around {
  readonly children: ReactNode;
}

interface Loaded extends Around {
  readonly answer: CourseNow;
  readonly material: Material;
  readonly stamp: string;
  readonly studio: StudioAnswer;
  readonly me: SignedInPerson;
  readonly today: string;
}

function WithCourse({ answer, material, stamp, studio, me, today, children }: Loaded) {
  const library = useMemo(() => openLibrary(material), [material]);
  const over = lessonsOver(answer.sections, today);
  const content = useMemo(
    () => ({ me, today, studio, material, materialStamp: stamp, library, answer, over }),
    [me, today, studio, material, stamp, library, answer, over],
  );
  return <CourseContext value={content}>{children}</CourseContext>;
}

const NOWHERE: Placing = { placed: {}, ahead: [] };

function WithPlan({ children }: Around) {
  const { library, answer, over } = useCourse();
  const [previewed, preview] = useState<Placing>();
  const { data: saved = NOWHERE } = useQuery({ ...courseQuery(answer.course.id), select: placingIn });
  const { course, published } = answer;
  // A published plan says where what was taught lay: then a move changes nothing of the problem.
  const followed = published || over === 0 ? NOWHERE : saved;
  const problem = useMemo(
    () => problemOf(library, course, { published, over, saved: followed }),
    [library, course, published, over, followed],
  );
  const draft = useMemo(() => draftPlan(problem, previewed ?? saved), [problem, previewed, saved]);
  const content = useMemo(() => ({ draft, saved, preview }), [draft, saved]);
  return <PlanContext value={content}>{children}</PlanContext>;
}

function WithClass({ children }: Around) {
  const { answer, material, me, today } = useCourse();
  const { id, stored } = useChosenClass();
  const { waiting, keep, section } = useWaitingEvents(me, id === undefined ? undefined : stored.data);
  const { saved } = usePlan();
  const { course, published } = answer;
  const followed = useMemo(() => (published ? keptPlacing(published) : saved), [published, saved]);
  // Its key is long: it is looked up anew only when something of it has changed.
  const query = useMemo(
    () =>
      classPlanQuery(material, course, followed, section, lessonsPassed(section?.section.dates ?? [], today)),
    [material, course, followed, section, today],
  );
  const { data } = useQuery(query);
  const classPlan = section && data?.ok ? data.value : undefined;
  const content = useMemo(() => ({ section, waiting, keep, classPlan }), [section, waiting, keep, classPlan]);
  return <ClassContext value={content}>{children}</ClassContext>;
}

export function useChosenClass() {
  const { answer, me } = useCourse();
  const [search] = useSearchParams();
  const id = chooseSection(answer, search.get('class'), me.id);
  return { id, stored: useQuery({ ...sectionQuery(id ?? ''), enabled: id !== undefined }) };
}

/** The class that was asked for, else the first that this person teaches, else the first. */
function chooseSection(
  { sections }: CourseNow,
  asked: string | null,
  person: string | undefined,
): string | undefined {
  const found =
    sections.find(({ id }) => id === asked) ??
    sections.find(({ staff }) => staff.some(entry => entry.person === person)) ??
    sections[0];
  return found?.id;
}

function WithPlace({ children }: Around) {
  const { answer, today } = useCourse();
  const { section } = useClass();
  const [search] = useSearchParams();
  const address = useAddress();
  const count = answer.course.lessons.length;
  const behind = section
    ? Math.max(lessonsBehind(section.logs, section.recaps), lessonsPassed(section.section.dates, today))
    : 0;
  const lesson = chooseLesson(count, search.get('lesson'), behind);
  const content = useMemo(() => {
    const goTo = (to: number) => {
      if (to >= 1 && to <= count) address.ask('lesson', String(to));
    };
    const goBy = (lessons: number) =>
      goTo(chooseLesson(count, address.search().get('lesson'), behind) + lessons);
    return { lesson, goTo, goBy };
  }, [lesson, count, behind, address]);
  return <PlaceContext value={content}>{children}</PlaceContext>;
}
