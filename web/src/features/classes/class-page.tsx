import { chakra } from '@chakra-ui/react';
import type { CourseAnswer, Versioned } from '@map-step/contract';
import { changesBetween, placedOf, type Section } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { dequal } from 'dequal';
import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import type { Commands } from '../../api/commands.ts';
import { useCommands, useIsSaving } from '../../api/use-commands.ts';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Failure } from '../../ui/failure.tsx';
import { Button, Label, Skeleton } from '../../ui/parts.tsx';
import { UnsavedGuard } from '../../ui/unsaved-guard.tsx';
import { classAggregate } from '../course/class-document.ts';
import { ClassRefusal } from '../course/class-refusal.tsx';
import { courseQuery, sectionQuery } from '../course/course-queries.ts';
import { HistoryList } from '../history/history-list.tsx';
import { sessionQuery } from '../session/session-queries.ts';
import { NextStep } from '../setup/next-step.tsx';
import { danceQuery, useRemoveEntry } from '../setup/setup-queries.ts';
import { StudioPage } from '../shell/studio-page.tsx';
import { CancelEvening } from './cancel-evening.tsx';
import { type ClassLayout, layOut, layoutOf, useClassLook } from './class-draft.ts';
import { ClassEvenings } from './class-evenings.tsx';
import { ClassLookNotice } from './class-look.tsx';
import { ClassStaff } from './class-staff.tsx';
import { ClassStudents } from './class-students.tsx';

/** One class: its evenings, room and staff, saved together after a look at what is at the same time; its students. */
export function ClassPage() {
  const { class: id = '' } = useParams();
  const document = useMemo(() => classAggregate(id), [id]);
  const { data: session } = useQuery(sessionQuery);
  const { data, error } = useQuery({ queryKey: document.key, queryFn: document.read });
  const course = useQuery({ ...courseQuery(data?.body.course ?? ''), enabled: data !== undefined });
  const commands = useCommands(document, session?.person?.id ?? '');
  const title = course.data ? `${course.data.course.name}, ${data?.body.start ?? ''}` : 'A class';
  return (
    <StudioPage title={title}>
      {(error ?? course.error) && <Failure error={error ?? course.error ?? new Error()} />}
      {(!data || !course.data) && !error && !course.error && <Skeleton />}
      {data && course.data && (
        <>
          <ClassRefusal of={document.key} commands={commands} />
          <Loaded answer={data} course={course.data} commands={commands} today={session?.today ?? ''} />
        </>
      )}
    </StudioPage>
  );
}

interface LoadedProps {
  readonly answer: Versioned<Section>;
  readonly course: CourseAnswer;
  readonly commands: Commands<Section>;
  readonly today: string;
}

function Loaded({ answer, course: { course, published }, commands, today }: LoadedProps) {
  const section = answer.body;
  const [search] = useSearchParams();
  const { data: material } = useQuery(danceQuery(course.dances[0] ?? ''));
  const isSaving = useIsSaving(classAggregate(section.id).key);
  const isEntering = search.get('part') === 'students';
  const { layout, isDirty, put, save, leave, callOff } = useLayoutDraft(section, commands);
  const look = useClassLook(
    layout,
    course.lessons.map(({ minutes }) => minutes),
  );
  const written = useLastWritten(section.id);
  const nameOf = (id: string) => material?.patterns.find(one => one.id === id)?.name ?? id;
  const isPair = material?.dances.find(({ id }) => id === course.dances[0])?.roles !== 'solo';
  return (
    <chakra.div display="grid" gap="6">
      <UnsavedGuard isDirty={isDirty} />
      <chakra.div display="flex" gap="3" alignItems="baseline">
        <Link to={`/courses/${course.id}/lesson?class=${section.id}`}>To its lessons</Link>
        <Label aria-live="polite">{isDirty ? 'not saved yet' : isSaving ? 'saving' : 'saved'}</Label>
      </chakra.div>
      <ClassEvenings layout={layout} lessons={course.lessons.length} put={put} />
      <Disclosure title="Call an evening off" size="small" startsOpen={search.get('part') === 'off'}>
        <CancelEvening
          layout={layout}
          lessons={course.lessons}
          plan={published ? placedOf(published) : {}}
          evenings={layout.dates.filter(
            (date, index) => date >= today || (written !== undefined && index >= written),
          )}
          nameOf={nameOf}
          callOff={callOff}
        />
      </Disclosure>
      <ClassStaff staff={layout.staff} put={staff => put({ staff })} />
      <ClassLookNotice {...look} />
      {isDirty && (
        <chakra.div display="flex" gap="2">
          <Button look="next" disabled={!look.isKnown} onClick={save}>
            {look.clashes.length > 0 ? 'Save it all the same' : 'Save evenings, room and staff'}
          </Button>
          <Button onClick={leave}>Leave it as it was</Button>
        </chakra.div>
      )}
      <ClassStudents
        section={section}
        commands={commands}
        isPair={isPair}
        today={today}
        takesFocus={isEntering && section.students.length === 0}
      />
      {section.students.length > 0 && <NextStep takesFocus={isEntering} />}
      <Disclosure title="Changes of this class" size="small">
        <HistoryList history={answer.history} takeBack={commands.takeBack} />
      </Disclosure>
      {written === 0 && <TakeClassAway id={section.id} />}
    </chakra.div>
  );
}

/** Evenings, room and staff under one's hands, over the class as it was when one began. */
function useLayoutDraft(section: Section, commands: Commands<Section>) {
  const [drafted, draft] = useState<{ readonly seen: Section; readonly layout: ClassLayout }>();
  const saved = layoutOf(section);
  const layout = drafted?.layout ?? saved;
  const isDirty = drafted !== undefined && !dequal(layout, layoutOf(drafted.seen));
  const put = (more: Partial<ClassLayout>) =>
    draft({ seen: drafted?.seen ?? section, layout: { ...layout, ...more } });
  return {
    layout,
    isDirty,
    put,
    /** Only what was changed here, over what was seen: what somebody else changed meanwhile stays. */
    save: () => {
      if (drafted)
        commands.change(
          'Evenings, room and staff',
          changesBetween(drafted.seen, layOut(drafted.seen, drafted.layout)),
        );
      draft(undefined);
    },
    leave: () => draft(undefined),
    /** Done at once, unless something else of the class waits to be saved: then together with that. */
    callOff: (more: Partial<ClassLayout>) => {
      if (isDirty) put(more);
      else
        commands.change(
          'An evening called off',
          changesBetween(section, layOut(section, { ...saved, ...more })),
        );
    },
  };
}

/** The last lesson of which something was written, 0 when nothing was; undefined while that is not known. */
function useLastWritten(id: string): number | undefined {
  const { data } = useQuery(sectionQuery(id));
  if (!data) return undefined;
  const { logs, attendance, notes, recaps } = data;
  return Math.max(0, ...[...logs, ...attendance, ...notes, ...recaps].map(({ lesson }) => lesson));
}

function TakeClassAway({ id }: { id: string }) {
  const navigate = useNavigate();
  const remove = useRemoveEntry();
  return (
    <chakra.div display="grid" gap="2" justifyItems="start">
      {remove.isError && <Failure error={remove.error} />}
      <Button
        look="quiet"
        size="small"
        onClick={() =>
          remove.mutate({ kind: 'sections', entry: id }, { onSuccess: () => void navigate('/') })
        }
      >
        Take this class away, of which nothing was written yet
      </Button>
    </chakra.div>
  );
}
