import { chakra } from '@chakra-ui/react';
import type {
  CourseAnswer,
  LogEntry,
  MaterialAnswer,
  SectionAnswer,
  SessionAnswer,
  SignedInPerson,
  StudioAnswer,
} from '@map-step/contract';
import { lessonsBehind, openLibrary, type Placed } from '@map-step/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useMemo, useState } from 'react';
import { Outlet, useParams, useSearchParams } from 'react-router';
import { keepLog, ownerOf, sendWaiting, type WaitingLog } from '../../api/outbox.ts';
import { useOutbox } from '../../api/use-outbox.ts';
import { Failure } from '../../ui/failure.tsx';
import { Skeleton } from '../../ui/parts.tsx';
import { sessionQuery } from '../session/session-queries.ts';
import { CourseFrame } from './course-frame.tsx';
import { classPlanQuery, courseQuery, materialQuery, sectionQuery, studioQuery } from './course-queries.ts';
import { CourseViewContext, draftPlan, placedOf } from './course-view.ts';

/** Loads a course and what its rooms share, then shows the room. */
export function CourseLayout() {
  const { course: id = '' } = useParams();
  const session = useQuery(sessionQuery);
  const studio = useQuery(studioQuery);
  const material = useQuery(materialQuery);
  const course = useQuery(courseQuery(id));
  const failed = [course, material, studio, session].find(({ error, data }) => error && !data);
  if (failed)
    return (
      <chakra.main p="6">
        <Failure error={failed.error} retry={() => void failed.refetch()} />
      </chakra.main>
    );
  if (!course.data || !material.data || !studio.data || !session.data) return <Skeleton lines={10} />;
  return (
    <LoadedCourse answer={course.data} material={material.data} studio={studio.data} session={session.data} />
  );
}

interface Loaded {
  readonly answer: CourseAnswer;
  readonly material: MaterialAnswer;
  readonly studio: StudioAnswer;
  readonly session: SessionAnswer;
}

function LoadedCourse({ answer, material, studio, session }: Loaded) {
  const [search, setSearch] = useSearchParams();
  const [previewed, preview] = useState<Placed>();
  const me = session.person;
  const chosen = chooseSection(answer, search.get('class'), me?.id);
  const sectionState = useQuery({ ...sectionQuery(chosen ?? ''), enabled: chosen !== undefined });
  const { waiting, log, section } = useWaitingLogs(me, chosen === undefined ? undefined : sectionState.data);
  const library = useMemo(() => openLibrary(material), [material]);
  const placed = useMemo(() => previewed ?? placedOf(answer.course), [previewed, answer]);
  const draft = useMemo(() => draftPlan(library, answer, placed), [library, answer, placed]);
  const classPlan = useClassPlan(material, answer, section);
  if (!me) return null;
  const lesson = chooseLesson(
    answer,
    search.get('lesson'),
    section ? lessonsBehind(section.logs, section.recaps) : 0,
  );
  const goTo = (to: number) => {
    if (to < 1 || to > answer.course.lessons.length) return;
    setSearch(
      before => {
        before.set('lesson', String(to));
        return before;
      },
      { replace: true },
    );
  };
  const view = {
    me,
    today: session.today,
    studio,
    material,
    library,
    answer,
    section,
    waiting,
    log,
    classPlan,
    draft,
    lesson,
    goTo,
    preview,
  };
  return (
    <CourseViewContext value={view}>
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
    </CourseViewContext>
  );
}

function useClassPlan(material: MaterialAnswer, answer: CourseAnswer, section: SectionAnswer | undefined) {
  const published = useMemo(() => placedOf(answer.published ?? answer.course), [answer]);
  const { data } = useQuery(classPlanQuery(material, answer.course, published, section));
  return section && data?.ok ? data.value : undefined;
}

/** The section with what this person has logged but the server has not got yet. */
function useWaitingLogs(me: SignedInPerson | null, stored: SectionAnswer | undefined) {
  const client = useQueryClient();
  const id = stored?.section.id;
  const onSent = useCallback(
    (entry: WaitingLog) =>
      client.setQueryData(
        sectionQuery(entry.section).queryKey,
        answer => answer && withWaiting(answer, [entry], me?.id ?? ''),
      ),
    [client, me],
  );
  const all = useOutbox(me, onSent);
  const waiting = useMemo(() => all.filter(entry => entry.section === id), [all, id]);
  const section = useMemo(() => stored && me && withWaiting(stored, waiting, me.id), [stored, waiting, me]);
  const log = (entry: LogEntry) => {
    if (!me || !id) return;
    const owner = ownerOf(me);
    void keepLog({ owner, section: id, log: entry }).then(() => sendWaiting(owner, onSent));
  };
  return { waiting, log, section: section ?? undefined };
}

function withWaiting(stored: SectionAnswer, waiting: readonly WaitingLog[], by: string): SectionAnswer {
  const there = new Set(stored.logs.map(({ id }) => id));
  const own = waiting.filter(({ log, refused }) => !there.has(log.id) && refused === undefined);
  if (own.length === 0) return stored;
  return { ...stored, logs: [...stored.logs, ...own.map(({ log, section }) => ({ ...log, section, by }))] };
}

/** The class that was asked for, else the first that this person teaches, else the first. */
function chooseSection(
  answer: CourseAnswer,
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
function chooseLesson(answer: CourseAnswer, asked: string | null, behind: number): number {
  const count = answer.course.lessons.length;
  const number = Number(asked ?? behind + 1);
  return Number.isInteger(number) ? Math.min(count, Math.max(1, number)) : 1;
}
