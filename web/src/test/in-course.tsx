import { ChakraProvider } from '@chakra-ui/react';
import type { SectionAnswer, SentEvent, SessionAnswer } from '@map-step/contract';
import {
  type ClassPlan,
  openLibrary,
  type Placing,
  type Result,
  readDocument,
  type StudioDocument,
} from '@map-step/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, renderHook, waitFor } from '@testing-library/react';
import { type ReactNode, useMemo } from 'react';
import { createMemoryRouter, MemoryRouter, Route, RouterProvider, Routes } from 'react-router';
import { expect, onTestFinished, vi } from 'vitest';
import demo from '../../../demo/tarn-street.json?raw';
import type { WaitingEvent } from '../api/outbox.ts';
import {
  ClassContext,
  type CourseContent,
  type PlanContent,
  useClass,
  useCourse,
  usePlan,
} from '../features/course/course-context.ts';
import { CourseProviders } from '../features/course/course-providers.tsx';
import { courseQuery, keys, materialQuery, sectionQuery } from '../features/course/course-queries.ts';
import { sessionQuery } from '../features/session/session-queries.ts';
import { studioQuery } from '../features/studio/studio-queries.ts';
import { system } from '../theme/system.ts';
import { CourseOnServer } from './course-on-server.ts';

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

/** A class in the room: what a server has of it, and what hears what is put down. */
export interface GivenClass {
  readonly section: SectionAnswer;
  readonly waiting: readonly WaitingEvent[];
  keep(event: SentEvent): void;
}

export interface InCourse {
  readonly role?: 'director' | 'teacher';
  /** The class that has begun; the course has none without. */
  readonly inClass?: GivenClass;
  readonly lesson?: number;
  readonly today?: string;
  /** What the course leaves out, beside what the demo's does. */
  readonly left?: readonly string[];
}

/** What the page shows, for the test to look at. */
type Shown = CourseContent & PlanContent;

/** A server with the demo's course, and a page that has read all that a room shares. */
function openPage({ role = 'director', inClass, today, left = [] }: InCourse) {
  const course = demoStudio.courses?.find(({ id }) => id === COURSE);
  if (!course) throw new Error('the demo has no such course');
  const placed = course.placed?.filter(({ pattern }) => !left.includes(pattern)) ?? [];
  const server = new CourseOnServer({ ...course, placed }, DIRECTOR);
  if (inClass) server.begin({ ...inClass.section.section, behind: 0 });
  vi.stubGlobal('fetch', server.fetch);
  const client = new QueryClient({ defaultOptions: { queries: { staleTime: Number.POSITIVE_INFINITY } } });
  const session = { ...sessionOf(role), ...(today && { today }) };
  client.setQueryData(sessionQuery.queryKey, session);
  client.setQueryData(studioQuery.queryKey, courseContent(role).studio);
  client.setQueryData(materialQuery(COURSE).queryKey, { stamp: '1', material });
  client.setQueryData(courseQuery(COURSE).queryKey, server.answer);
  if (inClass) client.setQueryData(sectionQuery(inClass.section.section.id).queryKey, inClass.section);
  const saved = () => waitFor(() => expectSaved(client));
  onTestFinished(async () => {
    // What is still on its way would reach the server of the next test.
    await saved();
    cleanup();
    vi.unstubAllGlobals();
  });
  return { server, client, saved };
}

function expectSaved(client: QueryClient): void {
  if (client.isMutating() > 0) throw new Error('a change is on its way');
}

interface AroundProps {
  readonly children: ReactNode;
  readonly asked: InCourse;
  readonly shown: { view?: Shown };
}

/** All that the rooms of a course share, as the page itself puts it together; only what is put down goes to the test. */
function Around({ children, asked: { inClass }, shown }: AroundProps) {
  return (
    <CourseProviders>
      <Look shown={shown} />
      {inClass ? <Heard by={inClass}>{children}</Heard> : children}
    </CourseProviders>
  );
}

function Look({ shown }: Pick<AroundProps, 'shown'>) {
  const course = useCourse();
  const plan = usePlan();
  shown.view = { ...course, ...plan };
  return null;
}

function Heard({ by: { waiting, keep }, children }: { by: GivenClass; children: ReactNode }) {
  const real = useClass();
  const content = useMemo(() => ({ ...real, waiting, keep }), [real, waiting, keep]);
  return <ClassContext value={content}>{children}</ClassContext>;
}

const PATH = '/courses/:course/*';

function addressOf({ lesson = 1 }: InCourse): string {
  return `/courses/${COURSE}/room?lesson=${lesson}`;
}

/** Runs a hook of the map inside the demo's course, on a page whose server is the one that is returned. */
export function renderInCourse<Result>(hook: () => Result, asked: InCourse = {}) {
  const page = openPage(asked);
  const shown: { view?: Shown } = {};
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={page.client}>
      <MemoryRouter initialEntries={[addressOf(asked)]}>
        <Routes>
          <Route
            path={PATH}
            element={
              <Around shown={shown} asked={asked}>
                {children}
              </Around>
            }
          />
        </Routes>
      </MemoryRouter>
    </QueryClientProvider>
  );
  const rendered = renderHook(hook, { wrapper });
  const view = () => {
    if (!shown.view) throw new Error('nothing is drawn yet');
    return shown.view;
  };
  return { ...rendered, ...page, view, lessonOf: (id: string) => view().draft.placed[id] };
}

/** Draws a room of the demo's course as a browser would. */
export function renderRoom(room: ReactNode, asked: InCourse = {}) {
  const page = openPage(asked);
  const element = (
    <Around shown={{}} asked={asked}>
      {room}
    </Around>
  );
  const routes = [{ path: PATH, element }];
  const router = createMemoryRouter(routes, { initialEntries: [addressOf(asked)] });
  const rendered = render(
    <ChakraProvider value={system}>
      <QueryClientProvider client={page.client}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </ChakraProvider>,
  );
  return { ...rendered, ...page, router };
}

/** The same, once the plan of its class is known. */
export async function renderInClass(room: ReactNode, asked: InCourse & { readonly inClass: GivenClass }) {
  const page = renderRoom(room, asked);
  const { id } = asked.inClass.section.section;
  const planOf = () =>
    page.client.getQueriesData<Result<ClassPlan, unknown>>({ queryKey: keys.classPlan(id) });
  await waitFor(() => expect(planOf().some(([, plan]) => plan?.ok)).toBe(true));
  return page;
}

/** The demo's class on Monday, after four lessons. */
export function mondayClass(keep: GivenClass['keep'] = () => undefined): GivenClass {
  const id = 'hustle-1-monday';
  const section = demoStudio.sections?.find(one => one.id === id);
  if (!section) throw new Error('the demo has no such class');
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
  return { section: answer, waiting: [], keep };
}

/** What the page knows of the demo's course. */
export function courseContent(role: NonNullable<InCourse['role']>): CourseContent {
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

function sessionOf(role: NonNullable<InCourse['role']>): SessionAnswer {
  const { me, today } = courseContent(role);
  return { person: me, csrf: 'x', today, demo: null, empty: false, founding: 'closed' };
}
