import { ChakraProvider } from '@chakra-ui/react';
import type { CourseAnswer, SectionAnswer } from '@map-step/contract';
import {
  draftPlacing,
  openLibrary,
  type Placing,
  planClass,
  readDocument,
  type StudioDocument,
} from '@map-step/core';
import { QueryClient, QueryClientProvider, useQuery } from '@tanstack/react-query';
import { cleanup, configure, render, renderHook, waitFor } from '@testing-library/react';
import { type ReactNode, useMemo, useState } from 'react';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { onTestFinished, vi } from 'vitest';
import demo from '../../../demo/tarn-street.json?raw';
import {
  type ClassContent,
  ClassContext,
  type CourseContent,
  CourseContext,
  PlaceContext,
  type PlanContent,
  PlanContext,
} from '../features/course/course-context.ts';
import { courseQuery } from '../features/course/course-queries.ts';
import { draftPlan, problemOf } from '../features/course/course-view.ts';
import { system } from '../theme/system.ts';
import { CourseOnServer } from './course-on-server.ts';

// A busy machine takes longer than what the library waits by itself.
configure({ asyncUtilTimeout: 60_000 });

export const DIRECTOR = 'ottilie-marsh';
const COURSE = 'hustle-1';

export const demoStudio = readDemo();
const { dances = [], levels = [], patterns = [], elements = [] } = demoStudio;
const material = { dances, levels, patterns, elements };
const library = openLibrary(material);

function readDemo(): StudioDocument {
  const read = readDocument(demo);
  if (!read.ok) throw new Error(JSON.stringify(read.fault));
  return read.value;
}

interface Asked {
  readonly role?: 'director' | 'teacher';
  /** Lessons that are over. */
  readonly over?: number;
  /** What the course leaves out, beside what the demo's does. */
  readonly left?: readonly string[];
}

/** A server with the demo's course, and a page that has read it. */
function openPage({ left = [] }: Asked) {
  const course = demoStudio.courses?.find(({ id }) => id === COURSE);
  if (!course) throw new Error('the demo has no such course');
  const placed = course.placed?.filter(({ pattern }) => !left.includes(pattern)) ?? [];
  const server = new CourseOnServer({ ...course, placed }, DIRECTOR);
  vi.stubGlobal('fetch', server.fetch);
  const client = new QueryClient({ defaultOptions: { queries: { staleTime: Number.POSITIVE_INFINITY } } });
  client.setQueryData(courseQuery(COURSE).queryKey, server.answer);
  const saved = () => waitFor(() => expectSaved(client));
  onTestFinished(async () => {
    // What is still on its way would reach the server of the next test.
    await saved();
    cleanup();
    vi.unstubAllGlobals();
  });
  return { server, client, saved };
}

/** Runs a hook of the map inside the demo's course, on a page whose server is the one that is returned. */
export function renderInCourse<Result>(hook: () => Result, asked: Asked = {}) {
  const { role = 'director', over = 0 } = asked;
  const page = openPage(asked);
  const shown: { view?: Shown } = {};
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={page.client}>
      <InCourse shown={shown} role={role} over={over}>
        {children}
      </InCourse>
    </QueryClientProvider>
  );
  const rendered = renderHook(hook, { wrapper });
  const view = () => {
    if (!shown.view) throw new Error('nothing is drawn yet');
    return shown.view;
  };
  return { ...rendered, ...page, view, lessonOf: (id: string) => view().draft.placed[id] };
}

interface InRoom extends Asked {
  readonly classContent?: ClassContent;
  readonly lesson?: number;
}

/** Draws a room of the demo's course as a browser would. */
export function renderRoom(room: ReactNode, { role = 'director', ...inRoom }: InRoom = {}) {
  const page = openPage(inRoom);
  const element = (
    <InCourse shown={{}} role={role} {...inRoom}>
      {room}
    </InCourse>
  );
  const router = createMemoryRouter([{ path: '*', element }]);
  const rendered = render(
    <ChakraProvider value={system}>
      <QueryClientProvider client={page.client}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </ChakraProvider>,
  );
  return { ...rendered, ...page, router };
}

/** The demo's class on Monday, after four lessons. */
export function mondayClass(keep: ClassContent['keep']): ClassContent {
  const id = 'hustle-1-monday';
  const course = demoStudio.courses?.find(one => one.id === COURSE);
  const section = demoStudio.sections?.find(one => one.id === id);
  if (!course || !section) throw new Error('the demo has no such class');
  const own = <Entry extends { readonly section: string }>(entries: readonly Entry[] = []) =>
    entries.filter(entry => entry.section === id);
  const inIt = new Set(section.students.map(({ student }) => student));
  const count = (role: string) => section.students.filter(student => student.role === role).length;
  const answer: SectionAnswer = {
    section,
    version: 1,
    counts: { lead: count('lead'), follow: count('follow'), solo: count('solo') },
    students: (demoStudio.students ?? []).filter(student => inIt.has(student.id)),
    seq: 0,
    logs: own(demoStudio.logs),
    attendance: own(demoStudio.attendance),
    notes: own(demoStudio.notes),
    recaps: own(demoStudio.recaps).map(
      ({ section: of, lesson, audience, markdown, promises = [], published = null }) => ({
        section: of,
        lesson,
        audience,
        markdown,
        promises: [...promises],
        version: 1,
        published,
        isChanged: false,
        links: 0,
      }),
    ),
  };
  const plan = planClass(library, course, draftPlacing(course), answer);
  return { section: answer, waiting: [], keep, classPlan: plan.ok ? plan.value : undefined };
}

function expectSaved(client: QueryClient): void {
  if (client.isMutating() > 0) throw new Error('a change is on its way');
}

/** What the page knows of the demo's course. */
export function courseContent(role: NonNullable<Asked['role']>): CourseContent {
  const course = demoStudio.courses?.find(({ id }) => id === COURSE);
  if (!course) throw new Error('the demo has no such course');
  return {
    me: { id: DIRECTOR, name: 'Ottilie Marsh', role, studio: '00000000-0000-4000-8000-000000000000' },
    today: '2026-03-09',
    studio: {
      studio: demoStudio.studio,
      people: [...(demoStudio.people ?? [])],
      rooms: [...(demoStudio.rooms ?? [])],
      holidays: [...(demoStudio.holidays ?? [])],
      tableColumns: { patterns: {}, items: {}, students: {}, marks: {} },
      slug: 'tarn-street',
      consent: null,
      localRules: null,
      recallAim: null,
    },
    material,
    materialStamp: '1',
    library,
    answer: { course, published: null, sections: [] },
    over: 0,
  };
}

/** A plan with some figures elsewhere. */
export function withPlaced({ placed, ahead }: Placing, more: Placing['placed']): Placing {
  return { placed: { ...placed, ...more }, ahead };
}

/** What the page shows, for the test to look at. */
type Shown = CourseContent & PlanContent;

interface InCourseProps {
  readonly children: ReactNode;
  readonly role: NonNullable<Asked['role']>;
  readonly shown: { view?: Shown };
  readonly classContent?: ClassContent;
  readonly lesson?: number;
  readonly over?: number;
}

function rulesOf({ course: { placed: _, placedAhead: __, ...course }, published, sections }: CourseAnswer) {
  return { course, published, sections };
}

const placingIn = ({ course }: CourseAnswer) => draftPlacing(course);
const NOWHERE: Placing = { placed: {}, ahead: [] };

const NO_CLASS: ClassContent = { section: undefined, waiting: [], keep: () => {}, classPlan: undefined };

function InCourse({ children, role, shown, classContent = NO_CLASS, lesson = 1, over = 0 }: InCourseProps) {
  const { data: answer } = useQuery({ ...courseQuery(COURSE), select: rulesOf });
  const [previewed, preview] = useState<Placing>();
  if (!answer) throw new Error('the course is there from the beginning');
  const { data: saved = NOWHERE } = useQuery({ ...courseQuery(COURSE), select: placingIn });
  // What was taught stays as it was planned when the page opened.
  const [planned] = useState(saved);
  const draft = useMemo(
    () =>
      draftPlan(
        problemOf(library, answer.course, { published: answer.published, over, saved: planned }),
        previewed ?? saved,
      ),
    [answer.course, answer.published, over, planned, previewed, saved],
  );
  const course = { ...courseContent(role), answer, over };
  const plan = { draft, saved, preview };
  shown.view = { ...course, ...plan };
  return (
    <CourseContext value={course}>
      <PlanContext value={plan}>
        <ClassContext value={classContent}>
          <PlaceContext value={{ lesson, goTo: () => {}, goBy: () => {} }}>{children}</PlaceContext>
        </ClassContext>
      </PlanContext>
    </CourseContext>
  );
}
